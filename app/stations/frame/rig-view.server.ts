import { redirect } from "react-router";
import { ATTACHMENTS } from "../../../core/dimension/attachment.ts";
import {
  type DimensionKey,
  isDimensionKey,
  type StationKey,
  unchanging,
} from "../../../core/dimension/catalogue.ts";
import { drawPlan } from "../../../core/drawing/plan.ts";
import { drawRear } from "../../../core/drawing/rear.ts";
import type { DrawnRig, Sheet } from "../../../core/drawing/sheet.ts";
import { drawSide } from "../../../core/drawing/side.ts";
import type { Finding } from "../../../core/finding/finding.ts";
import { standing } from "../../../core/ladder/ladder.ts";
import { type Clock, dueOf, dueWords } from "../../../core/rig/due.ts";
import type { Change } from "../../../core/rig/facts.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { isWorking, type WholeRig } from "../../../core/rig/whole.ts";
import { SUBJECTS } from "../../../core/subjects/index.ts";
import type { Judged } from "../../../core/subjects/judge-whole.ts";
import { isHeldBy, subjectOf } from "../../../core/subjects/walk.ts";
import { database } from "../../../data/database.ts";
import { changesOf, hungOf } from "../../../data/facts.ts";
import type { Database } from "../../../data/handle.ts";
import { counterMarks } from "../../../data/live.ts";
import { type RigTool, toolsOf } from "../../../data/rigs.ts";
import { machineName } from "../../../data/whole.ts";
import { type Written, written } from "../../drawing/written.ts";
import { type Preferences, readPreferences } from "../../session/preferences.server.ts";
import { rungsOf } from "../ladder/rungs.ts";
import { rigAddress } from "./address.ts";
import { ladderNow } from "./ladder-now.server.ts";
import { notHereOf } from "./not-here.server.ts";
import type { NotHere } from "./not-here.ts";
import { madeOnce, type Opened, opening } from "./opened.server.ts";
import { type Peg, pegsOf } from "./stations.ts";

/** The name of a tool with the variant it works as. */
export function toolName({ implement, variant }: Pick<RigTool, "implement" | "variant">): string {
  return variant ? `${machineName(implement)}, ${variant.name}` : machineName(implement);
}

export type RigHead = {
  id: number;
  name: string;
  tractor: string;
  /** every tool, in the order they are coupled */
  implement: string;
  /** fleet numbers and serials, so that nobody sets up the wrong one of two */
  identity: string;
};

/** One tool of a rig, to choose it by. */
export type ToolChoice = { id: number; label: string; how: string; now: boolean; href: string };

/** From where the rig is seen. */
export type RigDrawing = "plan" | "side" | "rear";

const DRAWN_BY = { plan: drawPlan, side: drawSide, rear: drawRear };

/** The rig drawn to scale, for the desk and for the phone. */
export type RigDrawn = { desk: DrawnRig; phone: DrawnRig };

export type RigFrameView = {
  rig: RigHead;
  preferences: Preferences;
  pegs: Peg[];
  stops: number;
  /** machines of it that are archived or at another yard: nothing can be done with the rig until they are back */
  away: NotHere[];
  view: RigDrawing;
  /** the coupling in view */
  coupling: number;
  /** the drawing stays in sight while its readings are gone through */
  stays: boolean;
  /** the tools to choose from where there are several; empty for one */
  tools: ToolChoice[];
  /** null where the station draws something of its own in its place */
  drawn: Written<RigDrawn> | null;
  /** where each letter of the drawing opens its reading: at its own station, of the tool that is drawn */
  opens: Readonly<Record<string, string>>;
};

export type OpenRig = {
  db: Database;
  /** seen from the tool in view */
  rig: RigTool;
  /** every tool, in order */
  parts: RigTool[];
  /** the coupling in view, as an address keeps it: null where there is but one tool */
  tool: number | null;
  /** which of them is in view */
  index: number;
  readonly whole: WholeRig;
  readonly resolved: ResolvedRig;
  readonly changes: readonly Change[];
  /** readings of the tool in view that are due to be read again, in words */
  dues: () => ReadonlyMap<DimensionKey, string>;
  /** the rig as it was read, seen from any of its tools */
  opened: Opened;
  /** judged when it is asked for: what is only written down need not be */
  readonly judged: Judged;
  /** of the whole rig, worst first */
  readonly findings: Finding[];
  /** of the tool in view, at the stations a terminal's figures come from */
  readonly cardFindings: Finding[];
  preferences: Preferences;
};

/** @throws a 404 response where there is no such rig */
export function rigOr404(db: Database, id: string): RigTool {
  return partsOr404(db, id)[0]!;
}

function partsOr404(db: Database, id: string): RigTool[] {
  const parts = /^\d{1,9}$/.test(id) ? toolsOf(db, Number(id)) : [];
  if (parts.length === 0) throw new Response("There is no such rig in this yard.", { status: 404 });
  return parts;
}

/** Opens a rig seen from the tool that `tool` in the address names, or from the first that works the field. */
export async function openRig(request: Request, rigId: string): Promise<OpenRig> {
  const db = database();
  const parts = partsOr404(db, rigId);
  const preferences = await readPreferences(request);
  const wanted = Number(new URL(request.url).searchParams.get("tool"));
  const opened = opening(db, parts);
  const asked = parts.findIndex(({ couplingId }) => couplingId === wanted);
  const index =
    asked >= 0 || parts.length === 1
      ? Math.max(0, asked)
      : Math.max(
          0,
          parts.findIndex((part) => isWorking(hungOf(db, part).tool)),
        );
  return seenFrom({ db, parts, preferences, opened }, index);
}

type Seen = Pick<OpenRig, "db" | "parts" | "preferences" | "opened">;

/** A rig that was read and judged, seen from one of its tools. */
export function seenFrom({ db, parts, preferences, opened }: Seen, index: number): OpenRig {
  const rig = parts[index]!;
  return {
    db,
    rig,
    parts,
    tool: parts.length > 1 ? rig.couplingId : null,
    index,
    get whole() {
      return opened.whole;
    },
    get resolved() {
      return opened.whole.parts[index]!.rig;
    },
    get changes() {
      return madeOnce(opened.whole, ["changes", index], () => changesOf(db, rig));
    },
    dues: () =>
      duesOf(opened.whole.parts[index]!.rig, {
        today: new Date().toISOString(),
        ...madeOnce(opened.whole, ["counters", index], () => countersOf(db, rig)),
      }),
    opened,
    get judged() {
      return opened.judged;
    },
    get findings() {
      return opened.judged.findings;
    },
    get cardFindings() {
      return opened.judged.findings.filter(
        ({ station, part = index }) => isHeldBy("card", station) && part === index,
      );
    },
    preferences,
  };
}

/** The same rig seen from another of its tools. */
export function viewFrom(open: OpenRig, index: number): OpenRig {
  return seenFrom(open, index);
}

/** The hour meter of the machine that drives, and the area counter of the tool. */
function countersOf(db: Database, { tractor, implement }: RigTool): Omit<Clock, "today"> {
  return {
    hours: counterMarks(db, [tractor.id], "tractor.hours").get(tractor.id) ?? [],
    hectares: counterMarks(db, [implement.id], "tool.hectares").get(implement.id) ?? [],
  };
}

function duesOf(rig: ResolvedRig, clock: Clock): ReadonlyMap<DimensionKey, string> {
  return new Map(dueOf(rig, clock).map((due) => [due.key, dueWords(due)]));
}

export function headOf(parts: readonly RigTool[]): RigHead {
  const { id, name, tractor } = parts[0]!;
  const tools = parts.map(({ implement }) => implement);
  const identity = [tractor, ...tools]
    .map(({ fleetNumber, serial }) => [fleetNumber, serial && `no. ${serial}`].filter(Boolean).join(" "))
    .filter(Boolean)
    .join(", ");
  return {
    id,
    name,
    tractor: machineName(tractor),
    implement: parts.map(toolName).join(" and "),
    identity,
  };
}

/** Everything round a station: head, walk-round, drawing for the desk and for the phone unless it has its own. */
export function frameOf(
  open: OpenRig,
  station: string,
  request: Request,
  { ownDrawing = false } = {},
): RigFrameView {
  const { db, rig, parts, findings, preferences } = open;
  const search = new URL(request.url).searchParams;
  const asked = search.get("view");
  const view: RigDrawing = asked === "side" || asked === "rear" ? asked : "plan";
  const drawn = ownDrawing ? null : drawingOf(open, station, view, search.get("at"));
  return {
    rig: headOf(parts),
    preferences,
    pegs: pegsNow(open),
    stops: findings.filter(({ severity }) => severity === "stop").length,
    away: notHereOf(db, [parts])[0]!,
    view,
    coupling: rig.couplingId,
    stays: subjectOf(station)?.measured !== undefined,
    tools: toolChoices(open, station, search),
    drawn: drawn?.text ?? null,
    opens: Object.fromEntries(
      (drawn?.letters ?? []).map((target) => [target, readingHref(open, target, view)]),
    ),
  };
}

/** The walk-round as it stands: of the rig as it was opened, and of what was ticked on this working day. */
function pegsNow(open: OpenRig): Peg[] {
  const { whole, judged, rig, tool } = open;
  const facts = ladderNow(open);
  const ticked = [...facts.ticks].filter(([, { at }]) => at >= facts.day).map(([rung]) => rung);
  return madeOnce(whole, ["pegs", tool, ticked], () =>
    pegsOf(
      rig.id,
      {
        whole,
        findings: judged.findings,
        checks: judged.checks,
        coupled: facts.coupled !== null,
        climbed: standing(rungsOf(whole, judged, facts)),
      },
      tool,
    ),
  );
}

/** Where a reading of the tool in view is entered, in the same view of the rig. */
function readingHref({ rig, tool }: OpenRig, target: string, view: RigDrawing): string {
  const station = isDimensionKey(target) ? unchanging(target).station : "tool";
  return rigAddress(rig.id, station, { tool, view: view === "plan" ? null : view, at: target });
}

function drawingOf(
  { resolved, whole, index, preferences: { units } }: OpenRig,
  station: string,
  view: RigDrawing,
  at: string | null,
): { text: Written<RigDrawn>; letters: readonly string[] } {
  const lit = at === "sections" || isDimensionKey(at) ? at : null;
  const draw = DRAWN_BY[view];
  const measured = subjectOf(station)?.measured;
  const drawn: StationKey | null = measured ? station : null;
  const others = whole.parts.filter((_, at) => at !== index).map((part) => part.rig);
  const common = {
    station: drawn,
    units,
    only: null,
    others,
    sections: measured?.sections ?? false,
  } satisfies Partial<Sheet>;
  return madeOnce(whole, ["drawing", index, view, drawn, lit, units], () => {
    const desk = draw(resolved, {
      ...common,
      width: 424,
      height: 736,
      region: measured?.region === "tractor" ? "tractor" : "rig",
      labels: "values",
    });
    const phone = draw(resolved, {
      ...common,
      only: lit,
      width: 390,
      height: lit ? 150 : 236,
      region: measured?.region ?? "rig",
      labels: "letters",
    });
    return { text: written({ desk, phone }), letters: desk.marks.map(({ target }) => target) };
  });
}

/** The tools of a rig to choose from, on a page of it; empty for one. */
export function toolChoices({ parts, rig }: OpenRig, page: string, search: URLSearchParams): ToolChoice[] {
  return parts.length < 2 ? [] : parts.map((part) => toolChoice(part, rig, page, search));
}

function toolChoice(part: RigTool, now: RigTool, station: string, search: URLSearchParams): ToolChoice {
  return {
    id: part.couplingId,
    label: toolName(part),
    how: ATTACHMENTS[part.attachment].label.toLowerCase(),
    now: part.couplingId === now.couplingId,
    href: rigAddress(part.id, station, { ...Object.fromEntries(search), at: null, tool: part.couplingId }),
  };
}

/** The station to go to first: where a stop is, else where the walk-round begins. */
export function firstStation({ rig, parts, findings }: OpenRig): Response {
  const stop = findings.find(({ severity }) => severity === "stop");
  const tool = stop?.part === undefined ? null : parts[stop.part]!.couplingId;
  return redirect(rigAddress(rig.id, stop?.station ?? SUBJECTS[0]!.key, { tool }));
}
