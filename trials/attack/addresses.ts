/** Every address of a running yard that leads somewhere, by the kind of its route, and the routes that take forms. */
import { pathToFileURL } from "node:url";
import { matchRoutes, type RouteObject } from "react-router";
import type { Form } from "./forms.ts";

type BuiltRoute = {
  id: string;
  parentId?: string;
  path?: string;
  index?: boolean;
  module: { action?: unknown; loader?: unknown };
};

export type Routes = {
  /** ids of routes that take forms */
  actions: readonly string[];
  /** all routes but the frame around them */
  all: readonly string[];
  /** the route an address leads to, or null */
  routeOf: (path: string) => string | null;
};

/** Routes as they were built. */
export async function builtRoutes(): Promise<Routes> {
  const built = (await import(pathToFileURL("build/server/index.cjs").href)) as {
    routes: Record<string, BuiltRoute>;
  };
  const own = Object.values(built.routes).filter(({ parentId }) => parentId !== undefined);
  const table: RouteObject[] = own.map(({ id, path, index }) =>
    index ? { id, index: true } : { id, ...(path !== undefined && { path }) },
  );
  return {
    actions: own.filter(({ module }) => module.action).map(({ id }) => id),
    all: own.map(({ id }) => id),
    routeOf: (path) =>
      matchRoutes(table, path.replace(/\?.*/, "").replace(/\.data$/, ""))?.at(-1)?.route.id ?? null,
  };
}

const plain = (text: string) =>
  text.replace(
    /&(amp|quot|lt|gt|#x27);/g,
    (_, name: string) => ({ amp: "&", quot: '"', lt: "<", gt: ">" })[name] ?? "'",
  );
const attribute = (tag: string, name: string): string | null => {
  const found = new RegExp(` ${name}="([^"]*)"`).exec(tag)?.[1];
  return found === undefined ? null : plain(found);
};

/** The forms that stand on a page, as they would be sent untouched. */
function formsOn(path: string, html: string): Form[] {
  return [...html.matchAll(/<form\b([^>]*)>([\s\S]*?)<\/form>/g)].flatMap(([, head = "", inside = ""]) => {
    if (attribute(head, "method") !== "post") return [];
    let file: string | null = null;
    const fields = [...inside.matchAll(/<(input|select|textarea)\b([^>]*)>([\s\S]{0,4000})/g)].flatMap(
      ([, kind, tag = "", rest = ""]): [string, string][] => {
        const name = attribute(tag, "name");
        if (name === null) return [];
        if (attribute(tag, "type") === "file") {
          file = name;
          return [];
        }
        const chosen = kind === "select" ? attribute(/<option\b[^>]*>/.exec(rest)?.[0] ?? "", "value") : null;
        return [[name, chosen ?? attribute(tag, "value") ?? ""]];
      },
    );
    const action = attribute(head, "action") ?? path;
    return fields.length > 0 || file !== null
      ? [{ path: action.startsWith("/") ? action.replace(/[?&]index$/, "") : path, fields, file }]
      : [];
  });
}

/** One of each kind: of the same route, the same intent and the same fields. */
export function ofEachKind(forms: readonly Form[], { routeOf }: Routes): Form[] {
  const known = new Map<string, Form>();
  for (const form of forms) {
    const names = [...new Set(form.fields.map(([name]) => name.replace(/\d+/g, "n")))].sort();
    const intent = form.fields.find(([name]) => name === "intent")?.[1] ?? "";
    const key = [routeOf(form.path), intent, form.file, ...names].join(" ");
    if (!known.has(key)) known.set(key, form);
  }
  return [...known.values()];
}

/** So many addresses of each route are enough. */
const OF_EACH = 4;
const ASSET = /\.(css|js|png|svg|woff2|ico|webmanifest)$/;

export type Crawled = { found: Map<string, string[]>; forms: Form[] };

/** Follows the links of a yard, a few of each route, and returns the addresses found by route, and the forms that stand on them. */
export async function crawled(address: string, { routeOf }: Routes): Promise<Crawled> {
  const found = new Map<string, string[]>();
  const forms: Form[] = [];
  const open: string[] = [];
  const take = (href: string) => {
    const url = new URL(href.replaceAll("&amp;", "&"), address);
    if (url.origin !== address || ASSET.test(url.pathname)) return;
    const path = url.pathname + url.search;
    const route = routeOf(path);
    if (route === null) return;
    const known = found.get(route) ?? [];
    if (known.includes(path) || known.length >= OF_EACH) return;
    found.set(route, [...known, path]);
    open.push(path);
  };
  take("/");
  for (const path of open) {
    const answer = await fetch(address + path, { redirect: "manual" });
    const body = await answer.text();
    if (!answer.headers.get("content-type")?.includes("html")) continue;
    for (const [, href] of body.matchAll(/<a\b[^>]* href="([^"#]+)/g)) take(href!);
    forms.push(...formsOn(path, body));
  }
  return { found, forms };
}
