import { printLength } from "../../../core/quantity/length.ts";
import { say } from "../../../core/quantity/say.ts";
import { fineStyle, type Units } from "../../../core/quantity/units.ts";
import type { Outcome, Worked } from "../../../core/world/outcome.ts";
import type { JointsOfBoth } from "../../../core/world/said.ts";
import { timeSaid } from "./Stage.tsx";
import type { Driveable } from "./world-view.server.ts";

const ROWS: readonly { key: keyof Worked; label: string }[] = [
  { key: "inside", label: "Worked in the field" },
  { key: "left", label: "Left open" },
  { key: "twice", label: "Worked twice" },
  { key: "outside", label: "Beside the field" },
];

type Props = { outcome: Outcome; joints: JointsOfBoth; view: Driveable };

/** The drive in figures: what the terminal's map has beside what is on the ground. */
export function OutcomeTable({ outcome, joints, view: { units, shown, worth } }: Props) {
  const area = (value: number) => say("area", value, units, 3);
  return (
    <div className="grid gap-1">
      <table className="w-full" data-outcome>
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col" className="py-1 font-semibold">
              <span className="sr-only">What</span>
            </th>
            <th scope="col" className="py-1 text-right font-semibold text-dye">
              Map
            </th>
            <th scope="col" className="py-1 text-right font-semibold">
              Ground
            </th>
          </tr>
        </thead>
        <tbody className="tabular-nums">
          {ROWS.map(({ key, label }) => (
            <Row
              key={key}
              name={key}
              label={label}
              map={area(outcome.believed[key])}
              ground={area(outcome.truth[key])}
            />
          ))}
          <Row
            name="counted"
            label="Width times way"
            map={area(outcome.believed.counted * shown)}
            ground={area(outcome.truth.counted)}
          />
          {worth.rate !== null && (
            <Row
              name="product"
              label="Product"
              map={amount(outcome.believed.counted * shown * worth.rate, worth.of, units)}
              ground={amount(outcome.truth.counted * worth.rate * outcome.dose, worth.of, units)}
            />
          )}
          {joints.ground &&
            joints.map &&
            (["up", "down"] as const).map((way) => (
              <Row
                key={way}
                name={way}
                label={`Joints after ${way}`}
                map={joint(joints.map!.after[way], units)}
                ground={joint(joints.ground!.after[way], units)}
              />
            ))}
          <Row name="time" label="Driven" map="" ground={timeSaid(outcome.seconds)} />
        </tbody>
      </table>
      {joints.ground && <p className="text-small text-soft">Joints: − is lapped.</p>}
    </div>
  );
}

const amount = (value: number, of: "kg" | "l", units: Units) =>
  of === "l" ? say("volume", value, units) : say("mass", value, units);

/** A gap to the millimetre; a lap has a minus. */
function joint(gap: number, units: Units): string {
  if (Number.isNaN(gap)) return "none";
  return `${gap < -5e-4 ? "−" : ""}${printLength(Math.abs(gap), fineStyle(units))}`;
}

function Row({ name, label, map, ground }: { name: string; label: string; map: string; ground: string }) {
  return (
    <tr className="border-b border-hair" data-row={name}>
      <th scope="row" className="py-1 text-left font-normal">
        {label}
      </th>
      <td className="py-1 pl-3 text-right text-dye">{map}</td>
      <td className="py-1 pl-3 text-right font-semibold whitespace-nowrap">{ground}</td>
    </tr>
  );
}
