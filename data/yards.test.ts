import { existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { YardProblem } from "./keeping.ts";
import { beginYard, fileOf, forgetYard, markBegun, missing, renameYard, yardsIn } from "./yards.ts";

const FIRST = 4181;
let root = "";
beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), "ambrek-yards-"));
});
afterEach(() => rmSync(root, { recursive: true, force: true }));

/** As its first start would leave it. */
function withFile(folder: string): void {
  mkdirSync(join(root, folder), { recursive: true });
  writeFileSync(fileOf(root, folder), "a yard");
}

describe("yards of one server", () => {
  it("have a folder and a port each, and keep them", () => {
    const first = beginYard(root, FIRST, " Höfe  am Bach ");
    const second = beginYard(root, FIRST, "Lindhof");
    expect([first, second]).toEqual([
      { name: "Höfe am Bach", folder: "hofe-am-bach", port: 4181, begun: false },
      { name: "Lindhof", folder: "lindhof", port: 4182, begun: false },
    ]);
    expect(yardsIn(root, FIRST)).toEqual([first, second]);
    renameYard(root, "lindhof", "Lindhof East");
    expect(yardsIn(root, 9000)[1]).toEqual({ ...second, name: "Lindhof East" });
    // The port of one that went is another's only once nobody is met there.
    expect(beginYard(root, FIRST, "Third").port).toBe(4183);
    expect(beginYard(root, FIRST, "Log").folder).toBe("log-2");
  });

  it("are taken up where their folders lie, and are not begun where a file is gone", () => {
    withFile("old-one");
    const [found] = yardsIn(root, FIRST);
    expect(found).toEqual({ name: "old-one", folder: "old-one", port: FIRST, begun: true });
    expect(missing(root, found!)).toBeNull();
    renameSync(fileOf(root, "old-one"), join(root, "elsewhere.db"));
    expect(missing(root, found!)).toContain("no new yard is begun in its place");
    const fresh = beginYard(root, FIRST, "Fresh");
    expect(missing(root, fresh)).toBeNull();
    markBegun(root, fresh.folder);
    expect(missing(root, yardsIn(root, FIRST)[1]!)).toContain("is not there");
  });

  it("are taken off the list only where their file went", () => {
    withFile("here");
    yardsIn(root, FIRST);
    expect(() => forgetYard(root, "here")).toThrow(YardProblem);
    rmSync(fileOf(root, "here"));
    forgetYard(root, "here");
    expect(yardsIn(root, FIRST)).toEqual([]);
    expect(existsSync(join(root, "here"))).toBe(true);
  });

  it("refuse a name that is none or another's, and change nothing by that", () => {
    beginYard(root, FIRST, "Lindhof");
    const before = readFileSync(join(root, "yards.json"), "utf8");
    for (const name of ["", "   ", "x".repeat(61), "a\u0000b", "LINDHOF"])
      expect(() => beginYard(root, FIRST, name)).toThrow(YardProblem);
    expect(() => renameYard(root, "nobody", "Else")).toThrow(YardProblem);
    expect(readFileSync(join(root, "yards.json"), "utf8")).toBe(before);
  });

  it("are not guessed from a list that cannot be read, or has two at one port", () => {
    const one = { name: "A", folder: "a", port: FIRST, begun: true };
    for (const list of [
      "{",
      "[]",
      '{"yards":[{}]}',
      JSON.stringify({ yards: [{ ...one, folder: "../up" }] }),
      JSON.stringify({ yards: [{ ...one, port: 70_000 }] }),
      JSON.stringify({ yards: [one, { ...one, folder: "b" }] }),
      JSON.stringify({ yards: [one, { ...one, port: 5000 }] }),
    ]) {
      writeFileSync(join(root, "yards.json"), list);
      expect(() => yardsIn(root, FIRST)).toThrow(YardProblem);
      expect(readFileSync(join(root, "yards.json"), "utf8")).toBe(list);
    }
  });

  it("never share a folder, a port or a name, whatever they are called", () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: "grapheme", maxLength: 30 }), { maxLength: 12 }), (names) => {
        rmSync(root, { recursive: true, force: true });
        for (const name of names)
          try {
            beginYard(root, FIRST, name);
          } catch (error) {
            if (!(error instanceof YardProblem)) throw error;
          }
        const yards = yardsIn(root, FIRST);
        for (const of of ["folder", "port", "name"] as const)
          expect(new Set(yards.map((each) => String(each[of]).toLowerCase())).size).toBe(yards.length);
        expect(yards.every(({ folder }) => /^[a-z0-9][a-z0-9-]*$/.test(folder))).toBe(true);
      }),
    );
  });
});
