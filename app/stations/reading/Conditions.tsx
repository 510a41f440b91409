import { Check } from "lucide-react";
import { useEffect, useState } from "react";
import type { ConditionKey } from "../../../core/dimension/condition.ts";

type Asked = { key: ConditionKey; label: string }[];

const REMEMBERED = "ambrek-conditions";

function remembered(): ConditionKey[] {
  return JSON.parse(window.sessionStorage.getItem(REMEMBERED) ?? "[]") as ConditionKey[];
}

/** What holds while measuring. A level floor stays level for the next reading, so what was ticked stays ticked here. */
export function useConditions(asked: Asked): [ConditionKey[], (held: ConditionKey[]) => void] {
  const [held, setHeld] = useState<ConditionKey[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when the entry opens in the browser
  useEffect(() => setHeld(remembered().filter((key) => asked.some((each) => each.key === key))), []);
  const change = (next: ConditionKey[]) => {
    setHeld(next);
    const others = remembered().filter((key) => !asked.some((each) => each.key === key));
    window.sessionStorage.setItem(REMEMBERED, JSON.stringify([...others, ...next]));
  };
  return [held, change];
}

export function Conditions({
  asked,
  held,
  onChange,
}: {
  asked: Asked;
  held: ConditionKey[];
  onChange: (held: ConditionKey[]) => void;
}) {
  return (
    <fieldset aria-label="Before measuring" className="grid grid-cols-2 gap-1.5 max-sm:grid-cols-3">
      <span className="col-span-2 text-small max-sm:sr-only">Before measuring, see that it holds:</span>
      {asked.map(({ key, label }) => {
        const on = held.includes(key);
        return (
          <button
            key={key}
            type="button"
            aria-pressed={on}
            onClick={() => onChange(on ? held.filter((each) => each !== key) : [...held, key])}
            className="choice choice-washed flex items-center gap-1.5 text-left text-small leading-tight aria-pressed:border-ok aria-pressed:text-ok"
          >
            <Check size={16} aria-hidden="true" className={`shrink-0 ${on ? "" : "opacity-25"}`} />
            {label}
          </button>
        );
      })}
    </fieldset>
  );
}
