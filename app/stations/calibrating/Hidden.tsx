import type { Going } from "./going.ts";

type Props = Pick<Going, "view" | "id"> & {
  entry: string;
  intent?: "calibrate" | "set-calibration" | "end-calibration";
};

/** What every entry of a calibration says of itself. */
export function Hidden({ view, id, entry, intent = "calibrate" }: Props) {
  return (
    <>
      <input type="hidden" name="intent" value={intent} />
      <input type="hidden" name="id" value={entry} />
      <input type="hidden" name="calibration" value={id} />
      <input type="hidden" name="kind" value={view.key} />
    </>
  );
}
