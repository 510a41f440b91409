const KEYS = [
  ["[", "station before"],
  ["]", "station after"],
  ["n", "the reading to tape next"],
  ["j", "reading or line below"],
  ["k", "reading or line above"],
  ["Esc", "close the reading"],
  ["v", "plan view, or side view"],
  ["u", "metres, or feet and inches"],
  ["s", "what do you see? Causes and tests"],
  ["/", "find in the yard"],
  ["?", "this list"],
] as const;

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
