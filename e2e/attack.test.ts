import { expect, it } from "vitest";
import { attack } from "../trials/attack/attack.ts";

/** A share of `npm run attack`, by a seed of its own: what it finds can be had again. */
it("malformed requests and damaged files end nothing, break nothing, and change nothing where they are refused", async () => {
  const { faults, unknown, rows, reached } = await attack({
    seed: 2026,
    forms: 5,
    addresses: 1,
    files: 4,
    lines: 40,
  });
  expect(faults).toEqual([]);
  expect(unknown).toEqual([]);
  // It reached what it was to try: pages of most routes, in a yard where something stands.
  expect(reached).toBeGreaterThan(70);
  const sum = (of: (row: (typeof rows)[number]) => number) => rows.reduce((all, row) => all + of(row), 0);
  expect(sum(({ sent }) => sent)).toBeGreaterThan(300);
  expect(sum(({ refused }) => refused)).toBeGreaterThan(150);
}, 400_000);
