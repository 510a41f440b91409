import { redirect } from "react-router";
import { freeze, retype } from "../../core/card/numbered.ts";
import { issueCard, latestCard } from "../../data/cards.ts";
import { findScheme, nameProfile, profileOf, setTerminal } from "../../data/schemes.ts";
import { formOf } from "../session/form.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { remembering } from "../session/preferences.server.ts";
import { validateForm } from "../session/validate.ts";
import { CardPage } from "../stations/card/CardPage.tsx";
import { cardNow, viewCard } from "../stations/card/card-view.server.ts";
import { PersonDto, TerminalDto } from "../stations/card/terminal.dto.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { frameOf, type OpenRig, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import type { Route } from "./+types/card";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "card", request), card: viewCard(open) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request, params.rigId);
  const form = await formOf(request);
  return answered(form.get("intent") === "issue" ? await issue(open, form) : chooseTerminal(open, form));
}

function chooseTerminal({ db, rig, preferences: { person } }: OpenRig, form: FormData) {
  const checked = validateForm(TerminalDto, form);
  if (!checked.ok) return refused(checked.errors);
  if (!findScheme(db, checked.value.schemeId)) return refused({ schemeId: "There is no such scheme." });
  const { profileName, ...terminal } = checked.value;
  const by = { person, at: new Date() };
  db.transaction(() => {
    setTerminal(db, rig.tractor.id, terminal, by);
    nameProfile(db, rig, profileName, by);
  });
  return kept();
}

async function issue(open: OpenRig, form: FormData) {
  const checked = validateForm(PersonDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { card, terminal } = cardNow(open);
  if (!card.ready) return refused({ form: "Something still stops this card." });
  const { person } = checked.value;
  const back = redirect(
    rigAddress(open.rig.id, "card", { tool: open.tool }),
    await remembering(open.preferences, person),
  );
  // Asked for in two windows, or of a page that was not loaded anew: the card in the cab says just this.
  const latest = latestCard(open.db, open.rig);
  if (latest && retype(latest.lines, card).length === 0) throw back;
  issueCard(open.db, open.rig, {
    schemeName: card.scheme.name,
    profileName: profileOf(open.db, open.rig),
    order: card.scheme.order,
    terminalName: terminal.name,
    person,
    at: new Date(),
    lines: freeze(card),
  });
  throw back;
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Cab card", loaderData?.frame.rig.name);

export default CardPage;
