import { isDimensionKey } from "../../core/dimension/catalogue.ts";
import { pointOf } from "../../core/dimension/points.ts";
import { tapeBetween, tapeReading } from "../stations/field/field-view.server.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/field-tape";

/** One reading with the simulated tape: of a dimension, or from one point to another. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const search = new URL(request.url).searchParams;
  const key = search.get("key");
  const [from, to] = [pointOf(search.get("from") ?? ""), pointOf(search.get("to") ?? "")];
  const n = Number(search.get("n")) || 0;
  if (open.rig.tractor.practice && isDimensionKey(key)) return { key, text: tapeReading(open, key, n) };
  if (open.rig.tractor.practice && from && to)
    return { key: `${from} ${to}`, text: tapeBetween(open, from, to, n) };
  throw new Response("There is nothing to tape here.", { status: 404 });
}
