/** Fields for property tests of formats. */
import fc from "fast-check";
import { placeAt, radiansOf } from "../core/geodesy/degrees.ts";
import { unflatten } from "../core/geodesy/flat.ts";
import type { PlaceGiven } from "../core/place/given.ts";

const name = fc
  .string({ minLength: 1, maxLength: 12 })
  .filter((text) => /^\S(.*\S)?$/.test(text) && !/\p{C}|\s\s/u.test(text) && text === text.normalize("NFC"));
const degrees = (most: number) => fc.integer({ min: -most * 1e9, max: most * 1e9 }).map((each) => each / 1e9);
const middle = fc.record({ latitude: degrees(60), longitude: degrees(179) });

/** A convex field round a middle, its corners to nine decimals, perhaps with a hole. */
export const anyPlace: fc.Arbitrary<Omit<PlaceGiven, "problem">> = fc
  .record({
    client: name,
    farm: name,
    field: name,
    at: middle,
    radii: fc.array(fc.double({ min: 200, max: 400, noNaN: true }), { minLength: 3, maxLength: 9 }),
    holed: fc.boolean(),
    heading: degrees(180).filter((each) => each > 0),
    radius: fc.double({ min: 1, max: 900, noNaN: true }),
  })
  .map(({ client, farm, field, at, radii, holed, heading, radius }) => {
    const around = (share: number) =>
      radii.map((distance, step) => {
        const turn = (2 * Math.PI * step) / radii.length;
        const { latitude, longitude } = unflatten(placeAt(at.latitude, at.longitude), {
          east: share * distance * Math.cos(turn),
          north: share * distance * Math.sin(turn),
        });
        // Plus nothing: a minus zero is a zero once it was written.
        const to9 = (radians: number) => Math.round((radians / radiansOf(1)) * 1e9) / 1e9 + 0;
        return placeAt(to9(latitude), to9(longitude));
      });
    const [a, b, c] = around(1);
    return {
      client,
      farm,
      field,
      boundary: [{ outer: around(1), holes: holed ? [around(0.2).reverse()] : [] }],
      lines: [
        { name: "straight", shape: { kind: "ab" as const, a: a!, b: b! } },
        { name: "by heading", shape: { kind: "heading" as const, a: a!, heading: radiansOf(heading) } },
        { name: "driven", shape: { kind: "curve" as const, points: [a!, b!, c!] } },
        { name: "pivot", shape: { kind: "circle" as const, centre: a!, radius } },
      ],
    };
  });
