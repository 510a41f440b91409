/** A slider wide enough for a glove, with what it stands at. */
export function Slide({
  label,
  shown,
  range: { from, to },
  step = 0.001,
  value,
  onSlide,
}: {
  label: string;
  shown: string;
  range: { from: number; to: number };
  step?: number;
  value: number;
  onSlide: (value: number) => void;
}) {
  return (
    <label className="grid gap-1">
      <span className="flex justify-between gap-3">
        {label} <b className="tabular-nums">{shown}</b>
      </span>
      <input
        type="range"
        className="h-11 w-full accent-dye"
        min={from}
        max={to}
        step={step}
        value={value}
        onChange={(event) => onSlide(Number(event.target.value))}
      />
    </label>
  );
}
