import { throwAway, WAITS_HERE, type Waits } from "./use-waiting.ts";

type Props = {
  waits: readonly Waits[];
  /** the number of the first of them */
  first: number;
  /** what was typed, in words */
  say: (fields: Waits["fields"]) => string;
};

/** What was measured here and waits on this device, numbered on from what the server has; each may be taken back. */
export function WaitingRows({ waits, first, say }: Props) {
  if (waits.length === 0) return null;
  return (
    <ul>
      {waits.map(({ id, fields }, at) => (
        <li
          key={id}
          data-waits
          className="flex min-h-11 items-center justify-between gap-2 border-b border-hair text-warn"
        >
          <span>
            <b>{first + at}</b> {say(fields)}; {WAITS_HERE}
          </span>
          <button
            type="button"
            className="min-h-11 cursor-pointer px-2 font-semibold underline"
            onClick={() => throwAway(id)}
          >
            Take back
          </button>
        </li>
      ))}
    </ul>
  );
}
