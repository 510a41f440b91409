import type { Route } from "../routes/+types/scheme";
import { YardFrame } from "../yard/YardFrame.tsx";
import { NEW } from "./new-scheme.ts";
import { SchemeEditor } from "./SchemeEditor.tsx";

export function SchemePage({
  loaderData: { preferences, readings, scheme },
  actionData,
}: Route.ComponentProps) {
  return (
    <YardFrame preferences={preferences} here="schemes">
      <div>
        <h1>{scheme.id === NEW ? "New scheme" : scheme.name}</h1>
        <p className="text-lead text-soft">
          Go through the terminal's pages from the first to the last and write each line in its words.
        </p>
      </div>
      <SchemeEditor key={scheme.id} scheme={scheme} readings={readings} sent={actionData?.errors ?? {}} />
    </YardFrame>
  );
}
