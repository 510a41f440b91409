import { beforeEach, describe, expect, it, vi } from "vitest";
import { draftOf } from "./draft.ts";

const DAY = 24 * 3600 * 1000;
let kept: Map<string, string>;
beforeEach(() => {
  kept = new Map();
  vi.stubGlobal("window", {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
      removeItem: (key: string) => kept.delete(key),
    },
  });
});

describe("what was typed and not saved", () => {
  it("is there again, of its own form alone, until it is saved", () => {
    draftOf<string>("width").write("6.0");
    expect(draftOf<string>("width").read()).toBe("6.0");
    expect(draftOf<string>("height").read()).toBeNull();
    draftOf("width").clear();
    expect(draftOf<string>("width").read()).toBeNull();
  });

  it("is forgotten after a day", () => {
    draftOf<string>("width", () => 0).write("6.0");
    expect(draftOf<string>("width", () => DAY - 1).read()).toBe("6.0");
    expect(draftOf<string>("width", () => DAY).read()).toBeNull();
    expect(kept.size).toBe(0);
  });

  it("is none where the browser keeps nothing, or keeps something else", () => {
    kept.set("ambrek-draft width", "{");
    expect(draftOf<string>("width").read()).toBeNull();
    vi.stubGlobal("window", {
      localStorage: {
        getItem: () => null,
        setItem: () => {
          throw new Error("full");
        },
      },
    });
    expect(() => draftOf<string>("width").write("6.0")).not.toThrow();
  });
});
