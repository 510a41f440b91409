import { useContext } from "react";
import {
  isRouteErrorResponse,
  Link,
  Links,
  Meta,
  Outlet,
  redirect,
  Scripts,
  ScrollRestoration,
  useRouteLoaderData,
} from "react-router";
import { Toaster } from "sonner";
import type { Route } from "./+types/root";
import "./app.css";
import { WaitingEntries } from "./offline/WaitingEntries.tsx";
import { Nonce } from "./session/nonce.ts";
import { hasSession, isOnNetwork } from "./session/passphrase.server.ts";
import { readPreferences } from "./session/preferences.server.ts";
import { fromOurOwnPages, namesLoopback } from "./session/same-origin.server.ts";

/** Uploads end here: a backup of a large yard is the largest thing anybody sends. */
const MOST_BYTES = 520 * 1024 * 1024;

export const middleware: Route.MiddlewareFunction[] = [
  async ({ request }, next) => {
    if (!isOnNetwork() && !namesLoopback(request))
      return new Response("Refused: without a passphrase only this machine itself is answered.", {
        status: 403,
      });
    if (!fromOurOwnPages(request))
      return new Response("Refused: this did not come from Ambrek's own pages.", { status: 403 });
    if (Number(request.headers.get("Content-Length") ?? 0) > MOST_BYTES)
      return new Response("That is too large.", { status: 413 });
    const entering = /^\/enter(\.data)?$/.test(new URL(request.url).pathname);
    if (isOnNetwork() && !entering && !(await hasSession(request))) {
      if (!request.headers.get("Accept")?.startsWith("application/json")) throw redirect("/enter");
      // What waits on a device is sent by a script: a page to log in on would be no answer to it.
      return Response.json(
        { ok: false, errors: { form: "The session has ended: enter the passphrase." }, asksReason: false },
        { status: 401 },
      );
    }
    return next();
  },
];

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request) };
}

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useContext(Nonce);
  const data = useRouteLoaderData<typeof loader>("root");
  const theme = data?.preferences.theme ?? "day";
  return (
    <html lang="en" data-theme={theme}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <WaitingEntries />
        <Toaster
          theme={theme === "night" ? "dark" : "light"}
          position="bottom-right"
          toastOptions={{ duration: 8000 }}
        />
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function App() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const known = isRouteErrorResponse(error);
  return (
    <main className="mx-auto grid max-w-xl gap-4 p-8">
      <title>Ambrek</title>
      <h1>{known && error.status === 404 ? "Not in this yard" : "That did not work"}</h1>
      <p>
        {known
          ? String(error.data || error.statusText)
          : "Something went wrong on the server. What was kept before is safe."}
      </p>
      <p>
        <Link className="key" to="/">
          Back to the yard
        </Link>
      </p>
    </main>
  );
}
