import { readdirSync, readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { expect, it } from "vitest";

const FOLDER = fileURLToPath(new URL(".", import.meta.url));
const MOST_LINES = 80;

it("routes are thin: a loader, an action, and a page from its room", () => {
  const routes = readdirSync(FOLDER).filter(
    (name) => /\.tsx?$/.test(name) && !/\.test\.|^sample-/.test(name),
  );
  const long = routes.filter((name) => readFileSync(FOLDER + name, "utf8").split("\n").length > MOST_LINES);
  expect(routes.length).toBeGreaterThan(40);
  expect(long).toEqual([]);
});
