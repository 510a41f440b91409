import { type Card, type CardLine, fillCard } from "../../core/card/fill.ts";
import { dimension } from "../../core/dimension/catalogue.ts";
import { printLength } from "../../core/quantity/length.ts";
import { IN_TAPE_UNITS, type UnitSystem } from "../../core/quantity/units.ts";
import type { Grade } from "../../core/rig/grade.ts";
import { findScheme, listSchemes, type Terminal, terminalOf } from "../../data/schemes.ts";
import type { OpenRig } from "./rig-view.server.ts";
import { cureHref } from "./stations.ts";

export type CardRow = Omit<CardLine, "chain" | "rounding"> & {
  grade: Grade | null;
  links: { letter: string; label: string; text: string; grade: Grade }[];
  total: string | null;
  rounding: string | null;
};

export type CardView = Omit<Card, "lines" | "stops"> & {
  pages: { page: string; rows: CardRow[] }[];
  stops: { id: string; what: string; why: string; label: string; href: string }[];
  schemes: { id: string; name: string; asks: string }[];
  terminal: Terminal;
};

const FIRST_SCHEME = "axle-m";

/** The card of the rig's tractor, in the scheme chosen for its terminal. */
export function viewCard({ db, rig, resolved, findings, preferences }: OpenRig): CardView {
  const terminal = terminalOf(db, rig.tractor.id) ?? { schemeId: FIRST_SCHEME, profileName: "" };
  const scheme = findScheme(db, terminal.schemeId);
  if (!scheme) throw new Response("This terminal's scheme is gone.", { status: 500 });
  const { lines, stops, ...card } = fillCard(scheme, resolved, findings, preferences.system);
  const rows = lines.map((line) => rowOf(line, preferences.system));
  const pages = [...new Set(rows.map(({ page }) => page))].map((page) => ({
    page,
    rows: rows.filter((row) => row.page === page),
  }));
  return {
    ...card,
    pages,
    stops: stops.map((stop) => ({
      id: stop.id,
      what: stop.what,
      why: stop.why,
      label: stop.next.label,
      href: cureHref(rig.id, stop),
    })),
    schemes: listSchemes(db),
    terminal: { schemeId: terminal.schemeId, profileName: terminal.profileName },
  };
}

function rowOf({ chain, rounding, ...line }: CardLine, units: Units): CardRow {
  const style = units.tape;
  return {
    ...line,
    grade: chain?.grade ?? null,
    links: (chain?.links ?? []).map(({ key, contribution, coefficient, grade }) => ({
      letter: dimension(key).letter,
      label: `${dimension(key).label}${Math.abs(coefficient) === 0.5 ? ", half" : ""}`,
      text:
        contribution === null
          ? "missing"
          : dimension(key).kind === "count"
            ? String(contribution)
            : printLength(contribution, style, { signed: true }),
      grade,
    })),
    total:
      chain?.total == null || chain.links.length < 2
        ? null
        : printLength(chain.total, style, { signed: true }),
    rounding:
      rounding === null
        ? null
        : printLength(Math.abs(rounding), system === "us" ? "in" : "mm", {
            decimals: system === "us" ? 2 : 0,
          }),
  };
}
