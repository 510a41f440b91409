import { describe, expect, it } from "vitest";
import { allJobs, jobKind } from "../../../core/subjects/jobs.ts";
import { readObservation, type Styles, stylesIn, stylesText, textName, wordName } from "./observation.ts";

const METRIC: Styles = { tape: "m", small: "mm", speed: "km/h" };
const US: Styles = { tape: "ft-in", small: "in", speed: "mph" };

const read = (kind: string, fields: Record<string, string>, styles = METRIC) =>
  readObservation(jobKind(kind).fields, (name) => fields[name] ?? "", styles);
const problems = (kind: string, fields: Record<string, string>) => {
  const answer = read(kind, fields);
  return answer.ok ? {} : answer.errors;
};

/** Something sensible in every field of a kind. */
function filled(kind: string): Record<string, string> {
  return Object.fromEntries(
    jobKind(kind).fields.flatMap((field): [string, string][] => {
      const name = textName(field.key);
      switch (field.kind) {
        case "choice":
          return [[name, field.choices[0]!.key]];
        case "point":
          return [[name, field.key === "from" ? "pin" : "rightEdge"]];
        case "speed":
          return [[name, "8"]];
        case "length":
          return [[name, "12.4"]];
        case "heading":
          return [[name, "181"]];
        case "coordinate":
          return [[name, "5.1234567"]];
        default:
          return [
            [name, "35"],
            [wordName(field.key), field.plus],
          ];
      }
    }),
  );
}

const typed = allJobs()
  .filter(({ fields }) => fields.length > 0)
  .map(({ key }) => key);

describe("an observation of every kind", () => {
  it.each(typed)("%s is read where every field is filled, and kept as it was typed", (kind) => {
    const fields = filled(kind);
    const answer = read(kind, fields);
    expect(answer).toMatchObject({ ok: true });
    if (!answer.ok) return;
    for (const { key } of jobKind(kind).fields) expect(answer.texts[key]).toContain(fields[textName(key)]);
  });

  it.each(typed)("%s names every field that is wanting, and only those", (kind) => {
    const wanting = Object.keys(problems(kind, {}));
    const must = jobKind(kind)
      .fields.filter(({ optional }) => !optional)
      .map(({ key }) => textName(key));
    expect(wanting.sort()).toEqual(must.sort());
  });

  it.each(typed)("%s takes nonsense in no field", (kind) => {
    for (const { key } of jobKind(kind).fields) {
      const name = textName(key);
      expect(problems(kind, { ...filled(kind), [name]: "??" }), key).toHaveProperty([name]);
    }
  });
});

describe("figures on the ground", () => {
  it("are millimetres or inches with a word, before or beside it, or a sign in its place", () => {
    const joint = (text: string, word = "", styles = METRIC) => {
      const fields = { ...filled("joints"), [textName("joint")]: text, [wordName("joint")]: word };
      const answer = read("joints", fields, styles);
      return answer.ok ? answer.values.joint : answer.errors[textName("joint")];
    };
    expect(joint("35", "gap")).toBeCloseTo(0.035, 9);
    expect(joint("35", "overlap")).toBeCloseTo(-0.035, 9);
    expect(joint("3.5 cm overlap")).toBeCloseTo(-0.035, 9);
    expect(joint("-35")).toBeCloseTo(-0.035, 9);
    expect(joint("0")).toBe(0);
    expect(joint("1 1/2", "gap", US)).toBeCloseTo(0.0381, 9);
    expect(joint("35")).toBe("Say which: gap or overlap.");
    expect(joint("-35", "gap")).toContain("a sign and a side word");
  });

  it("are distances of more than nothing", () => {
    const distance = (text: string, styles = METRIC) => {
      const answer = read("cross-tape", { ...filled("cross-tape"), [textName("distance")]: text }, styles);
      return answer.ok ? answer.values.distance : answer.errors[textName("distance")];
    };
    expect(distance("5.27")).toBeCloseTo(5.27, 9);
    expect(distance("17' 3 1/2\"", US)).toBeCloseTo(5.2705, 4);
    expect(distance("0")).toBe("It is a distance, more than nothing.");
  });

  it("lie between two points that are there, and not the same", () => {
    const at = (from: string, to: string) =>
      problems("cross-tape", { ...filled("cross-tape"), [textName("from")]: from, [textName("to")]: to });
    expect(at("pin", "leftEdge")).toEqual({});
    expect(at("moon", "pin")).toEqual({ [textName("from")]: "Choose a point." });
    expect(at("pin", "pin")).toEqual({ [textName("to")]: "That is the same point: choose another." });
  });
});

describe("coordinates and headings", () => {
  const coordinate = (text: string) =>
    problems("wheel-coordinates", { ...filled("wheel-coordinates"), [textName("latitude1")]: text })[
      textName("latitude1")
    ];
  const heading = (text: string) =>
    problems("wheel-coordinates", { ...filled("wheel-coordinates"), [textName("heading")]: text })[
      textName("heading")
    ];

  it("are decimal degrees, with a comma or a point, of seven decimals or more, and on the globe", () => {
    for (const good of ["55.1234567", "55,1234567", "-12.0000001", "−12.0000001", "55.12345678 °"])
      expect(coordinate(good), good).toBeUndefined();
    expect(coordinate("55.123456")).toContain("6 resolve no more than a metre");
    expect(coordinate("55")).toContain("0 resolve");
    expect(coordinate("91.1234567")).toBe("No more than 90°.");
    expect(coordinate("55° 7' 24\"")).toContain("Decimal degrees");
  });

  it("are headings to whole degrees as well, once round and no further", () => {
    for (const good of ["0", "181", "359.5", "360"]) expect(heading(good), good).toBeUndefined();
    expect(heading("361")).toBe("No more than 360°.");
    expect(heading("north")).toContain("Decimal degrees");
  });

  it("are kept in radians", () => {
    const answer = read("wheel-coordinates", { ...filled("wheel-coordinates"), [textName("heading")]: "90" });
    expect(answer.ok && answer.values.heading).toBeCloseTo(Math.PI / 2, 12);
  });
});

describe("the units a form was typed in", () => {
  it("come with it, and are refused where there is no such unit", () => {
    for (const styles of [METRIC, US]) expect(stylesIn(stylesText(styles))).toEqual(styles);
    for (const text of ["", "m,mm", "m,mm,knots", "yd,mm,km/h", "m,mm,constructor"])
      expect(stylesIn(text), text).toBeNull();
  });
});
