/**
 * The page of all yards of a server, for whoever sits at it: each by its name, how it stands, and where it is met. It is no page of any
 * yard, so it is put together without one: plain, in the looks of the others.
 */
import { YardProblem } from "../../data/keeping.ts";
import type { ListedYard } from "../../data/yards.ts";
import { sizeText } from "../files/size.ts";
import { readForm } from "../session/read-form.server.ts";
import { fromOurOwnPages, namesLoopback } from "../session/same-origin.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { inZoneOf } from "../session/zone.server.ts";
import { escaped } from "../ui/markup.ts";
import type { Figures } from "./figures.ts";
import { bytesOf, ofBackups, ofFailures, ofReplica, type Standing } from "./standing.server.ts";
import { BeginYardDto, OfYardDto, RenameYardDto } from "./yards.dto.ts";

/** A yard as the process knows it that has all of them. */
export type YardKnown = ListedYard & {
  file: string;
  state: "asleep" | "waking" | "awake" | "leaving";
  /** why it does not start, or how it ended */
  problem: string | null;
  figures: Figures | null;
};

export type Acts = {
  begin: (told: { name: string }) => unknown;
  rename: (told: { folder: string; name: string }) => unknown;
  forget: (told: { folder: string }) => unknown;
};

const INTENTS = { begin: BeginYardDto, rename: RenameYardDto, forget: OfYardDto } as const;

const text = (said: string, status: number) =>
  new Response(said, {
    status,
    headers: { "Content-Type": "text/plain; charset=utf-8", "Cache-Control": "no-store" },
  });

/** What was sent and why it was refused. */
type Refused = { intent: string; folder: string; name: string; errors: FieldErrors };

/** `look`: the stylesheet of the yards' pages, as it was built. */
type Shown = { yards: YardKnown[]; encrypted: boolean; root: string; look: string };

/** Answers a request to the page: shows it, or carries out what a form of it asks for, or shows it with why that was refused. */
export async function answerYards(
  request: Request,
  acts: Acts,
  shown: () => Shown | Promise<Shown>,
): Promise<Response> {
  // A page elsewhere may give its own name this machine's address; it cannot make a browser send another name than its own.
  if (!namesLoopback(request)) return text("Refused: the yards are named on this machine alone.", 403);
  if (request.method === "GET" || request.method === "HEAD") return shownAs(request, await shown(), null);
  if (!fromOurOwnPages(request)) return text("Refused: this did not come from this page.", 403);
  const form = await readForm(request);
  const intent = String(form.get("intent") ?? "");
  if (!isIntent(intent)) return text("That request was not understood.", 400);
  const errors = await carriedOut(intent, form, acts);
  if (errors === null) return new Response(null, { status: 303, headers: { Location: "/" } });
  const told = { intent, folder: String(form.get("folder") ?? ""), name: String(form.get("name") ?? "") };
  return shownAs(request, await shown(), { ...told, errors });
}

const isIntent = (intent: string): intent is keyof typeof INTENTS => Object.hasOwn(INTENTS, intent);

/** Null where it was done, else why not, by field. */
async function carriedOut(
  intent: keyof typeof INTENTS,
  form: FormData,
  acts: Acts,
): Promise<FieldErrors | null> {
  const checked = validateForm<{ folder?: string; name?: string }>(INTENTS[intent], form);
  if (!checked.ok) return checked.errors;
  try {
    await acts[intent](checked.value as { folder: string; name: string });
    return null;
  } catch (error) {
    if (!(error instanceof YardProblem)) throw error;
    return { [intent === "forget" ? "folder" : "name"]: error.message };
  }
}

function shownAs(request: Request, shown: Shown, refused: Refused | null): Response {
  const html = inZoneOf(request, () =>
    page({ ...shown, refused, host: new URL(request.url).hostname, night: isNight(request) }),
  );
  return new Response(html, {
    status: refused ? 422 : 200,
    headers: {
      "Content-Type": "text/html; charset=utf-8",
      "Cache-Control": "no-store",
      "Content-Security-Policy":
        "default-src 'none'; style-src 'self'; font-src 'self'; img-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
      "X-Content-Type-Options": "nosniff",
      "Referrer-Policy": "same-origin",
    },
  });
}

/** Light as this browser has it in its yards: cookies are kept by host, whatever the port. */
function isNight(request: Request): boolean {
  const told = /(?:^|;\s*)ambrek=([^;]+)/.exec(request.headers.get("Cookie") ?? "")?.[1];
  try {
    return /"theme":"night"/.test(atob(decodeURIComponent(told ?? "")));
  } catch {
    return false;
  }
}

type Page = Shown & { refused: Refused | null; host: string; night: boolean };

const page = ({ yards, encrypted, root, look, refused, host, night }: Page) => `<!doctype html>
<html lang="en" data-theme="${night ? "night" : "day"}" data-ready="yes">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Yards · Ambrek</title>
<link rel="icon" href="/mark.svg" type="image/svg+xml">
<link rel="stylesheet" href="${escaped(look)}">
<body>
<header class="flex min-h-[52px] items-center gap-3 border-b-2 border-ink px-4">
<span class="text-[20px] font-extrabold tracking-wide [font-stretch:118%]">Ambre<b class="text-dye">k</b></span>
</header>
<main class="mx-auto grid max-w-[1240px] gap-4 px-6 py-5 max-sm:px-4">
<div><h1>Yards</h1>
<p class="text-lead text-soft">${escaped(lead(yards, root))}</p></div>
<div class="grid grid-cols-[1fr_360px] gap-8 max-lg:grid-cols-1">
<ul class="grid content-start">${yards.map((each) => yardLine(each, { host, refused })).join("")}</ul>
<div class="grid content-start gap-4">
${begin(refused)}
${process.env.AMBREK_REPLICA ? "" : line(ofReplica())}
<p class="text-soft">${
  encrypted
    ? `On the network each yard is met at its own port, by whom its owner invited; this page is shown on this machine alone. To let an owner in: <code>npm run invite -- --yards ${escaped(root)} --yard FOLDER</code>`
    : "Off the network: whoever sits at this machine is in every yard. Started with <code>--lan</code>, each yard lets in whom its owner invited."
}</p>
<p class="text-soft">Nothing of one yard is in another. A machine goes from one to the other, with what was read of it, as a file: on its page, under <b>Lend</b>.</p>
</div></div></main></body></html>
`;

function lead(yards: readonly YardKnown[], root: string): string {
  if (yards.length === 0) return `None yet. Each gets a folder of its own in ${root}.`;
  const count = yards.length === 1 ? "One yard" : `${yards.length} yards`;
  const wrong = yards.filter(({ problem }) => problem !== null).length;
  return `${count} in ${root}${wrong > 0 ? `; ${wrong === 1 ? "one is" : `${wrong} are`} not served` : ""}.`;
}

const TONES = { ok: "text-ok", warn: "text-warn", stop: "text-stop", unknown: "text-soft" };

const line = ({ label, tone, said, act }: Standing) =>
  `<p class="${TONES[tone]}"><b>${escaped(label)}:</b> ${escaped(said)}${act ? ` ${escaped(act)}` : ""}</p>`;

const STATES = {
  asleep: "Asleep: it wakes when somebody comes.",
  waking: "Waking.",
  awake: "Awake",
  leaving: "Going to sleep.",
};

function state({ state, figures }: YardKnown): string {
  if (!figures) return STATES[state];
  return `${STATES[state]}, ${(figures.memory / 1e6).toFixed(0)} MB of memory, version ${figures.version}.`;
}

type Around = { host: string; refused: Refused | null };

function yardLine(yard: YardKnown, { host, refused }: Around): string {
  const { name, folder, port, file, problem, figures, begun } = yard;
  const own = refused?.folder === folder ? refused : null;
  const now = new Date();
  const known = begun && problem === null;
  const bytes = bytesOf(file);
  return `<li class="grid gap-1 border-b border-line py-3" data-yard="${escaped(folder)}">
<div class="flex flex-wrap items-center justify-between gap-3">
<a class="key-main text-lead" href="http://${escaped(host)}:${port}/">${escaped(name)}</a>
<span class="text-soft">port ${port}, folder ${escaped(folder)}${bytes === null ? "" : `, ${sizeText(bytes)}`}</span>
</div>
${problem ? `<p class="problem">${escaped(problem)}</p>` : `<p>${escaped(state(yard))}</p>`}
${known ? [...(figures ? [ofFailures(figures)] : []), ofBackups(now, file), ...(process.env.AMBREK_REPLICA ? [ofReplica(file)] : [])].map(line).join("") : ""}
<details${own?.intent === "rename" ? " open" : ""}><summary class="min-h-11 cursor-pointer content-center font-semibold text-dye">Call it something else</summary>
<form method="post" class="flex flex-wrap items-end gap-2"><input type="hidden" name="intent" value="rename"><input type="hidden" name="folder" value="${escaped(folder)}">
<label class="grid gap-1">Name<input class="field" name="name" maxlength="60" value="${escaped(own?.intent === "rename" ? own.name : name)}"></label>
<button class="key">Keep the name</button></form></details>
${
  own
    ? Object.values(own.errors)
        .map((said) => `<p class="problem">${escaped(said)}</p>`)
        .join("")
    : ""
}
${problem && bytes === null ? `<form method="post"><input type="hidden" name="intent" value="forget"><input type="hidden" name="folder" value="${escaped(folder)}"><button class="key">Take it off this list</button></form>` : ""}
</li>`;
}

function begin(refused: Refused | null): string {
  const own = refused?.intent === "begin" ? refused : null;
  return `<form method="post" class="grid gap-2"><h2 class="border-b-2 border-ink pb-1">Begin another yard</h2>
<input type="hidden" name="intent" value="begin">
<label class="grid gap-1">Its name<input class="field" name="name" maxlength="60" value="${escaped(own?.name ?? "")}"></label>
<p class="text-small text-soft">As those call it who work there: a farm, a customer, a site. It stands on every page.</p>
${own ? `<p class="problem">${escaped(Object.values(own.errors)[0] ?? "")}</p>` : ""}
<button class="key-main justify-self-start">Begin it</button></form>`;
}
