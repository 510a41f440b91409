import { readSheetCsv } from "../../formats/csv/sheet.ts";
import { formOf } from "../session/form.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { headOf, openRig, toolChoices } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { SheetPage } from "../stations/sheet/SheetPage.tsx";
import { isSheetKey, sheetKinds, sheetTopics } from "../stations/sheet/sheet-view.server.ts";
import type { Route } from "./+types/sheet";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const search = new URL(request.url).searchParams;
  const wanted = search.get("of");
  const sheet = isSheetKey(wanted) ? wanted : "guidance";
  return {
    head: headOf(open.parts),
    tool: open.tool,
    tools: toolChoices(open, "sheet", search),
    hung: { attachment: open.rig.attachment, tool: open.resolved.tool },
    preferences: open.preferences,
    sheet,
    sheets: sheetKinds().map(({ key, label }) => ({ key, label })),
    topics: sheetTopics(open, sheet, open.preferences.units),
  };
}

const MOST_BYTES = 2_000_000;

/** A filled sheet comes back as a file: it fills the form, and nothing is kept until somebody has looked at it. */
export async function action({ request }: Route.ActionArgs) {
  const file = (await formOf(request)).get("sheet");
  if (!(file instanceof File) || file.size === 0)
    return answered(refused({ sheet: "Choose the file of the sheet." }));
  if (file.size > MOST_BYTES) return answered(refused({ sheet: "That is no sheet: over 2 MB." }));
  const read = readSheetCsv(await file.text());
  return read.ok
    ? { ...kept(), filled: Object.fromEntries(read.texts) }
    : answered(refused({ sheet: read.problem }));
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Sheet", loaderData?.head.name);

export default SheetPage;
