import { Link } from "react-router";
import { drawLanes, LANE_ROW } from "../../../core/drawing/lanes.ts";
import { useSmallScreen } from "../../ui/use-small-screen.ts";
import type { LanesView } from "./traffic-view.server.ts";

/** Passes and wheel marks from the field's edge on, and how much of the field wheels tread. */
export function TrafficLanes({ view: { units, tools, trodden, unknown } }: { view: LanesView }) {
  const small = useSmallScreen();
  if (tools.length === 0) return null;
  const drawn = drawLanes(tools, small ? 358 : 820, units);
  const shifted = tools.filter((tool) => tool.shifted !== null);
  return (
    <section aria-label="Wheel marks" className="grid gap-2 pt-3">
      <h2 className="border-b-2 border-ink pb-1">
        Wheel marks <span className="font-normal text-soft">from the edge of the field, to scale</span>
      </h2>
      <p data-trodden={trodden ?? "unknown"}>
        {trodden === null ? (
          <>
            How much of the field they tread is <b>not known</b> before track width and tyre are measured of{" "}
            {unknown.map(({ name, href }, at) => (
              <span key={href}>
                {at > 0 && ", "}
                <Link to={href} className="underline">
                  {name}
                </Link>
              </span>
            ))}
            .
          </>
        ) : (
          <>
            Together they tread <b>{trodden} of the field</b>, headlands aside: rear tyres, front ones in
            their tracks.
          </>
        )}
      </p>
      <svg
        viewBox={`0 0 ${drawn.width} ${drawn.height}`}
        className="w-full"
        role="img"
        aria-label="Passes and wheel marks across the field"
      >
        <rect width={drawn.width} height={drawn.height} fill="var(--sheet)" />
        {drawn.rows.map(({ name, y, passes, wheels }) => (
          <g key={name} data-lanes={name}>
            <text x={passes[0]?.x ?? 8} y={y + 20} fontSize={15} fill="var(--ink)">
              {name}
            </text>
            {passes.map(({ x, width }) => (
              <rect
                key={x}
                x={x + 1}
                y={y + 28}
                width={Math.max(1, width - 2)}
                height={LANE_ROW - 34}
                fill="var(--soil)"
              />
            ))}
            {wheels.map(({ x, width }) => (
              <rect
                key={x}
                x={x}
                y={y + 28}
                width={Math.max(1, width)}
                height={LANE_ROW - 34}
                fill="var(--ink)"
              />
            ))}
          </g>
        ))}
        <text x={8} y={drawn.all.y + 18} fontSize={15} fontWeight={700} fill="var(--ink)">
          All of them
        </text>
        {drawn.all.wheels.map(({ x, width }) => (
          <rect
            key={x}
            x={x}
            y={drawn.all.y + 24}
            width={Math.max(1, width)}
            height={14}
            fill="var(--stop)"
          />
        ))}
        {drawn.ticks.map(({ x, text }, at) => (
          <g key={text}>
            <path d={`M ${x} ${drawn.all.y + 40} v 6`} stroke="var(--ink)" strokeWidth={1.4} fill="none" />
            <text
              x={x}
              y={drawn.all.y + 59}
              fontSize={14}
              fill="var(--soft)"
              textAnchor={at === 0 ? "start" : at === 1 ? "middle" : "end"}
            >
              {text}
            </text>
          </g>
        ))}
      </svg>
      {shifted.map(({ name, shifted: by }) => (
        <p key={name} className="text-soft">
          {name} is drawn with its lines shifted by {by}.
        </p>
      ))}
    </section>
  );
}
