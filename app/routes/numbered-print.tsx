import { latestCard } from "../../data/cards.ts";
import { NumberedPrintPage } from "../stations/card/NumberedPrintPage.tsx";
import { openCard, viewNumbered } from "../stations/card/numbered-view.server.ts";
import { networkAddress, qrOf } from "../stations/frame/rig-address.server.ts";
import { type OpenRig, openRig, viewFrom } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/numbered-print";

/** One numbered card, or with "all" in the place of a number the newest of every tool of the rig. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const first = await openRig(request, params.rigId);
  const address = networkAddress(request, first.rig.id);
  const cards = params.number === "all" ? everyTool(first) : [openCard(first, params.number)];
  if (cards.length === 0) throw new Response("No card was issued for this rig yet.", { status: 404 });
  return {
    cards: cards.map(({ open, card }) => viewNumbered(open, card, address)),
    qr: await qrOf(address),
  };
}

function everyTool(open: OpenRig) {
  return open.parts.flatMap((rig, index) => {
    const own = viewFrom(open, index);
    const card = latestCard(open.db, rig);
    return card ? [{ open: own, card }] : [];
  });
}

export function meta({ loaderData }: Route.MetaArgs) {
  const [card] = loaderData?.cards ?? [];
  return [{ title: card ? `Card ${card.number}, ${card.head.name}` : "Ambrek" }];
}

export default NumberedPrintPage;
