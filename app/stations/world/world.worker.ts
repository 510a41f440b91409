/** Drives both rigs over the field off the page's thread, measures what came of it, and draws it on the canvas it was given. */

import { amountsOf, squaresOf } from "../../../core/coverage/amount.ts";
import type { Box } from "../../../core/coverage/raster.ts";
import {
  drawTo,
  type GroundColours,
  type GroundView,
  groundPixels,
  type Screen,
  screenOf,
  type Worked,
} from "../../../core/drawing/ground.ts";
import { placeAt } from "../../../core/geodesy/degrees.ts";
import { fromPlane, toPlane } from "../../../core/geodesy/plane.ts";
import { placed, type Spot, wheelsOf } from "../../../core/motion/train.ts";
import type { PlaneField } from "../../../core/place/plane-field.ts";
import { driven } from "../../../core/world/drive.ts";
import { histogramOf, jointFigures, jointsOf } from "../../../core/world/joints.ts";
import { boxAbout, CELL, type OnField, spotsOf, toDrive } from "../../../core/world/on-field.ts";
import { doseOf, type Outcome, outcomes } from "../../../core/world/outcome.ts";
import { type Both, type Driven, piecesBetween, type Row, type World } from "../../../core/world/record.ts";
import { mainHeading, type Recorded, replay } from "../../../core/world/replay.ts";
import type { WorldRig } from "../../../core/world/rig.ts";
import type { JointsOfBoth } from "../../../core/world/said.ts";
import { writeAmounts } from "../../../formats/geojson/amounts.ts";
import { timeLogsIn } from "../../../formats/isoxml/time-log.ts";
import { readLog } from "../../../formats/nmea/log.ts";

/** Outlines of each body, points ahead of its wheels and to their right, metres. */
export type Outlines = readonly (readonly (readonly Spot[])[])[];

export type Look = {
  view: GroundView;
  seconds: number;
  /** where the map ends and what is so begins, pixels from the left */
  seam: number;
  /** screen pixels of one of the page's */
  ratio: number;
  colours: GroundColours & { ink: string; dye: string; paper: string };
};

export type WorldAsked =
  | { what: "canvas"; canvas: OffscreenCanvas }
  | { what: "drive"; run: number; on: OnField; outlines: Outlines }
  | {
      what: "replay";
      run: number;
      log: LogGiven;
      field: PlaneField;
      rigs: Both<WorldRig>;
      outlines: Outlines;
    }
  | { what: "amounts"; run: number; rate: number | null; of: "kg" | "l" }
  /** nothing is driven until something is asked again */
  | { what: "stop"; run: number }
  | { what: "look"; look: Look };

/** A log as a file, or the passes of one that is on record: degrees. */
export type LogGiven =
  | { kind: "file"; name: string; bytes: Uint8Array }
  | { kind: "passes"; name: string; passes: readonly (readonly { latitude: number; longitude: number }[])[] };

/** What a log was, and whether it lies on the field. */
export type LogSaid = { name: string; positions: number; told: number; onField: boolean; box: Spot[] };

/** Places worth a closer look. */
export type Spots = Record<
  "joint" | "headland" | "cutIn",
  { east: number; north: number; seconds: number } | null
>;

export type WorldTold =
  | { what: "driving" | "measuring"; run: number; share: number }
  | { what: "driven"; run: number; seconds: number; spots: Spots; log: LogSaid | null }
  | { what: "outcome"; run: number; outcome: Outcome; joints: JointsOfBoth; histogram: Histogram }
  | { what: "amounts"; run: number; geojson: string }
  | { what: "problem"; run: number; problem: string };

/** How many joints are how wide, metres: on the map and on the ground. */
export type Histogram = Both<{ gap: number; count: number }[]>;

const tell = (told: WorldTold) => self.postMessage(told);

let canvas: OffscreenCanvas | null = null;
let look: Look | null = null;
let now: {
  driven: Driven;
  worked: Worked;
  field: Spot[][];
  outlines: Outlines;
  box: Box;
  origin: PlaneField["origin"];
} | null = null;
let screen: Screen | null = null;
let latest = 0;

/** Lets what was asked meanwhile come in. */
const pause = () => new Promise<void>((done) => setTimeout(done, 0));
/** So long it works at a time, milliseconds. */
const AT_A_TIME = 30;

/** Runs something that may be stopped between two steps; null where another run was asked for. */
async function stepped<T, R>(
  run: number,
  steps: Generator<T, R>,
  told: (step: T) => void,
): Promise<R | null> {
  let until = performance.now() + AT_A_TIME;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() < until) continue;
    told(step.value);
    await pause();
    if (run !== latest) return null;
    until = performance.now() + AT_A_TIME;
  }
}

async function driveAll(run: number, on: OnField, outlines: Outlines): Promise<void> {
  latest = run;
  const asked = toDrive(on);
  const record = await stepped(run, driven(asked), (step) =>
    tell({ what: "driving", run, share: step.done / step.all }),
  );
  if (record)
    await show(run, record, {
      ...asked,
      origin: on.field.origin,
      outlines,
      heading: on.laid.heading,
      log: null,
    });
}

/** A log lies on a field where most of it is within so many metres of its middle. */
const NEAR = 5000;

async function replayAll({
  run,
  log,
  field,
  rigs,
  outlines,
}: Extract<WorldAsked, { what: "replay" }>): Promise<void> {
  latest = run;
  const recorded = recordedOf(log, field);
  const again = replay(recorded, rigs);
  const onField = recorded.every(({ east, north }) => Math.hypot(east, north) < NEAR);
  const track = recorded.map(({ east, north }) => ({ x: east, y: north }));
  const box = boxAbout(onField ? [...spotsOf(field), track] : [track], MARGIN);
  await show(run, again, {
    origin: field.origin,
    field: onField ? spotsOf(field) : [],
    box,
    outlines,
    heading: mainHeading(recorded.filter(({ working }) => working !== false)),
    log: {
      name: log.name,
      positions: recorded.length,
      told: again.told,
      onField,
      box: [
        { x: box.left, y: box.bottom },
        { x: box.right, y: box.top },
      ],
    },
  });
}

/** Ground about a track that its work may lie on, metres. */
const MARGIN = 40;
/** Passes on record have no clock: they are driven so fast again, metres a second, and so far apart in time. */
const PASS = { speed: 2.5, apart: 60 };

/** Positions on the field's plane. @throws Error, with a sentence that can be shown, of a file that is no log */
function recordedOf(log: LogGiven, { origin }: PlaneField): Recorded[] {
  if (log.kind === "passes") return passesRecorded(log.passes, origin);
  if (/\.zip$/i.test(log.name))
    return timeLogsIn(log.bytes)
      .flatMap(({ records }) => records)
      .map(({ seconds, working, ...place }) => ({ ...toPlane(origin, place), seconds, working }));
  const read = readLog(new TextDecoder().decode(log.bytes));
  if (!read.ok) throw new Error(read.problem);
  return read.log.points.map(({ time, ...point }) => ({
    ...toPlane(origin, fromPlane(read.log.origin, point)),
    seconds: time,
    working: null,
  }));
}

function passesRecorded(
  passes: Extract<LogGiven, { kind: "passes" }>["passes"],
  origin: PlaneField["origin"],
): Recorded[] {
  let seconds = 0;
  return passes.flatMap((points) => {
    seconds += PASS.apart;
    let before: { east: number; north: number } | null = null;
    return points.map(({ latitude, longitude }): Recorded => {
      const at = toPlane(origin, placeAt(latitude, longitude));
      if (before) seconds += Math.hypot(at.east - before.east, at.north - before.north) / PASS.speed;
      before = at;
      return { ...at, seconds, working: true };
    });
  });
}

type Shown = {
  origin: PlaneField["origin"];
  field: readonly (readonly Spot[])[];
  box: Box;
  outlines: Outlines;
  heading: number;
  log: LogSaid | null;
};

/** Draws what was driven, then measures it. */
async function show(
  run: number,
  record: Driven,
  { field, box, outlines, heading, log, origin }: Shown,
): Promise<void> {
  const { rows, rigs } = record;
  const pieces = (world: World) =>
    rows.slice(1).map((row, at) => piecesBetween(rigs[world], world, rows[at]!, row));
  now = {
    driven: record,
    worked: { truth: pieces("truth"), believed: pieces("believed") },
    field: field.map((ring) => [...ring]),
    outlines,
    box,
    origin,
  };
  screen = null;
  tell({ what: "driven", run, seconds: rows.at(-1)!.seconds, spots: spotsIn(rows), log });
  draw();
  const outcome = await stepped(run, outcomes(record, { field, box, cell: CELL }), (step) =>
    tell({ what: "measuring", run, share: step.done / step.all }),
  );
  if (!outcome) return;
  const joints = (world: World) => jointsOf(record, world, heading);
  const [ground, map] = [joints("truth"), joints("believed")];
  tell({
    what: "outcome",
    run,
    outcome,
    joints: { ground: jointFigures(ground), map: jointFigures(map) },
    histogram: { truth: histogramOf(ground, STEP_WIDE), believed: histogramOf(map, STEP_WIDE) },
  });
}

/** Squares of product by place: 5 m, as spreader maps have. */
const SQUARE = 5;

/** What the ground really got, as a file; nothing before something was driven. */
function amounts(run: number, rate: number | null, of: "kg" | "l"): void {
  if (!now) return;
  const dose = doseOf(now.driven.rigs);
  const squares = squaresOf(amountsOf(now.worked.truth.flat(), now.box, SQUARE));
  const geojson = writeAmounts(squares, now.origin, { rate: rate === null ? null : rate * dose, of });
  tell({ what: "amounts", run, geojson });
}

/** Joints are counted in steps of 2 cm. */
const STEP_WIDE = 0.02;

/** The middle of a joint, the last end of a pass, and where a section first opens beside worked ground. */
function spotsIn(rows: readonly Row[]): Spots {
  const passes = rows.filter(({ stretch }) => stretch === 2);
  const number = passes.at(-1)?.number ?? 0;
  const middle = Math.max(1, Math.round(number / 2));
  const of = (pass: number) => passes.filter((row) => row.number === pass);
  const place = (row: Row | undefined) =>
    row ? { east: row.truth.y, north: row.truth.x, seconds: row.seconds } : null;
  const one = of(middle);
  return {
    joint: place(one[Math.floor(one.length / 2)]),
    headland: place(one.findLast(({ open }) => open.truth.includes(true))),
    cutIn: place(of(middle + 1).find(({ open }) => open.truth.includes(true))),
  };
}

/** The last row that had begun by then. */
function rowAt(rows: readonly Row[], seconds: number): number {
  let [low, high] = [0, rows.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (rows[middle]!.seconds <= seconds) low = middle;
    else high = middle - 1;
  }
  return low;
}

const same = (a: GroundView, b: GroundView) =>
  a.east === b.east &&
  a.north === b.north &&
  a.metres === b.metres &&
  a.width === b.width &&
  a.height === b.height;

let pixels: ImageData | null = null;

function draw(): void {
  const pen = canvas?.getContext("2d");
  if (!pen || !canvas || !look || !now) return;
  const { view, seam, colours, seconds, ratio } = look;
  if (canvas.width !== view.width || canvas.height !== view.height) {
    canvas.width = view.width;
    canvas.height = view.height;
  }
  if (!pixels || pixels.width !== view.width || pixels.height !== view.height)
    pixels = new ImageData(view.width, view.height);
  if (!screen || !same(screen.view, view)) screen = screenOf(view, now.field);
  const row = rowAt(now.driven.rows, seconds);
  drawTo(screen, now.worked, row);
  groundPixels(screen, seam, colours, ratio, new Uint32Array(pixels.data.buffer));
  pen.putImageData(pixels, 0, 0);
  outline(pen, look);
  rigAt(pen, look, now.driven.rows[row]!, "believed");
  rigAt(pen, look, now.driven.rows[row]!, "truth");
  if (view.metres * ratio > FAR) ringAt(pen, look, now.driven.rows[row]!);
  pen.strokeStyle = colours.ink;
  pen.lineWidth = 2 * ratio;
  pen.setLineDash([]);
  pen.beginPath();
  pen.moveTo(seam, 0);
  pen.lineTo(seam, view.height);
  pen.stroke();
}

const across = ({ view }: Look, east: number) => view.width / 2 + (east - view.east) / view.metres;
const down = ({ view }: Look, north: number) => view.height / 2 - (north - view.north) / view.metres;

function outline(pen: OffscreenCanvasRenderingContext2D, at: Look): void {
  pen.strokeStyle = at.colours.ink;
  pen.lineWidth = 1.6 * at.ratio;
  pen.setLineDash([]);
  for (const ring of now!.field) {
    pen.beginPath();
    for (const { x, y } of ring) pen.lineTo(across(at, x), down(at, y));
    pen.closePath();
    pen.stroke();
  }
}

/** From so many metres a pixel on, a rig is too small to be found without a ring about it. */
const FAR = 0.25;

function ringAt(pen: OffscreenCanvasRenderingContext2D, at: Look, { truth }: Row): void {
  pen.setLineDash([]);
  pen.strokeStyle = at.colours.dye;
  pen.lineWidth = 3 * at.ratio;
  pen.beginPath();
  pen.arc(across(at, truth.y), down(at, truth.x), 13 * at.ratio, 0, 2 * Math.PI);
  pen.stroke();
}

/** The rig as it is, or dashed where the terminal has it. */
function rigAt(
  pen: OffscreenCanvasRenderingContext2D,
  at: Look,
  row: Row,
  world: "truth" | "believed",
): void {
  const { train } = now!.driven.rigs[world];
  const motion = row[world];
  const wheels = wheelsOf(train, motion);
  pen.lineWidth = (world === "truth" ? 2 : 1.6) * at.ratio;
  pen.strokeStyle = world === "truth" ? at.colours.ink : at.colours.dye;
  pen.setLineDash(world === "truth" ? [] : [5 * at.ratio, 4 * at.ratio]);
  pen.fillStyle = at.colours.paper;
  for (const [body, outlines] of now!.outlines.entries())
    for (const each of outlines) {
      pen.beginPath();
      for (const spot of each) {
        const { x, y } = placed(wheels[body]!, motion.headings[body]!, spot);
        pen.lineTo(across(at, y), down(at, x));
      }
      pen.closePath();
      if (world === "truth") {
        pen.globalAlpha = 0.85;
        pen.fill();
        pen.globalAlpha = 1;
      }
      pen.stroke();
    }
}

self.onmessage = ({ data }: MessageEvent<WorldAsked>) => {
  if (data.what === "canvas") canvas = data.canvas;
  else if (data.what === "look") {
    look = data.look;
    draw();
  } else if (data.what === "stop") latest = data.run;
  else if (data.what === "amounts") amounts(data.run, data.rate, data.of);
  else {
    const drives = data.what === "drive" ? driveAll(data.run, data.on, data.outlines) : replayAll(data);
    drives.catch((wrong: unknown) =>
      tell({
        what: "problem",
        run: data.run,
        problem: wrong instanceof Error ? wrong.message : String(wrong),
      }),
    );
  }
};
