/** Every page there is, with what stands in its address filled in. */
import type { ServerBuild } from "react-router";

/** What stands for a name in an address: rigs and machines of the demo yard as it is planted first. */
const FILLED: Record<string, string> = {
  rigId: "8",
  "kind?": "start",
  kind: "speed",
  list: "steps",
  station: "tool",
  number: "1",
  machineId: "11",
  fieldId: "1",
  tyreId: "1",
  schemeId: "headland",
};

/** Addresses only something that was begun or brought in has: they are asked where it is. */
const BEGUN = ["photoId", "fileId", "batchId", "testId", "caseId"];

type Route = {
  id: string;
  parentId?: string | undefined;
  path?: string | undefined;
  index?: boolean | undefined;
};

/** Addresses of all pages that read something, first the yard's. */
export function pagesOf(build: ServerBuild): string[] {
  return (Object.values(build.routes) as Route[])
    .filter(({ id }) => id !== "root")
    .map(({ path = "" }) => path)
    .filter((path) => !BEGUN.some((name) => path.includes(`:${name}`)))
    .map((path) => `/${path.replace(/:([a-zA-Z]+\??)/g, (_, name: string) => FILLED[name] ?? name)}`);
}
