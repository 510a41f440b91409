/** What nobody types into a field, and what somebody might all the same. */
import type { Chance } from "./chance.ts";

/** Lists are made when they are needed: some values are long. */
const VALUES: readonly (() => string)[] = [
  () => "",
  () => " ",
  () => "0",
  () => "-0",
  () => "-1",
  () => "1e309",
  () => "-1e309",
  () => "1e-320",
  () => "NaN",
  () => "Infinity",
  () => "null",
  () => "undefined",
  () => "[object Object]",
  () => "9007199254740993",
  () => "9223372036854775808",
  () => "99999999999999999999999999",
  () => "0x10",
  () => "1_000",
  () => "1,2,3",
  () => "3.14.15",
  () => "٣٫١٤",
  () => "½",
  () => "1 + 1 ft",
  () => "1e5 km",
  () => "-40 °C",
  () => "\u0000",
  () => "a\u0000b",
  () => "\ud800",
  () => "\ufeff5",
  () => "\u202e5 m",
  () => "e\u0301".repeat(500),
  () => "🚜".repeat(300),
  () => "a".repeat(70_000),
  () => "9".repeat(5_000),
  () => `${"(".repeat(5_000)}1${")".repeat(5_000)}`,
  () => "__proto__",
  () => "constructor",
  () => "toString",
  () => "hasOwnProperty",
  () => "' or 1=1 --",
  () => '"; drop table fact; --',
  () => "%",
  () => "%00",
  () => "<script>alert(1)</script>",
  () => "</script><script>",
  () => "=1+1",
  () => "@SUM(A1)",
  () => "../../../../etc/passwd",
  () => "file:///etc/passwd",
  () => "{}",
  () => "[]",
  () => "[[[[[[]]]]]]",
  () => "[".repeat(20_000),
  () => '{"__proto__":{"admin":true}}',
  () => '{"a":1,"a":2}',
  () => "true",
  () => "2026-02-30",
  () => "0000-00-00",
  () => "9999-12-31T23:59:60Z",
  () => "+275760-09-13",
  () => "-271821-04-20",
  () => "2026-11-30T07:00",
  () => "25:61",
  () => "POINT(1 2)",
  () => "1;2;3",
  () => "on",
  () => "\r\nSet-Cookie: a=b",
  () => "00000000-0000-0000-0000-000000000000",
  () => "not-a-uuid",
];

export const strange = (chance: Chance): string => chance.of(VALUES)();

/** A number like one that stands there: a little beside it, far beside it, or of another sign. */
export function besideNumber(text: string, chance: Chance): string {
  const value = Number(text);
  return chance.of([
    String(value + 1),
    String(-value),
    String(value * 1e6),
    String(value / 1e9),
    `${text}.5`,
    `${text}e400`,
    `${text}${text}`,
    ` ${text}`,
    `${text} m`,
    `${text} rpm`,
  ]);
}

/** Something like JSON that stands there: a value of it changed, left out, doubled or made deep. */
export function besideJson(text: string, chance: Chance): string {
  const walk = (value: unknown): unknown => {
    if (chance.oneIn(6)) return chance.of([null, [], {}, "", -1, 1e300, true, strange(chance), [[[]]]]);
    if (Array.isArray(value)) {
      const items = value.map(walk);
      if (items.length > 0 && chance.oneIn(4)) items.push(items[0]);
      if (items.length > 0 && chance.oneIn(4)) items.pop();
      return items;
    }
    if (value !== null && typeof value === "object")
      return Object.fromEntries(
        Object.entries(value).flatMap(([name, each]) => (chance.oneIn(8) ? [] : [[name, walk(each)]])),
      );
    return value;
  };
  return JSON.stringify(walk(JSON.parse(text)));
}
