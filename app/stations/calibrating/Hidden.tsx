import type { Going } from "./going.ts";

/** What every entry of a calibration says of itself. */
export function Hidden({ view, id, entry }: Pick<Going, "view" | "id"> & { entry: string }) {
  return (
    <>
      <input type="hidden" name="intent" value="calibrate" />
      <input type="hidden" name="id" value={entry} />
      <input type="hidden" name="calibration" value={id} />
      <input type="hidden" name="kind" value={view.key} />
    </>
  );
}
