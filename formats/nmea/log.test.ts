import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checksum, readLog } from "./log.ts";

const line = (body: string) => `$${body}*${checksum(body).toString(16).toUpperCase().padStart(2, "0")}`;
const gga = (time: string, latitude: string, quality = "4", longitude = "00306.1234567") =>
  line(`GPGGA,${time},${latitude},N,${longitude},E,${quality},12,0.8,20.1,M,40.2,M,1.0,0001`);

describe("a receiver's log", () => {
  it("has the checksum of the standard's often printed example", () => {
    // NMEA 0183, an example sentence printed in many manuals (from memory)
    expect(checksum("GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,")).toBe(0x47);
  });

  it("is read into metres: a ten-thousandth of a minute north is 18.5 cm", () => {
    const read = readLog([gga("101500.00", "5512.0000000"), gga("101500.20", "5512.0001000")].join("\r\n"));
    if (!read.ok) throw new Error(read.problem);
    const [first, second] = read.log.points;
    expect(first).toMatchObject({ east: 0, north: 0, fix: "fixed" });
    expect(second!.north).toBeCloseTo(0.1856, 3);
    expect(read.log.rate).toBeCloseTo(5, 6);
    expect(read.log.decimals).toBe(7);
  });

  it("takes RMC where there is no GGA, goes on past midnight, drops what has no fix or comes twice", () => {
    const rmc = (time: string, minute: string, status = "A") =>
      line(`GNRMC,${time},${status},5512.${minute},N,00306.1234567,E,3.5,40.0,020426,,,R`);
    const read = readLog(
      [
        rmc("235959.50", "000000"),
        rmc("235959.50", "000001"),
        rmc("000000.50", "000010"),
        rmc("000001.00", "000020", "V"),
      ].join("\n"),
    );
    if (!read.ok) throw new Error(read.problem);
    expect(read.log.points.map(({ time }) => time)).toEqual([86399.5, 86400.5]);
    expect(read.log.decimals).toBe(6);
  });

  it.each([
    ["", "empty"],
    ["hello\nworld", "right checksum"],
    [line("GPVTG,40,T,,M,3,N,5,K,R"), "no positions"],
    [`${gga("101500.00", "5512.0000000")}\n${gga("101500.20", "5512.0001000").slice(0, -2)}00`, "spoiled"],
    [
      [gga("101500.00", "5512.0000000", "0"), gga("101500.20", "5512.0001000", "0")].join("\n"),
      "no positions",
    ],
    [[gga("101500.00", "9112.0000000"), gga("251500.20", "5512.0001000")].join("\n"), "no positions"],
  ])("refuses %j", (text, words) => {
    const read = readLog(text);
    expect(read.ok ? "" : read.problem).toContain(words);
  });

  it("never throws, whatever it is given", () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.string(), fc.constant(gga("101500.00", "5512.0000000")))), (lines) => {
        readLog(lines.join("\n"));
      }),
    );
  });
});

describe("a log of several hours", () => {
  it("of 130 000 positions is read like any other", () => {
    const lines: string[] = [];
    for (let at = 0; at < 130_000; at++) {
      const time = `${String(Math.floor(at / 36_000) % 24).padStart(2, "0")}${String(Math.floor(at / 600) % 60).padStart(2, "0")}${((at / 10) % 60).toFixed(1).padStart(4, "0")}`;
      const body = `GPGGA,${time},5212.${String(100000 + at).slice(0, 6)},N,00940.123456,E,4,12,0.8,80.0,M,46.0,M,,`;
      lines.push(`$${body}*${checksum(body).toString(16).toUpperCase().padStart(2, "0")}`);
    }
    const read = readLog(lines.join("\n"));
    expect(read.ok && read.log.points.length).toBe(130_000);
    expect(read.ok && read.log.decimals).toBe(6);
  });
});
