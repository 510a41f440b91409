import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { LENGTH_STYLES } from "./length.ts";
import {
  type Figure,
  figuresIn,
  fineLength,
  inWords,
  quantity,
  readBack,
  roundLength,
  smallLength,
  tapeLength,
  tell,
  writtenOut,
} from "./said.ts";

const figures: readonly ((value: number) => Figure)[] = [
  fineLength,
  roundLength,
  smallLength,
  tapeLength,
  (value) => quantity("mass", value),
  (value) => quantity("pressure", value, 2),
  (value) => ({ value, print: ({ tape, small }) => `${value} by ${tape} and ${small}` }),
  (value) => ({ value, print: () => `${value} of them` }),
];

describe("a sentence that was written out", () => {
  it("reads alike for every reader, out of a file and before", () => {
    const parts = fc.array(
      fc.oneof(
        fc.string(),
        fc
          .tuple(fc.constantFrom(...figures), fc.double({ min: -1e5, max: 1e5, noNaN: true }))
          .map(([figure, value]) => figure(value)),
      ),
    );
    const style = fc.constantFrom(...LENGTH_STYLES);
    fc.assert(
      fc.property(parts, fc.record({ tape: style, small: style }), (said, units) => {
        const again = readBack(JSON.parse(JSON.stringify(writtenOut(said))));
        expect(inWords(again, units)).toBe(inWords(said, units));
        expect(figuresIn(again).map((value) => value + 0)).toEqual(figuresIn(said).map((value) => value + 0));
      }),
    );
  });

  it("holds no more than what its reader may need", () => {
    expect(writtenOut("nothing to measure")).toBe("nothing to measure");
    const [, width] = writtenOut(tell`is ${tapeLength(3)} wide`) as [string, object];
    expect(width).toEqual({ value: 3, tape: expect.objectContaining({ m: expect.stringMatching(/^3/) }) });
    const [, gap] = writtenOut(tell`is ${smallLength(0.3)} off`) as [string, object];
    expect(Object.keys(gap)).toEqual(["value", "small"]);
  });
});
