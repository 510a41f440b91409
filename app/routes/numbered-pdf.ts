import { cardPdf } from "../pdf/card-pdf.server.tsx";
import { cardOr404, viewNumbered } from "../stations/numbered-view.server.ts";
import { openRig } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/numbered-pdf";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const card = viewNumbered(open, cardOr404(open, params.number));
  return new Response(new Uint8Array(await cardPdf(card)), {
    headers: {
      "Content-Type": "application/pdf",
      "Content-Disposition": `attachment; filename="card-${card.number}.pdf"`,
    },
  });
}
