import { sheetCsv } from "../../formats/csv/sheet.ts";
import { taken } from "../session/download.server.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { isSheetKey, sheetTopics } from "../stations/sheet/sheet-view.server.ts";
import type { Route } from "./+types/sheet-csv";

/** The sheet without readings, to be filled in a spreadsheet. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const wanted = new URL(request.url).searchParams.get("of");
  const sheet = isSheetKey(wanted) ? wanted : "guidance";
  const topics = sheetTopics(open, sheet, open.preferences.units);
  const lines = topics.flatMap(({ rows }) =>
    rows.map(({ key, letter, label, fromTo, now }) => ({
      dimension: key,
      letter,
      label,
      "from, to": fromTo,
      now: now.replace(/\u00a0/g, " "),
    })),
  );
  return new Response(`\ufeff${sheetCsv(lines)}`, {
    headers: taken("text/csv; charset=utf-8", "csv", [open.rig.name, "sheet of readings"]),
  });
}
