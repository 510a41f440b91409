/**
 * Makes `forms.json` out of what `record.mjs` noted while the browser tests ran: of each intent with the same fields one form, without its
 * file. Run as `npx tsx trials/attack/corpus.ts NOTED`.
 */
import { readFileSync, writeFileSync } from "node:fs";
import { builtRoutes, ofEachKind } from "./addresses.ts";
import { type Form, knownForms } from "./forms.ts";

/** Longer values say no more, characters. */
const LONGEST = 4_000;

type Noted = { path: string; type: string; body: string };

async function formIn({ path, type, body }: Noted): Promise<Form | null> {
  try {
    const sent = await new Response(Buffer.from(body, "base64"), {
      headers: { "content-type": type },
    }).formData();
    const fields = [...sent].flatMap(([name, value]): [string, string][] =>
      typeof value === "string" ? [[name, value.slice(0, LONGEST)]] : [],
    );
    const file = [...sent].find(([, value]) => typeof value !== "string")?.[0] ?? null;
    return { path: path.replace(/\.data(?=\?|$)/, "").replace(/[?&]index$/, ""), fields, file };
  } catch {
    return null;
  }
}

const routes = await builtRoutes();
const noted: Form[] = [];
for (const line of readFileSync(process.argv[2]!, "utf8").trim().split("\n")) {
  const form = await formIn(JSON.parse(line) as Noted);
  if (form && routes.routeOf(form.path) !== null) noted.push(form);
}
const forms = ofEachKind([...knownForms(), ...noted], routes).sort((a, b) => a.path.localeCompare(b.path));
writeFileSync("trials/attack/forms.json", `[\n${forms.map((form) => JSON.stringify(form)).join(",\n")}\n]\n`);
console.log(`${forms.length} forms`);
