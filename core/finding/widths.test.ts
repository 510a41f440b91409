import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Attachment } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { figuresIn } from "../quantity/said.ts";
import type { Instrument } from "../rig/grade.ts";
import { resolveRig } from "../rig/resolve.ts";
import { sampleFacts } from "../rig/sample.ts";
import { plain } from "./sample-words.ts";
import { judgeTrackSpacing, judgeWidths } from "./widths.ts";

type Lengths = Partial<Record<DimensionKey, number | null>>;

const rigOf = (
  lengths: Lengths,
  widths: readonly number[] | null = null,
  instruments: Partial<Record<DimensionKey, Instrument>> = {},
  attachment: Attachment = "drawn",
) => resolveRig({ ...sampleFacts(lengths, instruments, widths), attachment });
const said = (rig: ReturnType<typeof rigOf>) =>
  judgeWidths(rig).map(({ what, why, next }) => `${plain(what)} ${plain(why)} ${next.label}`);

describe("the working width, known three ways", () => {
  const width = { "tool.width": 6, "rows.count": 40, "rows.spacing": 0.15 };

  it("is quiet where they agree to what can be seen in a field", () => {
    expect(said(rigOf(width, [2, 2, 2]))).toEqual([]);
    expect(said(rigOf({ ...width, "tool.width": 6.019 }, [2, 2, 2.01]))).toEqual([]);
  });

  it("names the one the other two outvote", () => {
    expect(said(rigOf(width, [2, 2]))).toEqual([
      "Sections and width disagree by 2.000 m: 2 sections add up to 4.000 m; the width is 6.000 m. The row spacing and the width agree, so look at the sections. Every pass leaves a strip or works it twice. Look at N",
    ]);
    const oneRow = rigOf({ ...width, "rows.count": 39 }, [2, 2, 2]);
    expect(said(oneRow)[0]).toMatch(/^Rows and width disagree.*39 rows × .*Look at L$/);
    expect(figuresIn(judgeWidths(oneRow)[0]!.what)).toEqual([
      expect.closeTo(0.15, 9),
      0.15,
      expect.closeTo(5.85, 9),
      6,
    ]);
    const outvoted = said(rigOf({ ...width, "tool.width": 5.4 }, [2, 2, 2]));
    expect(outvoted).toHaveLength(2);
    for (const each of outvoted) expect(each).toContain("so look at the width");
  });

  it("trusts the better grade where there are only two", () => {
    const rows = { "rows.count": null, "rows.spacing": null };
    expect(said(rigOf({ ...width, ...rows }, [3, 2], { "tool.width": "book" }))[0]).toContain(
      "The weaker reading is the width (book)",
    );
    expect(said(rigOf({ ...width, ...rows }, [3, 2]))[0]).toContain(
      "Both are taped; look at the width first",
    );
  });

  it("counts one section as one, and nozzles as nozzles", () => {
    expect(said(rigOf({ ...width, "rows.count": null }, [4]))[0]).toContain("1 section adds up to 4.000 m");
    const boom = rigOf({ ...width, "rows.count": 11, "rows.spacing": 0.5 }, null, {}, "boom");
    expect(said(boom)[0]).toMatch(/^Nozzles and width disagree by 0.500 m: 11 nozzles × 50.0 cm/);
  });

  it("says nothing of a width nobody knows", () => {
    expect(said(rigOf({ ...width, "tool.width": null }, [2, 2]))).toEqual([]);
  });

  it("finds every disagreement that is larger than it tolerates, and no other", () => {
    const millimetres = fc.integer({ min: -300, max: 300 });
    fc.assert(
      fc.property(millimetres, (off) => {
        const rig = rigOf({ "tool.width": 6 + off / 1000, "rows.count": null }, [2, 2, 2]);
        expect(judgeWidths(rig).length).toBe(Math.abs(off) > 20 ? 1 : 0);
      }),
    );
  });
});

describe("the terminal's lines", () => {
  const spacing = (set: number, overlap = 0.1) =>
    judgeTrackSpacing(rigOf({ "tool.width": 6, "work.overlap": overlap, "guidance.trackSpacing": set }));
  const joint = (set: number) => {
    const [{ why } = { why: "" }] = spacing(set);
    return [plain(why).includes("twice") ? "twice" : "left", figuresIn(why)];
  };

  it("lie width less overlap apart, to the centimetre a terminal takes", () => {
    expect(spacing(5.9)).toEqual([]);
    expect(spacing(5.905)).toEqual([]);
    expect(spacing(5.91)).toHaveLength(1);
  });

  it("too far apart leave a strip, too close work one twice", () => {
    expect(joint(6)).toEqual(["left", [expect.closeTo(0.1, 9)]]);
    expect(joint(5.5)).toEqual(["twice", [expect.closeTo(0.4, 9)]]);
  });
});
