/** Ground covered: how fast against a union of polygons, how exact, how much it holds, and how all that grows with the field. */
import { areaD, FillRule, type PathsD, unionD } from "clipper2-ts";
import Coordinate from "jsts/org/locationtech/jts/geom/Coordinate.js";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import UnaryUnionOp from "jsts/org/locationtech/jts/operation/union/UnaryUnionOp.js";
import { measure } from "../core/coverage/measure.ts";
import { type At, edgesOf, quadsBetween } from "../core/coverage/passes.ts";
import type { Spot } from "../core/coverage/raster.ts";
import { drawTo, groundPixels, screenOf } from "../core/drawing/ground.ts";
import { drive } from "../core/world/drive.ts";
import { outcomeOf } from "../core/world/outcome.ts";
import { type Driven, piecesBetween, type World } from "../core/world/record.ts";
import { sampleDrive, sampleRig } from "../core/world/sample.ts";
import { report } from "./measure.ts";

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

/** Seconds and m² of the union of these quads, by two geometry libraries: the reference one, and the quick one that offsets rings. */
function unions(quads: readonly Spot[][]): { name: string; ms: number; area: number }[] {
  const timed = (name: string, work: () => number) => {
    const from = performance.now();
    const area = work();
    return { name, ms: performance.now() - from, area };
  };
  return [
    timed("JTS", () => {
      const factory = new GeometryFactory();
      const corner = ({ x, y }: Spot) => new Coordinate(Math.round(x * 1e4) / 1e4, Math.round(y * 1e4) / 1e4);
      const polygons = quads.map((quad) => factory.createPolygon([...quad, quad[0]!].map(corner)));
      return UnaryUnionOp.union(factory.createGeometryCollection(polygons)).getArea();
    }),
    timed("Clipper", () =>
      Math.abs(unionD(quads as PathsD, [], FillRule.NonZero, 4).reduce((sum, path) => sum + areaD(path), 0)),
    ),
  ];
}

/** What the process holds beyond what it held, at most, as it is sampled before and after. */
function cover(quads: readonly Spot[][], side: number) {
  const held = () => process.memoryUsage().arrayBuffers;
  const [before, began] = [held(), performance.now()];
  const box = { left: -20, bottom: -20, right: side + 20, top: side + 20 };
  const { once, twice } = measure({ box, cell: CELL, field: [], pieces: quads });
  return { ms: performance.now() - began, once, twice, bytes: held() - before };
}

/** Prints milliseconds, megabytes and how far from the union; the middle of five runs, of which the first two warm up. */
export function benchCoverage(): void {
  let last: { hectares: number; ms: number } | null = null;
  for (const hectares of [10, 100, 1000]) {
    const { quads, side } = drivenOver(hectares);
    const runs = Array.from({ length: hectares > 100 ? 1 : 5 }, () => cover(quads, side));
    const { ms, once, twice, bytes } = [...runs].sort((a, b) => a.ms - b.ms)[Math.floor(runs.length / 2)]!;
    const growth = last ? `, ${(ms / last.ms / (hectares / last.hectares)).toFixed(2)} of linear` : "";
    console.log(
      `coverage, ${hectares} ha, ${SECTIONS} sections at ${CELL * 100} cm: ${ms.toFixed(0)} ms for ${quads.length} quads${growth}; ${(bytes / 1e6).toFixed(0)} MB; ${(once / 1e4).toFixed(2)} ha worked, ${(twice / 1e4).toFixed(3)} ha twice`,
    );
    last = { hectares, ms };
    if (hectares > 100) continue;
    for (const { name, ms: slow, area } of unions(quads))
      console.log(
        `  union of the same quads by ${name}: ${slow.toFixed(0)} ms, ${(slow / ms).toFixed(0)} times as long; areas agree within ${(100 * Math.abs(once / area - 1)).toFixed(3)} %`,
      );
  }
  console.log("");
}

/** Hectares driven by two rigs side by side, measured twice, and a picture of it: a frame that goes on in time, and one that is drawn anew. */
export function benchWorld(): void {
  const side = 1000;
  const field = [
    [
      { x: 0, y: 0 },
      { x: side, y: 0 },
      { x: side, y: side },
      { x: 0, y: side },
    ],
  ];
  const rig = sampleRig({
    train: [],
    strays: { machine: 0, drawn: [], steered: [] },
    work: {
      body: 0,
      ahead: -2,
      right: 0,
      sections: Array.from({ length: SECTIONS }, () => WIDTH / SECTIONS),
    },
  });
  const truth = { ...rig, work: { ...rig.work, right: 0.15 } };
  const asked = sampleDrive({ truth, believed: rig }, { field, speed: { work: SPEED, turn: 2 } });
  const began = performance.now();
  const record = drive(asked);
  const drove = performance.now() - began;
  const outcome = outcomeOf(record, { field, box: asked.box, cell: CELL });
  const measured = performance.now() - began - drove;
  console.log(
    `world, 100 ha, ${SECTIONS} sections, true beside believed: driven in ${drove.toFixed(0)} ms (${(outcome.seconds / (drove / 1000)).toFixed(0)} times as fast as at work), both measured at ${CELL * 100} cm in ${measured.toFixed(0)} ms; ${(outcome.truth.left / 1e4).toFixed(2)} ha open, ${(outcome.truth.twice / 1e4).toFixed(2)} ha twice`,
  );
  benchFrames(record, field);
}

function benchFrames(record: Driven, field: readonly (readonly Spot[])[]): void {
  const { rows, rigs } = record;
  const pieces = (world: World) =>
    rows.slice(1).map((row, at) => piecesBetween(rigs[world], world, rows[at]!, row));
  const worked = { truth: pieces("truth"), believed: pieces("believed") };
  const view = { east: 500, north: 500, metres: 2.6, width: 1146, height: 410 };
  const colours = {
    layers: { believed: { once: 1, hatch: 2, twice: 3 }, truth: { once: 4, hatch: 5, twice: 6 } },
    bare: 7,
    beside: 8,
  };
  const out = new Uint32Array(view.width * view.height);
  const screen = screenOf(view, field);
  // A hundred times as fast as at work, sixty frames a second: so many rows a frame.
  const each = Math.max(1, Math.round((rows.length * 100) / rows.at(-1)!.seconds / 60));
  let row = 0;
  const on = report(`a frame that goes on by ${each} rows, ${view.width} by ${view.height}`, () => {
    row = row + each >= rows.length ? 0 : row + each;
    drawTo(screen, worked, row);
    groundPixels(screen, view.width / 2, colours, 1, out);
  });
  const anew = report("a frame drawn anew, as after a zoom", () => {
    const fresh = screenOf(view, field);
    drawTo(fresh, worked, rows.length - 1);
    groundPixels(fresh, view.width / 2, colours, 1, out);
  });
  console.log(`  ratio anew / on: ${(anew / on).toFixed(0)}; a frame of 60 a second has 16.7 ms\n`);
}
