import { lazy, Suspense, useEffect, useEffectEvent, useState } from "react";
import { useNavigate } from "react-router";
import { usePreference } from "./Header.tsx";

/** Asked for seldom: it is loaded when it is, and where there is no connection to load it by there is none. */
const KeysDialog = lazy<(props: { onClose: () => void }) => React.ReactNode>(() =>
  import("./KeysDialog.tsx").catch(() => ({ default: () => null })),
);

export type Ways = {
  before: string | null;
  after: string | null;
  next: string | null;
  below: string | null;
  above: string | null;
  close: string | null;
  turn: string | null;
};

/** The first thing one may press in each line of a page's lists, in order. */
function linesToPress(): HTMLElement[] {
  return [...document.querySelectorAll<HTMLElement>("main li")].flatMap((line) => {
    const first = line.querySelector<HTMLElement>(
      "a[href], button:not(:disabled), summary, input:not([type=hidden])",
    );
    return first?.checkVisibility() && first.closest("li") === line ? [first] : [];
  });
}

/** Goes a line down or up a page's lists from where one is; from elsewhere to the first or the last. */
function step(by: 1 | -1): void {
  const all = linesToPress();
  const here = document.activeElement?.closest("li");
  const at = all.findIndex((each) => each.closest("li") === here);
  const next = at < 0 ? (by === 1 ? all[0] : all.at(-1)) : all[at + by];
  next?.focus();
}

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
    } else if (event.key === "j" || event.key === "k") step(event.key === "j" ? 1 : -1);
    else if (event.key === "u") choose({ choice: units === "metric" ? "us" : "metric" });
    else if (event.key === "?") setOpen(true);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => press(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
  return open ? (
    <Suspense fallback={null}>
      <KeysDialog onClose={() => setOpen(false)} />
    </Suspense>
  ) : null;
}
