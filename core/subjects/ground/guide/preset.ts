/** What a strip came to before, and how like the ground was. */
import type { Ground, Preset } from "../../../yard/ground.ts";

/** How like two grounds are: the soil says most, then how moist it is, then the crop, then that it is the same field. */
export function likeness(a: Ground, b: Ground): number {
  const same = (x: string | null, y: string | null) =>
    x !== null && x !== "" && x.toLowerCase() === y?.toLowerCase();
  return (
    (same(a.soil, b.soil) ? 8 : 0) +
    (same(a.moisture, b.moisture) ? 4 : 0) +
    (same(a.crop, b.crop) ? 2 : 0) +
    (same(a.field, b.field) ? 1 : 0)
  );
}

/** Like enough to begin with its settings: soil and moisture are told and the same, or it is the same field with nothing told against it. */
export function isLike(a: Ground, b: Ground): boolean {
  const against = (x: string | null, y: string | null) => x !== null && y !== null && x !== y;
  if (against(a.soil, b.soil) || against(a.moisture, b.moisture)) return false;
  return (
    (a.soil !== null && a.soil === b.soil && a.moisture === b.moisture) ||
    a.field.toLowerCase() === b.field.toLowerCase()
  );
}

/** Presets, the likest first; those alike the newest first, as they come. */
export function likest(presets: readonly Preset[], ground: Ground): Preset[] {
  return [...presets].sort((a, b) => likeness(b, ground) - likeness(a, ground));
}
