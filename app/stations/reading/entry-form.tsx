/** The form of an open reading. The catalogue, the classes that check and the keypad come with it: only where something is entered. */
import { type ComponentProps, lazy, Suspense, useEffect, useState } from "react";
import type { EntryForm as Form } from "./EntryForm.tsx";

type Props = ComponentProps<typeof Form>;

let atHand: typeof Form | null = null;

async function load() {
  atHand ??= (await import("./EntryForm.tsx")).EntryForm;
  return { default: atHand };
}

const Loading = lazy(load);

/** Loads it once the page stands, so that the first press on a reading need not wait for it. */
export function useFormAtHand() {
  useEffect(() => void load().catch(() => {}), []);
}

export function EntryForm(props: Props) {
  // One and the same as long as it is open: what is typed in it stays.
  const [Now] = useState(() => atHand ?? Loading);
  return (
    <Suspense
      fallback={
        <p className="min-h-48 text-soft" inert>
          The field is on its way.
        </p>
      }
    >
      <Now {...props} />
    </Suspense>
  );
}
