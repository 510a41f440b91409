/** The page for whoever runs it: what stands, what to do next, and what there is. */
import { databasePath } from "../../data/database-path.ts";
import type { Database } from "../../data/handle.ts";
import { isOnNetwork, people } from "../session/who.server.ts";
import { moment } from "../stations/frame/print.ts";
import type { Figures } from "./figures.ts";
import { type Standing, standingOf } from "./standing.server.ts";

export type ServerView = {
  verdict: string;
  lines: Standing[];
  slowest: { what: string; count: number; middle: string; longest: string }[];
  facts: { label: string; said: string }[];
};

const milliseconds = (long: number) =>
  long < 1000 ? `${long.toFixed(0)} ms` : `${(long / 1000).toFixed(1)} s`;

/** What the lines come to. Something that is not known is said beside what is well. */
export function verdictOf(lines: readonly Standing[]): string {
  const of = (...tones: Standing["tone"][]) => lines.filter(({ tone }) => tones.includes(tone)).length;
  const [wrong, unknown] = [of("stop", "warn"), of("unknown")];
  const rest =
    unknown === 0 ? "" : unknown === 1 ? " One thing is not known." : ` ${unknown} things are not known.`;
  if (wrong > 0) return `${wrong === 1 ? "One thing wants" : `${wrong} things want`} seeing to.${rest}`;
  return unknown > 0 ? `Nothing known is wrong.${rest}` : "All is well.";
}

const HOW_MANY = `select (select count(*) from rig where archived_at is null) as rigs,
  (select count(*) from machine where archived_at is null) as machines, (select count(*) from reading) as readings`;

export function serverView(db: Database, figures: Figures | null, now = new Date()): ServerView {
  const onNetwork = isOnNetwork();
  const lines = standingOf({
    figures,
    path: databasePath(),
    people: onNetwork ? people().list(now.getTime()) : [],
    now,
  });
  const { rigs, machines, readings } = db.$client.prepare(HOW_MANY).get() as Record<string, number>;
  const own = figures
    ? [
        { label: "Ambrek", said: figures.version },
        { label: "Node", said: figures.node },
        { label: "Started", said: moment(new Date(figures.started).toISOString()) },
        { label: "Requests answered", said: `${figures.asked}, ${figures.refused} of them refused` },
        { label: "Memory", said: `${(figures.memory / 1e6).toFixed(0)} MB` },
      ]
    : [{ label: "Version, start, memory", said: "not known: this server does not tell" }];
  return {
    verdict: verdictOf(lines),
    lines,
    slowest: (figures?.slowest ?? []).map(({ what, count, middle, longest }) => ({
      what,
      count,
      middle: milliseconds(middle),
      longest: milliseconds(longest),
    })),
    facts: [
      ...own,
      { label: "Rigs, machines", said: `${rigs}, ${machines}` },
      { label: "Readings ever kept", said: `${readings}` },
      { label: "Reached from", said: onNetwork ? "the network, encrypted" : "this machine alone" },
    ],
  };
}
