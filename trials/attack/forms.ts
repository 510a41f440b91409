/** Forms as the browser tests sent them, made wrong in one place or in many. */
import { readFileSync } from "node:fs";
import type { Chance } from "./chance.ts";
import { besideJson, besideNumber, strange } from "./values.ts";

/** A form as it was sent once. */
export type Form = {
  path: string;
  fields: readonly (readonly [name: string, value: string])[];
  /** the field a file came in */
  file: string | null;
};

/** What goes over the line. */
export type Sent = {
  method: string;
  path: string;
  headers: Readonly<Record<string, string>>;
  body: Uint8Array | null;
};

/** What every intent was sent once; made by `corpus.ts` out of a run of the browser tests. */
export const knownForms = (): Form[] =>
  JSON.parse(readFileSync("trials/attack/forms.json", "utf8")) as Form[];

type Fields = [string, string][];

const isJson = (text: string) => {
  if (!/^[[{]/.test(text)) return false;
  try {
    return JSON.parse(text) !== null;
  } catch {
    return false;
  }
};

function beside(text: string, chance: Chance): string {
  if (isJson(text) && !chance.oneIn(4)) return besideJson(text, chance);
  if (text !== "" && Number.isFinite(Number(text)) && chance.oneIn(2)) return besideNumber(text, chance);
  return strange(chance);
}

/** One way of making a form wrong. */
type Wrong = (fields: Fields, chance: Chance, all: readonly Form[]) => Fields;

const WRONG: readonly Wrong[] = [
  (fields, chance) => withOne(fields, chance, ([name, text]) => [[name, beside(text, chance)]]),
  (fields, chance) => withOne(fields, chance, ([name, text]) => [[name, beside(text, chance)]]),
  (fields, chance) =>
    fields.map(([name, text]) =>
      name === "intent" || chance.oneIn(2) ? [name, text] : [name, beside(text, chance)],
    ),
  (fields, chance) => withOne(fields, chance, () => []),
  (fields, chance) => withOne(fields, chance, (field) => [field, [field[0], beside(field[1], chance)]]),
  (fields, chance) => [...fields, [strange(chance), strange(chance)]],
  (fields) => fields.map(([name, text]) => (name === "intent" ? [name, text] : [name, ""])),
  (fields) => fields.filter(([name]) => name === "intent"),
  (fields, chance) => {
    const texts = fields.map(([, text]) => text);
    return fields.map(([name, text]) => (name === "intent" ? [name, text] : [name, chance.of(texts)]));
  },
  (fields, chance, all) => {
    const other = chance.of(all).fields.find(([name]) => name === "intent");
    return fields.map(([name, text]) => (name === "intent" && other ? [name, other[1]] : [name, text]));
  },
  (fields, chance) =>
    withOne(fields, chance, ([name, text]) => [
      [name.replace(/\d+/g, () => String(chance.below(99)) + 9), text],
    ]),
  (fields, chance) => [
    ...fields,
    ...Array.from({ length: chance.of([10, 500, 4_000]) }, (_, at): [string, string] => [`x${at}`, "1"]),
  ],
  (fields) => [...fields].reverse(),
  (fields) => fields,
];

/** Does something to one field, rarely to what the form asks for. */
function withOne(
  fields: Fields,
  chance: Chance,
  change: (field: [string, string]) => [string, string][],
): Fields {
  const open = fields.filter(([name]) => name !== "intent" || chance.oneIn(12));
  if (open.length === 0) return fields;
  const which = chance.of(open);
  return fields.flatMap((field) => (field === which ? change(field) : [field]));
}

const utf8 = new TextEncoder();

/** A body that is no form, or broke off. */
const BODIES: readonly ((body: Uint8Array, chance: Chance) => { body: Uint8Array; type?: string })[] = [
  (body, chance) => ({ body: body.slice(0, chance.below(body.length + 1)) }),
  (body, chance) => ({ body: body.map((each) => (chance.oneIn(20) ? chance.below(256) : each)) }),
  () => ({ body: new Uint8Array() }),
  (body) => ({ body, type: "" }),
  (body) => ({ body, type: "text/plain" }),
  (body) => ({ body, type: "application/json" }),
  (body) => ({ body, type: "multipart/form-data" }),
  (body) => ({ body, type: "multipart/form-data; boundary=\u00e9" }),
  (body) => ({ body, type: "application/x-www-form-urlencoded; charset=utf-16" }),
  () => ({ body: utf8.encode("%&%=%zz&intent=%ff%fe") }),
  (_, chance) => ({ body: chance.bytes(chance.below(3_000)) }),
  () => ({ body: utf8.encode("{".repeat(9_000)), type: "application/json" }),
];

const PLACES: readonly ((path: string, chance: Chance) => string)[] = [
  (path, chance) =>
    path.replace(
      /\/\d+/,
      () => `/${chance.of([0, -1, 99_999, "1e3", "1.5", "%00", "NaN", "9007199254740993"])}`,
    ),
  (path, chance) =>
    path.replace(/\/[^/]+$/, () => `/${encodeURIComponent(safely(strange(chance)).slice(0, 600))}`),
  (path) => `${path.replace(/\?.*/, "")}.data`,
  (path, chance) =>
    `${path.replace(/\?.*/, "")}.data?_routes=${encodeURIComponent(safely(strange(chance)).slice(0, 600))}`,
  (path, chance) =>
    `${path}${path.includes("?") ? "&" : "?"}${chance.of(["at", "page", "view", "row", "open", "index"])}=${encodeURIComponent(safely(strange(chance)).slice(0, 600))}`,
  (path) => `${path}?index`,
  (path) => `/${path}`,
  (path) => `${path}/`,
];

/** A lone half of a character cannot be written in an address. */
const safely = (text: string) => text.replace(/[\ud800-\udfff]/g, "\ufffd");

const HEADERS: readonly ((chance: Chance) => Record<string, string>)[] = [
  () => ({ cookie: "zone=Nowhere/Never; preferences=%7B%7D; ambrek-session=x" }),
  (chance) => ({ cookie: `${"a=b; ".repeat(chance.below(300))}` }),
  () => ({ cookie: "preferences=eyJ1bml0cyI6eyJsZW5ndGgiOiJ4In19; ambrek-preferences=W10=; zone=%" }),
  () => ({ accept: "application/json;q=oops, */*" }),
  () => ({ "accept-language": "xx-xx;q=9" }),
  () => ({ range: "bytes=5-1" }),
  () => ({ "if-modified-since": "yesterday" }),
  () => ({ "content-encoding": "gzip" }),
  () => ({ "x-forwarded-host": "elsewhere.example", "x-forwarded-proto": "ftp" }),
  () => ({ "user-agent": "" }),
];

/** A form as it was sent. */
export function asSent({ path, fields }: Form, origin: string): Sent {
  const { body, type } = encoded(fields.map(([name, text]) => [name, text]));
  return {
    method: "POST",
    path,
    headers: { origin, accept: "application/json", "content-type": type },
    body,
  };
}

/** A form, wrong. */
export function malformed(form: Form, all: readonly Form[], chance: Chance, origin: string): Sent {
  let fields = form.fields.map(([name, text]): [string, string] => [name, text]);
  for (let times = 1 + chance.below(3); times > 0; times -= 1) fields = chance.of(WRONG)(fields, chance, all);
  const path = chance.oneIn(8) ? chance.of(PLACES)(form.path, chance) : form.path;
  const asFile = form.file !== null || chance.oneIn(10);
  let { body, type } = asFile
    ? multipart(fields, form.file ?? chance.of(fields.concat([["x", ""]]))[0], chance)
    : encoded(fields);
  if (chance.oneIn(9)) {
    const broken = chance.of(BODIES)(body, chance);
    [body, type] = [broken.body, broken.type ?? type];
  }
  const headers: Record<string, string> = {
    origin,
    accept: chance.of(["application/json", "application/json", "text/html"]),
    ...(type !== "" && { "content-type": type }),
    ...(chance.oneIn(8) ? chance.of(HEADERS)(chance) : {}),
  };
  return { method: chance.oneIn(40) ? chance.of(["PUT", "DELETE", "PATCH"]) : "POST", path, headers, body };
}

/** An address, wrong. */
export function malformedAddress(path: string, chance: Chance): Sent {
  let at = path;
  for (let times = 1 + chance.below(2); times > 0; times -= 1) at = chance.of(PLACES)(at, chance);
  return {
    method: chance.oneIn(20) ? "HEAD" : "GET",
    path: at,
    headers: { accept: "text/html", ...(chance.oneIn(4) ? chance.of(HEADERS)(chance) : {}) },
    body: null,
  };
}

function encoded(fields: Fields): { body: Uint8Array; type: string } {
  return {
    body: utf8.encode(new URLSearchParams(fields).toString()),
    type: "application/x-www-form-urlencoded",
  };
}

/** With a file in one field: text that is none, or nothing. */
function multipart(fields: Fields, file: string, chance: Chance): { body: Uint8Array; type: string } {
  return withFile(fields, {
    field: file,
    name: chance.of(["a.txt", "", "../x", "a.zip"]),
    bytes: chance.bytes(chance.below(400)),
  });
}

/** A form with a file, sent by a script of the yard's own pages. */
export function fileSent(
  path: string,
  fields: Form["fields"],
  file: { field: string; name: string; bytes: Uint8Array },
  origin: string,
): Sent {
  const { body, type } = withFile(fields, file);
  return {
    method: "POST",
    path,
    headers: { origin, accept: "application/json", "content-type": type },
    body,
  };
}

/** A form with a file, as a browser sends it (RFC 7578). */
function withFile(
  fields: readonly (readonly [string, string])[],
  { field, name, bytes }: { field: string; name: string; bytes: Uint8Array },
): { body: Uint8Array; type: string } {
  const edge = "----ambrekattack";
  const quoted = (text: string) => text.replace(/"/g, "%22").replace(/[\r\n]/g, "%0A");
  const head = fields
    .filter(([each]) => each !== field)
    .map(
      ([each, text]) =>
        `--${edge}\r\nContent-Disposition: form-data; name="${quoted(each)}"\r\n\r\n${text}\r\n`,
    )
    .join("");
  const last = `--${edge}\r\nContent-Disposition: form-data; name="${quoted(field)}"; filename="${quoted(name)}"\r\nContent-Type: application/octet-stream\r\n\r\n`;
  return {
    body: Buffer.concat([utf8.encode(head + last), bytes, utf8.encode(`\r\n--${edge}--\r\n`)]),
    type: `multipart/form-data; boundary=${edge}`,
  };
}
