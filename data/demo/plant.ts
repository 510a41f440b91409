import { openDatabase } from "../database.ts";
import { listRigs } from "../rigs.ts";
import { plantDemoYard } from "./yard.ts";

/** Run by the demo command: makes the demo database where there is none yet. */
const db = openDatabase(process.env.AMBREK_DB || "var/demo.db", { anew: process.env.AMBREK_ANEW === "yes" });
if (listRigs(db).length === 0) plantDemoYard(db);
db.$client.close();
