import { it } from "vitest";
import { PRESETS } from "/work/main/core/quantity/units.ts";
import { judgeWhole } from "/work/main/core/walk-round/judge-whole.ts";
import { openDatabase } from "/work/main/data/database.ts";
import { plantDemoYard } from "/work/main/data/demo/yard.ts";
import { listEveryPart, listRigs } from "/work/main/data/rigs.ts";
import { wholesOf } from "/work/main/data/whole.ts";

it("x", () => {
  const db = openDatabase(":memory:");
  plantDemoYard(db);
  const wholes = wholesOf(db, listEveryPart(db));
  for (const rig of listRigs(db)) {
    if (process.env.ONLY && !rig.name.includes(process.env.ONLY)) continue;
    const j = judgeWhole(wholes.get(rig.id)!, PRESETS.metric);
    console.log("=====", rig.name);
    for (const f of j.findings) console.log(`${f.severity} ${f.station} ${f.id}: ${f.what}`);
    if (process.env.CHECKS)
      for (const f of j.checks)
        if (f.verdict === "unknown" || f.verdict === "good")
          console.log(`   ${f.verdict} ${f.station} ${f.id}: ${f.said}`);
  }
});
