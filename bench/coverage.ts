/** Ground covered: how fast against a union of polygons, how exact, how much it holds, and how all that grows with the field. */
import { areaD, FillRule, type PathsD, unionD } from "clipper2-ts";
import { type At, edgesOf, quadsBetween } from "../core/coverage/passes.ts";
import { bytesOf, covered, fillRing, rasterOver, type Spot } from "../core/coverage/raster.ts";

const SECTIONS = 48;
const WIDTH = 24;
/** Metres a second, a fix each */
const SPEED = 3;
const CELL = 0.05;

/** A square field driven up and down, a little askew, its sections shut at both ends. */
function drivenOver(hectares: number): { quads: Spot[][]; side: number } {
  const side = Math.sqrt(hectares * 10_000);
  const edges = edgesOf({ sections: Array.from({ length: SECTIONS }, () => WIDTH / SECTIONS) });
  const all = Array.from({ length: SECTIONS }, () => true);
  const some = all.map((_, at) => at % 16 !== 3);
  const quads: Spot[][] = [];
  for (let pass = 0; (pass + 0.5) * WIDTH < side; pass += 1) {
    const x = (pass + 0.5) * WIDTH + 0.3 * Math.sin(pass);
    let before: At | null = null;
    for (let y = 0; y <= side; y += SPEED) {
      const heading = 0.02 * Math.sin(y / 40 + pass);
      const now: At = { x, y, heading, open: y % 90 < 30 ? some : all };
      if (before) quads.push(...quadsBetween(edges, before, now));
      before = now;
    }
  }
  return { quads, side };
}

/** Prints milliseconds, megabytes and how far from the union; the union only where it does not take minutes. */
export function benchCoverage(): void {
  let last: { hectares: number; ms: number } | null = null;
  for (const hectares of [10, 100, 1000]) {
    const { quads, side } = drivenOver(hectares);
    const began = performance.now();
    const raster = rasterOver({ left: -20, bottom: -20, right: side + 20, top: side + 20 }, CELL);
    for (const quad of quads) fillRing(raster, quad);
    const { once, twice } = covered(raster);
    const ms = performance.now() - began;
    const growth = last ? `, ${(ms / last.ms / (hectares / last.hectares)).toFixed(2)} of linear` : "";
    console.log(
      `coverage, ${hectares} ha, ${SECTIONS} sections at ${CELL * 100} cm: ${ms.toFixed(0)} ms for ${quads.length} quads${growth}; ${(bytesOf(raster) / 1e6).toFixed(0)} MB; ${(once / 1e4).toFixed(2)} ha worked, ${(twice / 1e4).toFixed(3)} ha twice`,
    );
    last = { hectares, ms };
    if (hectares > 10) continue;
    const paths: PathsD = quads;
    const from = performance.now();
    const union = Math.abs(
      unionD(paths, [], FillRule.NonZero, 4).reduce((sum, path) => sum + areaD(path), 0),
    );
    const slow = performance.now() - from;
    console.log(
      `  union of the same quads by a polygon library: ${slow.toFixed(0)} ms, ${(slow / ms).toFixed(0)} times as long; areas agree within ${(100 * Math.abs(once / union - 1)).toFixed(3)} %`,
    );
  }
  console.log("");
}
