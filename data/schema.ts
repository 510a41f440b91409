import { sql } from "drizzle-orm";
import {
  blob,
  check,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
} from "drizzle-orm/sqlite-core";
import type { FigureForm, LineUnit } from "../core/card/scheme.ts";
import type { Attachment } from "../core/dimension/attachment.ts";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { ChangeKind } from "../core/dimension/change.ts";
import type { ConditionKey } from "../core/dimension/condition.ts";
import { POINT_KINDS } from "../core/dimension/point-kinds.ts";
import type { TestConditions } from "../core/proof/conditions.ts";
import type { Evidence } from "../core/proof/evidence.ts";
import type { TestKey } from "../core/proof/kinds.ts";
import type { Instrument } from "../core/rig/grade.ts";
import { SEQUENCE_KINDS, type Step } from "../core/sequence/step.ts";
import type { PhaseKey } from "../core/trade/phases.ts";
import { PLACES, type Use } from "../core/yard/circuit.ts";

export const machine = sqliteTable("machine", {
  id: integer().primaryKey(),
  kind: text({ enum: ["tractor", "self-propelled", "implement"] }).notNull(),
  /** how an implement hangs on what carries it; of no meaning on what drives itself */
  attachment: text().$type<Attachment>().notNull().default("drawn"),
  make: text().notNull(),
  model: text().notNull(),
  fleetNumber: text().notNull().default(""),
  serial: text().notNull().default(""),
  /** ISO 11783-5 NAME, 16 hex digits; empty where the machine has no bus or nobody read it */
  busName: text().notNull().default(""),
  /** made for the simulated field: no iron stands behind it */
  practice: integer({ mode: "boolean" }).notNull().default(false),
  archivedAt: text(),
});

/** A hole, a mount, a linkage, a shaft end: which one is identity. Back in hole 2, its readings are current again. */
export const point = sqliteTable("point", {
  id: integer().primaryKey(),
  machineId: integer()
    .notNull()
    .references(() => machine.id),
  kind: text({ enum: POINT_KINDS }).notNull(),
  label: text().notNull(),
});

export const rig = sqliteTable("rig", {
  id: integer().primaryKey(),
  name: text().notNull(),
  tractorId: integer()
    .notNull()
    .references(() => machine.id),
  receiverPointId: integer()
    .notNull()
    .references(() => point.id),
  archivedAt: text(),
});

/** Another way the same implement works: one wing folded, one of two ranks, the short boom. Without one it works whole. */
export const variant = sqliteTable(
  "variant",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    name: text().notNull(),
    archivedAt: text(),
  },
  (table) => [index("variant_by_machine").on(table.machineId)],
);

export const coupling = sqliteTable("coupling", {
  id: integer().primaryKey(),
  rigId: integer()
    .notNull()
    .references(() => rig.id),
  parentPointId: integer()
    .notNull()
    .references(() => point.id),
  implementId: integer()
    .notNull()
    .references(() => machine.id),
  /** the coupling whose implement this one hangs behind; null: it hangs on the machine that drives */
  parentCouplingId: integer(),
  /** 1 is the first to be coupled, and the one in view when a rig is opened */
  position: integer().notNull().default(1),
  /** the variant it works as now; null: whole */
  variantId: integer(),
});

/** When a rig was really hitched up and taken apart. Ticks count from the last of these. Append only. */
export const couplingEvent = sqliteTable(
  "coupling_event",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    kind: text({ enum: ["coupled", "uncoupled"] }).notNull(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("coupling_event_by_rig").on(table.rigId)],
);

/** A line of the hook-up list ticked, or declared not to apply. What it said is kept with it. Append only. */
export const hookupTick = sqliteTable(
  "hookup_tick",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    line: text().notNull(),
    /** the line as it read when it was ticked: said otherwise since, the tick no longer holds */
    said: text().notNull(),
    state: text({ enum: ["done", "not applicable"] }).notNull(),
    reason: text().notNull().default(""),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [
    index("hookup_tick_by_rig").on(table.rigId),
    index("hookup_tick_by_line").on(table.rigId, table.line, table.at),
  ],
);

/** Weights a tractor can take: so many of one mass at one place. */
export const weight = sqliteTable("weight", {
  id: integer().primaryKey(),
  machineId: integer()
    .notNull()
    .references(() => machine.id),
  label: text().notNull(),
  /** kg, of one */
  mass: real().notNull(),
  /** metres forward of the rear axle */
  place: real().notNull(),
  count: integer().notNull(),
  archivedAt: text(),
});

/** How many of a weight are on for a rig. Append only; the newest counts. */
export const weightFitted = sqliteTable(
  "weight_fitted",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    weightId: integer()
      .notNull()
      .references(() => weight.id),
    count: integer().notNull(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("weight_fitted_by_rig").on(table.rigId)],
);

/** A tyre maker's table: what one tyre carries at a speed and a pressure. */
export const tyre = sqliteTable("tyre", {
  id: integer().primaryKey(),
  label: text().notNull(),
  source: text().notNull().default(""),
});

export const tyreCell = sqliteTable(
  "tyre_cell",
  {
    tyreId: integer()
      .notNull()
      .references(() => tyre.id),
    /** m/s */
    speed: real().notNull(),
    /** Pa */
    pressure: real().notNull(),
    /** kg on one tyre */
    load: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.tyreId, table.speed, table.pressure] })],
);

/** Which tyre an axle of a machine runs on, and how many of them. */
export const axleTyre = sqliteTable(
  "axle_tyre",
  {
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    axle: text({ enum: ["front", "rear", "tool"] }).notNull(),
    tyreId: integer()
      .notNull()
      .references(() => tyre.id),
    count: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.machineId, table.axle] })],
);

/** Limits of the road in this yard's country, as its people entered them; null where they gave none. One row. */
export const roadLimits = sqliteTable("road_limits", {
  id: integer().primaryKey(),
  country: text().notNull().default(""),
  /** metres */
  width: real(),
  height: real(),
  /** m/s */
  speed: real(),
  /** kg a tool without brakes may weigh */
  unbraked: real(),
});

/** A machine's hydraulics: what a tractor gives; of an implement only the sockets it needs, and that its functions are told. */
export const hydraulics = sqliteTable("hydraulics", {
  machineId: integer()
    .primaryKey()
    .references(() => machine.id),
  /** m³/s at rated engine speed */
  pumpFlow: real(),
  /** Pa */
  pressure: real(),
  freeReturn: integer({ mode: "boolean" }).notNull().default(false),
  powerBeyond: integer({ mode: "boolean" }).notNull().default(false),
  loadSensing: integer({ mode: "boolean" }).notNull().default(false),
  /** m³ implements may keep */
  spareOil: real(),
  /** number of the remote whose lever the driver uses most */
  mainLever: integer(),
  sockets: text({ mode: "json" }).$type<string[]>().notNull().default([]),
});

/** A remote of a tractor: a pair of couplings, or one, with what it can do. */
export const remote = sqliteTable(
  "remote",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    number: integer().notNull(),
    lever: text().notNull().default(""),
    action: text({ enum: ["double", "single"] }).notNull(),
    float: integer({ mode: "boolean" }).notNull(),
    detent: integer({ mode: "boolean" }).notNull(),
    timed: integer({ mode: "boolean" }).notNull(),
    automatic: integer({ mode: "boolean" }).notNull(),
    /** m³/s */
    flow: real(),
    place: text({ enum: PLACES }).notNull(),
    coupling: text().notNull().default(""),
    /** taken out, and since when; null: in use */
    archivedAt: text(),
  },
  (table) => [
    uniqueIndex("remote_number_in_use")
      .on(table.machineId, table.number)
      .where(sql`${table.archivedAt} is null`),
  ],
);

/** A function of an implement that moves by the tractor's oil. */
export const hoseFunction = sqliteTable(
  "hose_function",
  {
    id: integer().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    /** from the front of the implement */
    position: integer().notNull(),
    name: text().notNull(),
    kind: text().notNull(),
    action: text({ enum: ["double", "single", "motor"] }).notNull(),
    uses: text({ mode: "json" }).$type<Partial<Record<PhaseKey, Use>>>().notNull(),
    automatic: integer({ mode: "boolean" }).notNull(),
    trigger: integer({ mode: "boolean" }).notNull(),
    lockable: integer({ mode: "boolean" }).notNull(),
    place: text({ enum: PLACES }).notNull(),
    coupling: text().notNull().default(""),
    /** least it works at, Pa */
    pressure: real(),
    /** wanted, m³/s */
    flow: real(),
    /** metres; null together where there is no cylinder */
    bore: real(),
    rod: real(),
    stroke: real(),
    cylinders: integer(),
    /** m³ a turn, turns a second; null together where there is no motor */
    displacement: real(),
    speed: real(),
    caseDrain: integer({ mode: "boolean" }).notNull().default(false),
    /** Pa it is charged to before its tap is shut; null where it is not */
    charge: real(),
    /** what shuts it off: "blue tap behind the headstock"; empty where nothing does */
    tap: text().notNull().default(""),
    /** taken out, and since when; null: in use */
    archivedAt: text(),
  },
  (table) => [index("hose_function_by_machine").on(table.machineId)],
);

/** Where somebody wants a function of a rig plugged in, whatever the arithmetic would choose. */
export const hosePin = sqliteTable(
  "hose_pin",
  {
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    functionId: integer()
      .notNull()
      .references(() => hoseFunction.id, { onDelete: "cascade" }),
    remoteId: integer()
      .notNull()
      .references(() => remote.id, { onDelete: "cascade" }),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.functionId] })],
);

/** How the hoses of a rig were really plugged in: what the same levers are compared with. Append only; the newest counts. */
export const hosePlan = sqliteTable(
  "hose_plan",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    places: text({ mode: "json" }).$type<{ kind: string; number: number }[]>().notNull(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("hose_plan_by_rig").on(table.rigId)],
);

/** A list of steps as somebody edited it for an implement. Append only; the newest counts, and without steps the template does. */
export const sequenceList = sqliteTable(
  "sequence_list",
  {
    id: text().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    kind: text({ enum: SEQUENCE_KINDS }).notNull(),
    steps: text({ mode: "json" }).$type<Step[] | null>(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("sequence_list_by_machine").on(table.machineId)],
);

/** A sequence run through on a rig with one of its implements. */
export const run = sqliteTable(
  "run",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    kind: text({ enum: SEQUENCE_KINDS }).notNull(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("run_by_rig").on(table.rigId)],
);

/** What happened in a run, as it read then. Append only. */
export const runEvent = sqliteTable(
  "run_event",
  {
    id: text().primaryKey(),
    runId: text()
      .notNull()
      .references(() => run.id),
    what: text({ enum: ["done", "back", "aborted", "finished"] }).notNull(),
    step: text().notNull(),
    said: text().notNull(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("run_event_by_run").on(table.runId)],
);

/** That a setting of the yard was changed: weights, tyres, limits, hoses. Append only; what was judged before is judged again. */
export const settingChange = sqliteTable("setting_change", {
  id: text().primaryKey(),
  what: text().notNull(),
  at: text().notNull(),
});

/** What somebody brought in at once: an imported file, first as a preview, then taken over. Append only but for its state. */
export const batch = sqliteTable("batch", {
  id: text().primaryKey(),
  /** an import, or a proof that was accepted: what it wrote is taken back as one */
  kind: text({ enum: ["import", "proof"] }).notNull(),
  fileName: text().notNull(),
  /** SHA-256 of the file */
  hash: text().notNull(),
  /** what was read in it, as JSON */
  content: text().notNull(),
  state: text({ enum: ["preview", "taken"] }).notNull(),
  person: text().notNull().default(""),
  recordedAt: text().notNull(),
});

export const photo = sqliteTable("photo", {
  id: text().primaryKey(),
  type: text({ enum: ["image/jpeg", "image/png", "image/webp"] }).notNull(),
  bytes: blob({ mode: "buffer" }).notNull(),
  recordedAt: text().notNull(),
});

const stamps = {
  instrument: text().$type<Instrument>().notNull(),
  person: text().notNull(),
  /** ISO 8601, UTC */
  measuredAt: text().notNull(),
  recordedAt: text().notNull(),
  batchId: text().references(() => batch.id),
};

/** What somebody read: append only. Exactly one of machine, point and coupling is the subject. */
export const reading = sqliteTable(
  "reading",
  {
    id: text().primaryKey(),
    dimension: text().$type<DimensionKey>().notNull(),
    machineId: integer().references(() => machine.id),
    pointId: integer().references(() => point.id),
    couplingId: integer().references(() => coupling.id),
    /** the variant of the implement it was read on; null: the implement works whole, or it is the same on all */
    variantId: integer().references(() => variant.id),
    rawText: text().notNull(),
    /** SI, in the dimension's own direction */
    value: real().notNull(),
    step: real().notNull(),
    /** why a lower grade was let displace a higher one; empty where it did not */
    reason: text().notNull().default(""),
    /** readings of one sitting are repeats of each other */
    sitting: text().notNull().default(""),
    conditions: text({ mode: "json" }).$type<ConditionKey[]>().notNull().default([]),
    note: text().notNull().default(""),
    photoId: text().references(() => photo.id),
    ...stamps,
  },
  (table) => [
    index("reading_by_machine").on(table.machineId, table.dimension),
    index("reading_by_point").on(table.pointId, table.dimension),
    index("reading_by_coupling").on(table.couplingId, table.dimension),
    check(
      "reading_has_one_subject",
      sql`(${table.machineId} IS NOT NULL) + (${table.pointId} IS NOT NULL) + (${table.couplingId} IS NOT NULL) = 1`,
    ),
  ],
);

/** The sections of an implement, written whole. */
export const sectionLayout = sqliteTable(
  "section_layout",
  {
    id: text().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    variantId: integer().references(() => variant.id),
    ...stamps,
  },
  (table) => [index("section_layout_by_machine").on(table.machineId)],
);

export const section = sqliteTable(
  "section",
  {
    layoutId: text()
      .notNull()
      .references(() => sectionLayout.id),
    /** 1 at the left end */
    number: integer().notNull(),
    width: real().notNull(),
    /** metres ahead of the middle of the work; a wing swept back is behind, − */
    ahead: real().notNull().default(0),
    /** what it puts out, where sections differ in that */
    product: text().notNull().default(""),
  },
  (table) => [primaryKey({ columns: [table.layoutId, table.number] })],
);

/** Something on a machine was changed; older readings it touches are stale. Append only. */
export const change = sqliteTable(
  "change",
  {
    id: text().primaryKey(),
    machineId: integer()
      .notNull()
      .references(() => machine.id),
    kind: text().$type<ChangeKind>().notNull(),
    note: text().notNull().default(""),
    person: text().notNull(),
    /** when it was changed, ISO 8601, UTC */
    at: text().notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [index("change_by_machine").on(table.machineId)],
);

/** A field test of a rig. Append only. */
export const proof = sqliteTable(
  "proof",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    what: text().notNull(),
    how: text().notNull(),
    result: text().notNull(),
    /** the tool it speaks of; null where it was told of the whole rig */
    couplingId: integer(),
    variantId: integer(),
    /** standard error of the sum, SI; null where nobody fitted it */
    sigma: real(),
    /** the reading it wrote; null where it confirmed what stood */
    readingId: text(),
    /** the job it came of, and what was accepted with it */
    testId: text(),
    batchId: text(),
    /** what it was fitted to, frozen: observations, conditions, figures */
    evidence: text({ mode: "json" }).$type<Evidence>(),
    person: text().notNull(),
    at: text().notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [index("proof_by_rig").on(table.rigId)],
);

/** A field test of a rig with one of its tools, as a job: begun, measured, and accepted or not. */
export const fieldTest = sqliteTable(
  "field_test",
  {
    id: text().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    couplingId: integer()
      .notNull()
      .references(() => coupling.id),
    variantId: integer(),
    kind: text().$type<TestKey>().notNull(),
    conditions: text({ mode: "json" }).$type<TestConditions>().notNull(),
    /** the track spacing the terminal had, metres */
    spacing: real(),
    /** joints taped from row to row */
    rowToRow: integer({ mode: "boolean" }).notNull().default(false),
    /** what was read in a log, in words */
    note: text().notNull().default(""),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("field_test_by_rig").on(table.rigId)],
);

/** One thing measured in a field test. Append only, but for being left out of the fit. */
export const observation = sqliteTable(
  "observation",
  {
    id: text().primaryKey(),
    testId: text()
      .notNull()
      .references(() => fieldTest.id),
    /** SI */
    values: text({ mode: "json" }).$type<Record<string, number>>().notNull(),
    choices: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
    /** as it was typed, by field; empty where it came in a file */
    texts: text({ mode: "json" }).$type<Record<string, string>>().notNull(),
    leftOut: integer({ mode: "boolean" }).notNull().default(false),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("observation_by_test").on(table.testId)],
);

/** A rig of the simulated field: what it really is, which no page is told, and what its terminal was fed. */
export const practice = sqliteTable("practice", {
  rigId: integer()
    .primaryKey()
    .references(() => rig.id),
  seed: integer().notNull(),
  /** by coupling */
  truths: text({ mode: "json" }).$type<Record<string, unknown>>().notNull(),
  terminal: text({ mode: "json" }).$type<Record<string, unknown>>().notNull(),
  /** how often it was driven: each drive has its own chance */
  drives: integer().notNull().default(0),
  at: text().notNull(),
});

/** The sum a proof confirms: coefficient × dimension. */
export const proofTerm = sqliteTable(
  "proof_term",
  {
    proofId: text()
      .notNull()
      .references(() => proof.id),
    dimension: text().$type<DimensionKey>().notNull(),
    coefficient: real().notNull(),
  },
  (table) => [primaryKey({ columns: [table.proofId, table.dimension] })],
);

/** Undo: takes a reading, a layout, an import, a change or a proof back without deleting it. */
export const retraction = sqliteTable(
  "retraction",
  {
    id: text().primaryKey(),
    readingId: text().references(() => reading.id),
    layoutId: text().references(() => sectionLayout.id),
    batchId: text().references(() => batch.id),
    changeId: text().references(() => change.id),
    proofId: text().references(() => proof.id),
    tickId: text().references(() => hookupTick.id),
    eventId: text().references(() => couplingEvent.id),
    observationId: text().references(() => observation.id),
    testId: text().references(() => fieldTest.id),
    person: text().notNull(),
    recordedAt: text().notNull(),
  },
  (table) => [
    index("retraction_by_reading").on(table.readingId),
    index("retraction_by_layout").on(table.layoutId),
    index("retraction_by_batch").on(table.batchId),
    index("retraction_by_change").on(table.changeId),
    index("retraction_by_proof").on(table.proofId),
    index("retraction_by_tick").on(table.tickId),
    index("retraction_by_event").on(table.eventId),
    index("retraction_by_observation").on(table.observationId),
    index("retraction_by_test").on(table.testId),
  ],
);

export const scheme = sqliteTable("scheme", {
  id: text().primaryKey(),
  name: text().notNull(),
  asks: text().notNull(),
});

export const schemeLine = sqliteTable(
  "scheme_line",
  {
    schemeId: text()
      .notNull()
      .references(() => scheme.id),
    position: integer().notNull(),
    page: text().notNull(),
    label: text().notNull(),
    measure: text({ enum: ["between", "dimension", "track spacing", "choice"] }).notNull(),
    fromPoint: text(),
    toPoint: text(),
    axis: text(),
    dimension: text(),
    choice: text(),
    sense: integer().notNull(),
    unit: text().$type<LineUnit>().notNull(),
    decimals: integer().notNull(),
    sign: text({ enum: ["signed", "words", "unsigned"] }).notNull(),
    plusWord: text().notNull().default(""),
    minusWord: text().notNull().default(""),
  },
  (table) => [primaryKey({ columns: [table.schemeId, table.position] })],
);

/** The terminal in a tractor's cab: which scheme it asks by, and what the rig's profile is called there. */
export const terminal = sqliteTable("terminal", {
  tractorId: integer()
    .primaryKey()
    .references(() => machine.id),
  schemeId: text()
    .notNull()
    .references(() => scheme.id),
  profileName: text().notNull().default(""),
  /** what the people here call it */
  name: text().notNull().default(""),
});

/** A card as it went to the cab, numbered by tractor; its lines are frozen. Append only. */
export const card = sqliteTable(
  "card",
  {
    id: integer().primaryKey(),
    rigId: integer()
      .notNull()
      .references(() => rig.id),
    tractorId: integer()
      .notNull()
      .references(() => machine.id),
    number: integer().notNull(),
    /** the tool it is for; null: the first, before a rig had several */
    couplingId: integer(),
    schemeName: text().notNull(),
    profileName: text().notNull(),
    terminalName: text().notNull().default(""),
    person: text().notNull(),
    issuedAt: text().notNull(),
  },
  (table) => [
    uniqueIndex("card_number").on(table.tractorId, table.number),
    index("card_by_rig").on(table.rigId),
  ],
);

export const cardLine = sqliteTable(
  "card_line",
  {
    cardId: integer()
      .notNull()
      .references(() => card.id),
    position: integer().notNull(),
    page: text().notNull(),
    label: text().notNull(),
    figure: text().notNull(),
    word: text().notNull(),
    form: text({ mode: "json" }).$type<FigureForm>().notNull(),
    derivation: text().notNull(),
    grade: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.cardId, table.position] })],
);

/** What a terminal showed for one line of a numbered card. Append only; the newest counts. */
export const readback = sqliteTable(
  "readback",
  {
    id: text().primaryKey(),
    cardId: integer()
      .notNull()
      .references(() => card.id),
    position: integer().notNull(),
    shown: text().notNull(),
    word: text().notNull(),
    outcome: text({ enum: ["match", "differs", "missing"] }).notNull(),
    /** "−1.2 in", empty on a match */
    by: text().notNull(),
    /** where it differs: whose number is wrong */
    wrong: text({ enum: ["", "terminal", "card"] }).notNull(),
    person: text().notNull(),
    at: text().notNull(),
  },
  (table) => [index("readback_by_card").on(table.cardId)],
);
