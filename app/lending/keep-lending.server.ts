/** What the page of a machine can do about loans. */
import type { Database } from "../../data/handle.ts";
import { keepLending, type Lending, lendingsOf } from "../../data/lending/loans.ts";
import type { Told } from "../../data/record.ts";
import type { Machine } from "../../data/rigs.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { isDate } from "../yard/plan/plan.dto.ts";
import type { LendDto } from "./lending.dto.ts";

type Page = { db: Database; known: Machine; by: Told };

const lastOf = ({ db, known }: Page): Lending | null => lendingsOf(db, [known.id]).get(known.id) ?? null;

export function lend(page: Page, { there, here, until }: LendDto): Outcome {
  if (page.by.person === "") return refused({ form: NOBODY });
  if (until !== "" && !isDate(until)) return refused({ until: "There is no such day." });
  if (until !== "" && until < page.by.at.toISOString().slice(0, 10))
    return refused({ until: "That day is over." });
  if (there.toLowerCase() === here.toLowerCase()) return refused({ there: "That is this yard." });
  const last = lastOf(page);
  if (last?.way === "out") return refused({ there: `It is lent to ${last.there} already.` });
  if (last?.way === "in") return refused({ there: `It belongs to ${last.there}: give it back first.` });
  keepLending(page.db, page.known.id, { way: "out", there, here, until }, page.by);
  return kept(`Lent. Take its file along: ${there} brings it in under Files.`);
}

const NOBODY = "Say who you are first, under This device: a loan is signed.";

/** It went back from here, or came back without a file. */
export function endLoan(page: Page): Outcome {
  if (page.by.person === "") return refused({ form: NOBODY });
  const last = lastOf(page);
  if (!last || last.way === "back") return refused({ form: "It is on no loan." });
  keepLending(page.db, page.known.id, { ...last, way: "back", until: "" }, page.by);
  return kept(
    last.way === "in"
      ? `Given back. Take its file along: ${last.there} brings it in under Files.`
      : `It is back. What ${last.there} read of it comes with their file, if they send one.`,
  );
}
