/** The page whoever takes a rig over is given, and readings that are asked for. */
import QRCode from "qrcode";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { type HandoverLine, handoverOf } from "../../../core/handover/of-rig.ts";
import { standing } from "../../../core/ladder/ladder.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { askedOf } from "../../../core/rig/asked.ts";
import { type AskedFor, askedOfRig } from "../../../data/asked.ts";
import { latestCard } from "../../../data/cards.ts";
import { linesOf } from "../../../data/lines.ts";
import { logOf } from "../../../data/log.ts";
import { rigAddress } from "../frame/address.ts";
import { ladderNow } from "../frame/ladder-now.server.ts";
import { day, moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { rungsOf } from "../ladder/rungs.ts";

export type HandoverView = Awaited<ReturnType<typeof handoverView>>;

/** Notes of so many entries of the log are still news. */
const RECENT = 3;
/** A shift older than so many days is no news, milliseconds. */
const NEWS = 14 * 24 * 3_600_000;

export async function handoverView(open: OpenRig, request: Request) {
  const { db, rig, whole, judged, preferences } = open;
  const { units } = preferences;
  const entries = logOf(db, { rigs: [rig.id], most: RECENT });
  const line = whole.work?.line
    ? linesOf(db, whole.work.field.id).find(({ id }) => id === whole.work!.line!.id)
    : null;
  const rungs = rungsOf(whole, judged, ladderNow(open));
  const card = latestCard(db, rig);
  const pages = handoverOf(whole, judged, rungs, {
    notes: entries.flatMap(({ notes, field, ended }) => [
      ...notes.map(({ text, person, at }) => ({ text, who: `${field.name}, ${person}, ${moment(at)}` })),
      ...(ended?.note
        ? [{ text: ended.note, who: `${field.name}, ${ended.person}, ${moment(ended.at)}` }]
        : []),
    ]),
    shifts: (line?.shifts ?? [])
      .filter(({ at }) => Date.now() - Date.parse(at) < NEWS)
      .map(({ amount, reason, person, at }) => ({ amount, why: `${reason}, ${person}, ${day(at)}` })),
  });
  const said = (lines: readonly HandoverLine[]) =>
    lines.map(({ said: text, path, ...rest }) => ({
      ...rest,
      said: inWords(text, units),
      href: `/rigs/${rig.id}/${path}`,
    }));
  const going = entries.find(({ ended }) => ended === null);
  return {
    set: [
      ...said(pages.set),
      {
        label: "Card in the cab",
        said: card ? `${card.number}, ${day(card.issuedAt)}, ${card.person}` : "none was issued",
        tone: card ? ("plain" as const) : ("warn" as const),
        href: `/rigs/${rig.id}/card`,
      },
    ],
    odd: said(pages.odd),
    leave: said(pages.leave),
    open: said(pages.open),
    going: going
      ? `Work on ${going.field.name} goes on since ${moment(going.begun)}, ${going.person}.`
      : null,
    climbed: standing(rungs),
    at: moment(new Date().toISOString()),
    asked: await Promise.all(
      askedOfRig(db, rig.id).map((each) => askedView(each, open, new URL(request.url).origin)),
    ),
    choices: open.parts.flatMap(({ couplingId }, part) => {
      const { rig: resolved, name } = whole.parts[part]!;
      return askedOf(resolved).map(({ key, label, letter }) => ({
        value: `${couplingId} ${key}`,
        label: `${letter ? `${letter}, ` : ""}${label}${open.parts.length > 1 ? `, ${name}` : ""}`,
      }));
    }),
  };
}

/** A request with its link; answered where something was read since it was asked. */
async function askedView({ id, key, couplingId, note, person, at }: AskedFor, open: OpenRig, origin: string) {
  const part = Math.max(
    0,
    open.parts.findIndex((each) => each.couplingId === couplingId),
  );
  const { rig: resolved } = open.whole.parts[part]!;
  const entry = dimension(key, resolved);
  const { reading, value } = resolved.values[key];
  const answered = reading !== null && reading.measuredAt > at;
  const path = rigAddress(open.rig.id, entry.station, {
    at: key,
    tool: open.parts.length > 1 ? couplingId : null,
  });
  return {
    id,
    what: `${entry.letter ? `${entry.letter}, ` : ""}${entry.label}`,
    how: entry.fromTo,
    note,
    who: `${person}, ${moment(at)}`,
    path,
    link: `${origin}${path}`,
    code: answered ? null : await QRCode.toString(`${origin}${path}`, { type: "svg", margin: 1 }),
    answer:
      answered && value !== null
        ? `${printEntry(entry, value, open.preferences.units)}, ${reading.person}, ${moment(reading.measuredAt)}`
        : answered
          ? `answered by ${reading.person}, ${moment(reading.measuredAt)}`
          : null,
  };
}
