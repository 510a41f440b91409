import { describe, expect, it } from "vitest";
import { alone, inTurn } from "./turns.server.ts";

const later = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

describe("a request that needs the file to itself", () => {
  it("waits for those that go on, and those that come wait for it", async () => {
    const said: string[] = [];
    const before = inTurn(async () => {
      await later(20);
      said.push("before");
    });
    const own = inTurn(() => alone(() => said.push("alone")));
    await later(1);
    const after = inTurn(async () => {
      said.push("after");
    });
    await Promise.all([before, own, after]);
    expect(said).toEqual(["before", "alone", "after"]);
  });

  it("gives up where somebody does not end, and lets the others go on", async () => {
    let end = () => {};
    const slow = inTurn(() => new Promise<void>((done) => (end = done)));
    expect(await inTurn(() => alone(() => "done", 20))).toBeNull();
    expect(await inTurn(async () => "goes on")).toBe("goes on");
    end();
    await slow;
  });

  it("is one at a time", async () => {
    const both = ["first", "second"].map((name) =>
      inTurn(async () => {
        await later(5);
        return alone(() => name);
      }),
    );
    expect(await Promise.all(both)).toEqual(["first", null]);
  });
});
