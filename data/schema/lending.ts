import { sql } from "drizzle-orm";
import { check, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { oneOf } from "./checks.ts";
import { factSeq } from "./record.ts";

/** A machine went to another yard, came from one, or went back: about the machine, its topic the loan, by which it is known again there. */
export const lending = sqliteTable(
  "lending",
  {
    seq: factSeq(),
    way: text({ enum: ["out", "in", "back"] }).notNull(),
    /** what the other yard is called here, and this one there */
    there: text().notNull(),
    here: text().notNull(),
    /** by which day it is to be back, "2026-10-04"; empty where nobody said */
    until: text().notNull().default(""),
  },
  (table) => [
    oneOf("lending_way", table.way, table.way.enumValues),
    check("lending_names_both", sql`${table.there} <> '' and ${table.here} <> ''`),
  ],
);
