import { Dialog } from "radix-ui";
import { useEffect, useEffectEvent, useState } from "react";
import { useNavigate } from "react-router";
import { usePreference } from "./Header.tsx";

const KEYS = [
  ["[", "station before"],
  ["]", "station after"],
  ["n", "the reading to tape next"],
  ["j", "reading below"],
  ["k", "reading above"],
  ["Esc", "close the reading"],
  ["v", "plan view, or side view"],
  ["u", "metres, or feet and inches"],
  ["/", "find in the yard"],
  ["?", "this list"],
] as const;

export type Ways = {
  before: string | null;
  after: string | null;
  next: string | null;
  below: string | null;
  above: string | null;
  close: string | null;
  turn: string | null;
};

/** Keys of a rig's screens. They do nothing while somebody types in a field. */
export function Shortcuts({ ways, units }: { ways: Ways; units: string }) {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const choose = usePreference();
  const press = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const typing = (event.target as Element).closest("input, textarea, select") !== null;
    if (typing && event.key !== "Escape") return;
    const to = {
      "[": ways.before,
      "]": ways.after,
      n: ways.next,
      j: ways.below,
      k: ways.above,
      v: ways.turn,
      "/": "/?find=",
      Escape: ways.close,
    }[event.key];
    if (to) {
      event.preventDefault();
      navigate(to, { preventScrollReset: true });
    } else if (event.key === "u") choose({ choice: units === "metric" ? "us" : "metric" });
    else if (event.key === "?") setOpen(true);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => press(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/40" />
        <Dialog.Content
          className="fixed top-1/2 left-1/2 grid w-[min(420px,92vw)] -translate-1/2 gap-3 border-2 border-ink bg-sheet p-6"
          aria-describedby={undefined}
        >
          <Dialog.Title className="text-value font-bold">Keys</Dialog.Title>
          <KeyList />
          <Dialog.Close className="key justify-self-end">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Every key and what it does. */
export function KeyList({ className = "" }: { className?: string }) {
  return (
    <dl className={`grid gap-x-8 gap-y-1.5 ${className}`}>
      {KEYS.map(([key, does]) => (
        <div key={key} className="grid grid-cols-[60px_1fr]">
          <dt>
            <kbd className="rounded-[3px] border border-line px-2 font-sans">{key}</kbd>
          </dt>
          <dd>{does}</dd>
        </div>
      ))}
    </dl>
  );
}
