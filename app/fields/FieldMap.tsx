import type { FieldOnMap, ScaleBar } from "../../core/drawing/field-map.ts";

/** North is up; the bar says how long that is on the ground. */
export function MapMarks({ width, height, bar }: { width: number; height: number; bar: ScaleBar }) {
  return (
    <>
      <g transform={`translate(${width - 24} 22)`}>
        <path d="M 0 -14 L 7 10 L 0 5 L -7 10 Z" fill="var(--ink)" />
        <text x={0} y={27} textAnchor="middle" fontSize={14} fontWeight={700} fill="var(--ink)">
          N
        </text>
      </g>
      <g transform={`translate(16 ${height - 14})`}>
        <path d={`M 0 -6 V 0 H ${bar.pixels} V -6`} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
        <text x={bar.pixels + 8} y={1} fontSize={14} fill="var(--ink)">
          {bar.label}
        </text>
      </g>
    </>
  );
}

type Props = {
  map: {
    width: number;
    height: number;
    fields: FieldOnMap[];
    bar: ScaleBar;
    mark: { x: number; y: number } | null;
  };
  names: ReadonlyMap<number, string>;
  className: string;
};

/** Several fields to scale, each a way to its page. */
export function FieldMap({ map: { width, height, fields, bar, mark }, names, className }: Props) {
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that holds links is no fieldset
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className={`w-full border border-hair bg-sheet ${className}`}
      role="group"
      aria-label={`Map of ${fields.length} ${fields.length === 1 ? "field" : "fields"}, north up, ${bar.label} to the bar`}
    >
      {fields.map(({ id, path, label }) => (
        <a key={id} href={`/fields/${id}`} aria-label={names.get(id)}>
          <path
            d={path}
            fillRule="evenodd"
            className="fill-[var(--soil)] hover:fill-[var(--dye-wash)]"
            stroke="var(--ink)"
            strokeWidth={1.6}
          >
            <title>{names.get(id)}</title>
          </path>
          {label && (
            <text
              x={label.x}
              y={label.y}
              textAnchor="middle"
              fontSize={14}
              fontWeight={600}
              fill="var(--ink)"
              pointerEvents="none"
            >
              {label.text}
            </text>
          )}
        </a>
      ))}
      {mark && (
        <g transform={`translate(${mark.x} ${mark.y})`} stroke="var(--dye)" strokeWidth={2.5} fill="none">
          <circle r={7} />
          <path d="M -13 0 H -4 M 4 0 H 13 M 0 -13 V -4 M 0 4 V 13" />
        </g>
      )}
      <MapMarks width={width} height={height} bar={bar} />
    </svg>
  );
}
