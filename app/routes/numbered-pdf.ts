import { taken } from "../session/download.server.ts";
import { openCard, viewNumbered } from "../stations/card/numbered-view.server.ts";
import { networkAddress, qrPng } from "../stations/frame/rig-address.server.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/numbered-pdf";

export async function loader({ request, params }: Route.LoaderArgs) {
  // Large, and asked for now and then.
  const { cardPdf } = await import("../pdf/card-pdf.server.tsx");
  const { open, card: numbered } = openCard(await openRig(request, params.rigId), params.number);
  const card = viewNumbered(open, numbered, networkAddress(request, open.rig.id));
  return new Response(new Uint8Array(await cardPdf(card, await qrPng(card.address))), {
    headers: taken("application/pdf", "pdf", [open.rig.name, `card ${card.number}`], null),
  });
}
