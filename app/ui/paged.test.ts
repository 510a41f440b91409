import fc from "fast-check";
import { expect, it } from "vitest";
import { paged, pageIn } from "./paged.ts";

it("leaves out no row of a list, and shows none twice", () => {
  fc.assert(
    fc.property(fc.array(fc.integer()), fc.integer({ min: 1, max: 20 }), (rows, most) => {
      const { pages } = paged(rows, 1, most);
      const seen = Array.from({ length: pages }, (_, at) => paged(rows, at + 1, most).rows);
      expect(seen.flat()).toEqual(rows);
      expect(seen.every((each) => each.length <= most)).toBe(true);
    }),
  );
});

it("shows the nearest page where there is no such one", () => {
  const pageOf = (page: string) => paged([1, 2, 3], pageIn(new Request(`http://here/?page=${page}`)), 2).page;
  expect(["", "0", "-3", "1.5", "2", "99", "x"].map(pageOf)).toEqual([1, 1, 1, 1, 2, 2, 1]);
});
