/** A demo yard of one's own behind the routes, and requests as a browser sends them, for tests. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { closeDatabase, database } from "../../data/database.ts";
import { plantDemoYard } from "../../data/demo/yard.ts";
import type { Database } from "../../data/handle.ts";

export type SampleYard = { db: Database; close: () => void };

/** Plants a demo yard and makes it the server's own, until it is closed. */
export function openSampleYard(): SampleYard {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-routes-"));
  const before = process.env.AMBREK_DB;
  process.env.AMBREK_DB = join(folder, "yard.db");
  plantDemoYard(database());
  return {
    db: database(),
    close: () => {
      closeDatabase();
      rmSync(folder, { recursive: true, force: true });
      if (before === undefined) delete process.env.AMBREK_DB;
      else process.env.AMBREK_DB = before;
    },
  };
}

type Params = Record<string, string>;
type Route<Answer> = (args: never) => Answer | Promise<Answer>;

const ORIGIN = "http://yard.test";

/** What a loader answers to a page that is opened; a response it throws is answered as well. */
export async function ask<Answer>(loader: Route<Answer>, path: string, params: Params = {}): Promise<Answer> {
  return loader({ request: new Request(ORIGIN + path), params, context: {} } as never);
}

/** What an action answers to a form that is sent; a redirect it throws is its answer. */
export async function submit<Answer>(
  action: Route<Answer>,
  path: string,
  fields: Params,
  params: Params = {},
): Promise<Answer | Response> {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.set(name, value);
  const request = new Request(ORIGIN + path, { method: "POST", body });
  try {
    return await action({ request, params, context: {} } as never);
  } catch (thrown) {
    if (thrown instanceof Response) return thrown;
    throw thrown;
  }
}

/** The errors an action answered by field, and its status. */
export function refusal(answer: unknown): { status: number; errors: Record<string, string> } {
  const { data, init } = answer as {
    data: { errors: Record<string, string> };
    init: { status?: number } | null;
  };
  return { status: init?.status ?? 200, errors: data.errors };
}
