import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { FileProblem } from "./problem.ts";
import { readTimeLog, timeLogsIn } from "./time-log.ts";

const header = (values: string, position = 'A="" B="" D=""') =>
  strToU8(`<?xml version="1.0" encoding="UTF-8"?><TIM A="" D="4"><PTN ${position}/>${values}</TIM>`);

/** A record by hand, little-endian: milliseconds, days, north and east in 1e-7 degrees, the kind of fix, then values by their place. */
function record(
  ms: number,
  north: number,
  east: number,
  values: readonly (readonly [number, number])[],
): number[] {
  const bytes = new DataView(new ArrayBuffer(4 + 2 + 4 + 4 + 1 + 1 + 5 * values.length));
  bytes.setUint32(0, ms, true);
  bytes.setUint16(4, 17_000, true);
  bytes.setInt32(6, Math.round(north * 1e7), true);
  bytes.setInt32(10, Math.round(east * 1e7), true);
  bytes.setUint8(14, 4);
  bytes.setUint8(15, values.length);
  for (const [at, [place, value]] of values.entries()) {
    bytes.setUint8(16 + 5 * at, place);
    bytes.setInt32(17 + 5 * at, value, true);
  }
  return [...new Uint8Array(bytes.buffer)];
}

const STATE = header('<DLV A="008D" B="" C="DET-1"/>');

describe("a time log", () => {
  it("is read record by record: where, when, and whether it worked; a state holds until the next", () => {
    const bin = Uint8Array.from([
      ...record(36_000_000, 52.1, 9.4, [[0, 1]]),
      ...record(36_000_500, 52.10001, 9.4, []),
      ...record(36_001_000, 52.10002, 9.40001, [[0, 0]]),
    ]);
    const { records, states } = readTimeLog("TLG00001", STATE, bin);
    expect(states).toBe("work state");
    expect(records.map(({ working }) => working)).toEqual([true, true, false]);
    expect(records[1]!.seconds - records[0]!.seconds).toBeCloseTo(0.5, 9);
    expect((records[2]!.latitude * 180) / Math.PI).toBeCloseTo(52.10002, 7);
    expect((records[2]!.longitude * 180) / Math.PI).toBeCloseTo(9.40001, 7);
  });

  it("takes sections that are on for work, two bits each, and says where there is no state at all", () => {
    const condensed = header('<DLV A="00A1" B="" C="DET-1"/>');
    // The third section is on: 01 in its two bits.
    const on = readTimeLog("TLG00001", condensed, Uint8Array.from(record(0, 52, 9, [[0, 1 << 4]])));
    expect(on).toMatchObject({ states: "condensed", records: [{ working: true }] });
    const off = readTimeLog("TLG00001", condensed, Uint8Array.from(record(0, 52, 9, [[0, 0]])));
    expect(off.records[0]!.working).toBe(false);
    const none = readTimeLog("TLG00001", header(""), Uint8Array.from(record(0, 52, 9, [])));
    expect(none).toMatchObject({ states: "none", records: [{ working: null }] });
  });

  it("leaves out where nothing was received, and refuses what is cut off, unnamed or has no places", () => {
    const lost = Uint8Array.from([...record(0, 214.7, 9, []), ...record(500, 52, 9, [])]);
    expect(readTimeLog("TLG00001", STATE, lost).records).toHaveLength(1);
    const whole = Uint8Array.from(record(0, 52, 9, [[0, 1]]));
    expect(() => readTimeLog("TLG00001", STATE, whole.subarray(0, 12))).toThrow("ends within a record");
    expect(() => readTimeLog("TLG00001", STATE, Uint8Array.from(record(0, 52, 9, [[7, 1]])))).toThrow(
      "does not name",
    );
    expect(() => readTimeLog("TLG00001", header("", 'D=""'), whole)).toThrow("no positions");
  });

  it("is found in a set with all its others, in order", () => {
    const bin = Uint8Array.from(record(0, 52, 9, [[0, 1]]));
    const zip = zipSync({
      "TASKDATA/TASKDATA.XML": strToU8("<ISO11783_TaskData/>"),
      "TASKDATA/TLG00002.xml": STATE,
      "TASKDATA/TLG00002.bin": bin,
      "TASKDATA/TLG00001.xml": STATE,
      "TASKDATA/TLG00001.bin": bin,
    });
    expect(timeLogsIn(zip).map(({ name }) => name)).toEqual(["TLG00001", "TLG00002"]);
    expect(() => timeLogsIn(zipSync({ "TASKDATA.XML": strToU8("<a/>") }))).toThrow("no time log");
  });

  it("answers any bytes with records or with a sentence", () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        try {
          for (const { latitude, longitude } of readTimeLog("TLG00001", STATE, bytes).records) {
            expect(Math.abs(latitude)).toBeLessThanOrEqual(Math.PI / 2 + 1e-9);
            expect(Math.abs(longitude)).toBeLessThanOrEqual(Math.PI + 1e-9);
          }
        } catch (problem) {
          expect(problem).toBeInstanceOf(FileProblem);
        }
      }),
    );
  });
});
