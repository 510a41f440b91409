/**
 * Yards as older builds left them, planted by their own code (the last one with an entry of every kind it knew), and what that build said of
 * each. Brought up to date, they say the same.
 */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import SqliteFile from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { DimensionKey } from "../../core/dimension/catalogue.ts";
import { isOneLine } from "../../core/dimension/kind-words.ts";
import { givenSections } from "../../core/rig/resolve.ts";
import type { WholeRig } from "../../core/rig/whole.ts";
import { judgeWhole } from "../../core/subjects/judge-whole.ts";
import type { ToolKindKey } from "../../core/trade/kinds.ts";
import { latestCard, listCards, readbacksOf } from "../cards.ts";
import { openDatabase } from "../database.ts";
import { acceptedOf, observationsOf, testsOfRig } from "../field-tests.ts";
import type { Database } from "../handle.ts";
import { eventsOf, ticksOf } from "../hookup.ts";
import { planOf } from "../hoses.ts";
import { findImport, listImports } from "../imports.ts";
import { copiesOf } from "../keeping.ts";
import { ladderFacts } from "../ladder.ts";
import { historyOf } from "../readings.ts";
import { byRig, listEveryTool, type RigTool } from "../rigs.ts";
import { profileOf } from "../schemes.ts";
import { listsOf, runEventsOf, runsOf } from "../sequences.ts";
import { wholesOf } from "../whole.ts";

/** Readings whose whole history is held against what it was. */
const PAST: readonly DimensionKey[] = ["tool.width", "pin.workFront", "receiver.height", "receiver.lateral"];
const YARDS = ["season", "hoses", "field-tests", "right-figures"];
const here = (name: string) => gunzipSync(readFileSync(join("data/old-yards", name)));

type Account = {
  rigs: Record<string, object & { findings: string[][] }>;
  tools: Record<string, object>;
  imports: unknown[];
};

/** What a yard says of itself, in figures. */
function accountOf(db: Database): Account {
  const parts = listEveryTool(db);
  const rigs = byRig(parts);
  const wholes = wholesOf(db, parts);
  return {
    rigs: Object.fromEntries(
      [...rigs].map(([id, tools]) => [id, accountOfRig(db, id, tools, wholes.get(id)!)]),
    ),
    tools: Object.fromEntries(parts.map((rig) => [rig.couplingId, accountOfTool(db, rig)])),
    imports: listImports(db).map(({ fileName, person, takenBack }) => [fileName, person, takenBack]),
  };
}

function accountOfRig(db: Database, id: number, tools: readonly RigTool[], whole: WholeRig) {
  const { coupled, runs, plugged, ticks, proved } = ladderFacts(db, new Map([[id, tools]])).get(id)!;
  return {
    parts: whole.parts.map(({ name, rig }) => ({
      name,
      values: Object.fromEntries(
        Object.values(rig.values)
          // What nobody read was missing to those builds; some of it is assumed since, and says so.
          .filter(({ reading }) => reading !== null)
          .map((v) => [
            v.key,
            [
              ...[v.value, v.choice, v.grade, v.sigma, v.stale?.kind ?? null, v.doubt, v.spread],
              ...[v.previous?.value ?? null, v.proof?.what ?? null],
            ],
          ]),
      ),
      widths: givenSections(rig)?.widths ?? null,
      proofs: rig.proofs.map(({ what, at }) => [what, at]),
    })),
    fitted: whole.weights.map(({ what, fitted }) => [what, fitted]),
    findings: judgeWhole(whole).findings.map((finding) => [finding.id, finding.severity]),
    ladder: {
      coupled,
      runs: runs.map((each) =>
        [...each].flatMap(([kind, { finished }]) => (finished ? [[kind, finished]] : [])).sort(),
      ),
      plugged: plugged && [...plugged].sort(),
      ticks: [...ticks].map(([rung, tick]) => [rung, tick.person, tick.at]).sort(),
      proved,
    },
    ticks: ticksOf(db, id).map((t) => [t.line, t.said, t.state, t.reason, t.person, t.at]),
    events: eventsOf(db, id).map(({ kind, person, at }) => [kind, person, at]),
    runs: runsOf(db, id, 20).map((run) => [
      ...[run.id, run.kind, run.machineId],
      runEventsOf(db, [run.id]).map(({ what, step, said }) => [what, step, said]),
    ]),
    plan: planOf(db, tools[0]!)?.places ?? null,
  };
}

function accountOfTool(db: Database, rig: RigTool) {
  const latest = latestCard(db, rig);
  const accepted = acceptedOf(db, rig);
  return {
    tests: testsOfRig(db, rig).map((t) => [
      ...[t.id, t.kind, t.conditions, t.spacing, t.rowToRow, t.note, t.person, t.at],
      observationsOf(db, t.id).map((o) => [o.id, o.number, o.values, o.choices, o.texts, o.leftOut]),
      (accepted.get(t.id) ?? []).map(({ what, result }) => [what, result]),
    ]),
    cards: listCards(db, rig).map(({ number, person, issuedAt }) => [number, person, issuedAt]),
    lines: latest?.lines ?? null,
    readbacks: latest
      ? [...readbacksOf(db, latest).values()].map((r) => [
          ...[r.position, r.shown, r.word, r.outcome, r.by, r.wrong, r.person, r.at],
        ])
      : null,
    lists: listsOf(db, [rig.implement.id]).get(rig.implement.id) ?? {},
    history: Object.fromEntries(
      PAST.map(
        (key) =>
          [
            key,
            historyOf(db, rig, key).map((r) => [
              ...[r.value, r.rawText, r.person, r.measuredAt, r.reason, r.note, r.takenBack, r.fromFile],
            ]),
          ] as const,
      ).filter(([, past]) => past.length > 0),
    ),
  };
}

/**
 * Sections and overlap stopped a rig where nobody gave them; since then they are assumed, a check. The rule of thumb knows other figures. Ploughs
 * and rakes are asked what theirs were not, and a charged line that lends its coupling is said.
 */
function withoutAssumed(account: Account): Account {
  for (const each of Object.values(account.rigs))
    each.findings = each.findings.filter(
      ([id]) =>
        !/^(missing|assumed):(sections|work\.overlap)|^thumb|^(inside|shaft-middle|sides|charge)(:|$)/.test(
          id!,
        ),
    );
  return account;
}

/** Their builds asked a cutter bar for a rear rank as they asked a drill: what works along one line has none now, and no rank behind it. */
function withoutSecondLines(account: Account): Account {
  for (const { parts, findings } of Object.values(account.rigs) as Loose[]) {
    const lines = parts.filter(({ values }) => isOneLine((values["tool.kind"]?.[1] as ToolKindKey) ?? null));
    for (const { values } of lines) delete values["pin.workRear"];
    if (lines.length > 0)
      // Front and rear mower lay one swath: one line spacing is asked of them, not two.
      for (let at = findings.length; at--; )
        if (/pin\.workRear|guidance\.trackSpacing/.test(findings[at]![0]!)) findings.splice(at, 1);
  }
  return account;
}

type Loose = { parts: { values: Record<string, unknown[]> }[]; findings: string[][] };

/** What older builds said that this one says otherwise, for a reason, left out. */
const comparable = (account: Account) => withoutSecondLines(withoutAssumed(account));

describe.each(YARDS)("a yard as the build of “%s” left it", (name) => {
  let folder: string;
  let db: Database;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), "ambrek-old-"));
    writeFileSync(join(folder, "yard.db"), here(`${name}.db.gz`));
    db = openDatabase(join(folder, "yard.db"));
  });
  afterAll(() => {
    db.$client.close();
    rmSync(folder, { recursive: true });
  });

  it("says what that build said: values, grades, findings, log, tests, cards, history", () => {
    const told = comparable(JSON.parse(here(`${name}.json.gz`).toString()) as Account);
    const now = comparable(JSON.parse(JSON.stringify(accountOf(db))) as Account);
    for (const part of ["rigs", "tools"] as const)
      for (const [id, each] of Object.entries(told[part]))
        expect(now[part][id], `${part} ${id}`).toEqual(each);
    expect(now.imports).toEqual(told.imports);
  });

  it("points nowhere into nothing, and was copied before it was changed", () => {
    expect(db.$client.pragma("foreign_key_check")).toEqual([]);
    expect(db.$client.pragma("integrity_check", { simple: true })).toBe("ok");
    expect(copiesOf(join(folder, "yard.db")).map(({ why }) => why)).toEqual(["before-migration"]);
  });

  it("calls a tool's profile what its newest card called it, when the terminal's name was the tractor's", () => {
    const newest = new Map<number, { seq: number; name: string }>();
    for (const rig of listEveryTool(db)) {
      const card = latestCard(db, rig);
      if (card && card.profileName !== "" && (newest.get(rig.implement.id)?.seq ?? 0) < card.seq)
        newest.set(rig.implement.id, { seq: card.seq, name: card.profileName });
    }
    const named = listEveryTool(db).filter(({ implement }) => newest.has(implement.id));
    for (const rig of named)
      expect(profileOf(db, { ...rig, variant: null })).toBe(newest.get(rig.implement.id)!.name);
    // The demo yard of every build had at least one tractor whose profile was named.
    expect(listEveryTool(db).some((rig) => profileOf(db, { ...rig, variant: null }) !== "")).toBe(true);
  });

  it("has every proof resting on readings that counted when it was made", () => {
    const loose = "select count(*) from proof where seq not in (select proof from proof_reading)";
    expect(db.$client.prepare(loose).pluck().get()).toBe(0);
  });
});

describe("the yard of a year", () => {
  it("keeps a file that waits to be looked at waiting", () => {
    const path = join(mkdtempSync(join(tmpdir(), "ambrek-old-")), "yard.db");
    writeFileSync(path, here("right-figures.db.gz"));
    const before = new SqliteFile(path, { readonly: true });
    const id = before.prepare("select id from batch where state = 'preview'").pluck().get() as string;
    before.close();
    const db = openDatabase(path);
    expect(findImport(db, id)).toMatchObject({ fileName: "waiting.zip", state: "preview" });
    db.$client.close();
  });
});
