import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { findScheme, saveScheme } from "../../data/schemes.ts";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "./sample-yard.ts";
import { action, loader } from "./schemes.tsx";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const stands = async (id: string) =>
  (await ask(loader, "/schemes")).schemes.find((each) => each.id === id)?.shipped;
const by = { person: "Ilse Marrin", at: new Date() };
const WORDS_BEFORE: Record<string, string> = {
  "Hitch to pivot": "Hitch to navigation point",
  "Hitch to working point": "Hitch to coverage point",
  "Middle from the left edge": "Centre distance from left edge",
};

const CAME_LATER = [
  "Connection type",
  "Hitch to midway between the gangs",
  "Hitch to landing line",
  "Hitch to toolbar",
  "Hitch to front of head",
  "Overall width",
  "Row spacing",
  "Number of sections",
  "Rows in section",
  "Constants and rates",
];

/** The scheme from the hitch as it was shipped first. */
function older() {
  const now = findScheme(yard.db, "hitch-m")!;
  return {
    ...now,
    asks: "Tool lengths from the hitch, behind counted as minus; one coverage point; the centre from the left edge.",
    lines: now.lines
      .filter(({ label }) => !CAME_LATER.includes(label))
      .map((line) => ({ ...line, only: "every" as const, label: WORDS_BEFORE[line.label] ?? line.label })),
  };
}

describe("a scheme that is shipped anew", () => {
  it("is what a new yard has, read back just as it is shipped", async () => {
    for (const id of ["axle-m", "hitch-m", "hitch-in", "antenna-in", "iso-mm"])
      expect(await stands(id), id).toBe("as shipped");
  });

  it("is offered where nobody touched the older one, and taken at a press", async () => {
    const newer = findScheme(yard.db, "hitch-m")!;
    saveScheme(yard.db, older(), by);
    expect(await stands("hitch-m")).toBe("older");
    await submit(action, "/schemes", { id: "hitch-m" });
    expect(findScheme(yard.db, "hitch-m")).toEqual(newer);
    expect(await stands("hitch-m")).toBe("as shipped");
  });

  it("never takes the place of one that was edited, nor of the yard's own", async () => {
    const edited = { ...older(), name: "As our terminal says it" };
    saveScheme(yard.db, edited, by);
    expect(await stands("hitch-m")).toBe("edited");
    expect(refusal(await submit(action, "/schemes", { id: "hitch-m" })).status).toBe(422);
    expect(findScheme(yard.db, "hitch-m")!.name).toBe(edited.name);
    expect(refusal(await submit(action, "/schemes", { id: "nothing" })).status).toBe(422);
  });
});
