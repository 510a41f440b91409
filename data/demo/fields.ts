/** The demo yard's clients, farms and fields: shapes of our own, in metres east and north of a place in the plain. */
import { degreesOf, placeAt } from "../../core/geodesy/degrees.ts";
import { unflatten } from "../../core/geodesy/flat.ts";
import type { Geographic } from "../../core/geodesy/plane.ts";
import type { LineShape } from "../../core/place/line.ts";
import { keepBaseShift } from "../base.ts";
import type { Database } from "../handle.ts";
import { keepLine, keepShift } from "../lines.ts";
import { addField, farmsOf, keepBoundary, listFields } from "../places.ts";
import type { BoundarySource } from "../schema/index.ts";
import { keepVarietyMap } from "../variety-maps.ts";
import { cropNamed } from "../work.ts";
import { BY } from "./told.ts";

const PLAIN = placeAt(52.61, 11.37);

/** To the nine decimals it is kept with. */
function place(east: number, north: number): Geographic {
  const { latitude, longitude } = unflatten(PLAIN, { east, north });
  return placeAt(degreesOf(latitude), degreesOf(longitude));
}

type Corners = readonly (readonly [east: number, north: number])[];
const ring = (corners: Corners) => corners.map(([east, north]) => place(east, north));

type DemoField = {
  client: string;
  farm: string;
  name: string;
  /** null: nobody told where it ends */
  outer: Corners | null;
  holes?: readonly Corners[];
  more?: readonly Corners[];
  source?: BoundarySource;
  note?: string;
  /** zones of varieties of a crop */
  map?: { crop: string; fileName: string; zones: readonly { variety: string; outer: Corners }[] };
  lines?: readonly {
    name: string;
    shape: LineShape;
    shifts?: readonly { amount: number; reason: string; at: string }[];
  }[];
};

const ab = (a: readonly [number, number], b: readonly [number, number]): LineShape => ({
  kind: "ab",
  a: place(...a),
  b: place(...b),
});

/** As it was driven along the brook once, a place every ten metres. */
const BROOK: LineShape = {
  kind: "curve",
  points: Array.from({ length: 75 }, (_, at) => {
    const east = -1370 + 10 * at;
    const bend = 38 * Math.sin((2 * Math.PI * (east + 1130)) / 460 - Math.PI / 2);
    return place(east, -178 - 0.093 * (east + 1400) + bend);
  }),
};

const HOLLIN = { client: "Hollin & Daughters", farm: "Hollin Court" };
const QUADE = { client: "Quade Estate", farm: "Home Farm" };
const NETHER = { client: "Quade Estate", farm: "Nether Quade" };
const BRUNE = { client: "Brune Dairy", farm: "Brune" };

const FIELDS: readonly DemoField[] = [
  {
    ...HOLLIN,
    name: "Long Acre",
    outer: [
      [-1480, 260],
      [-720, 330],
      [-690, 640],
      [-880, 655],
      [-1040, 690],
      [-1500, 610],
    ],
    source: "log",
    note: "long-acre-round.nmea. Half the drill outside the way driven",
    lines: [
      {
        name: "Long side",
        shape: ab([-1480, 262], [-720, 332]),
        shifts: [
          { amount: 0.04, reason: "Drift since the morning", at: "2026-03-24T11:20:00.000Z" },
          { amount: -0.06, reason: "On the old wheelings", at: "2026-04-09T08:05:00.000Z" },
        ],
      },
    ],
  },
  {
    ...HOLLIN,
    name: "Mill Acre",
    outer: [
      [-640, 340],
      [-180, 380],
      [-140, 700],
      [-330, 770],
      [-640, 660],
    ],
    holes: [
      [
        [-420, 520],
        [-385, 515],
        [-375, 550],
        [-410, 562],
      ],
    ],
    lines: [
      { name: "East–west", shape: { kind: "heading", a: place(-640, 342), heading: (85 * Math.PI) / 180 } },
    ],
  },
  {
    ...HOLLIN,
    name: "Church Piece",
    outer: [
      [-1510, 660],
      [-1050, 735],
      [-900, 705],
      [-870, 900],
      [-1120, 1010],
      [-1530, 950],
    ],
  },
  {
    ...HOLLIN,
    name: "Dovecote",
    outer: [
      [-830, 690],
      [-640, 700],
      [-380, 800],
      [-420, 980],
      [-820, 910],
    ],
  },
  {
    ...QUADE,
    name: "Quarry Piece",
    outer: [
      [120, 420],
      [700, 470],
      [760, 640],
      [640, 700],
      [660, 900],
      [160, 840],
    ],
    holes: [
      [
        [430, 590],
        [500, 580],
        [520, 650],
        [460, 680],
        [420, 640],
      ],
    ],
    source: "file",
    note: "estate-2025.geojson",
  },
  {
    ...QUADE,
    name: "Far Fifty",
    outer: [
      [820, 480],
      [1540, 540],
      [1600, 980],
      [1350, 1060],
      [1330, 1290],
      [720, 1210],
      [700, 910],
      [800, 690],
    ],
    source: "file",
    note: "estate-2025.geojson",
    lines: [
      { name: "Tramline", shape: ab([826, 480], [720, 1210]) },
      { name: "Pivot", shape: { kind: "circle", centre: place(1110, 840), radius: 180 } },
    ],
  },
  {
    ...QUADE,
    name: "Park Side",
    outer: [
      [180, 890],
      [640, 940],
      [650, 1200],
      [400, 1290],
      [170, 1160],
    ],
  },
  {
    ...NETHER,
    name: "The Wedge",
    outer: [
      [260, -520],
      [1180, -330],
      [1150, -160],
      [240, -190],
    ],
    map: {
      crop: "Grain maize",
      fileName: "wedge-maize.geojson",
      zones: [
        {
          variety: "Torvi",
          outer: [
            [230, -540],
            [720, -440],
            [720, -150],
            [230, -170],
          ],
        },
        {
          variety: "Brenka",
          outer: [
            [720, -440],
            [1200, -340],
            [1170, -130],
            [720, -150],
          ],
        },
      ],
    },
    lines: [{ name: "North edge", shape: ab([242, -192], [1148, -162]) }],
  },
  {
    ...NETHER,
    name: "Two Oaks",
    outer: [
      [-20, -470],
      [200, -500],
      [190, -180],
      [-40, -150],
    ],
    more: [
      [
        [-330, -460],
        [-70, -468],
        [-85, -240],
        [-320, -210],
      ],
    ],
  },
  {
    ...BRUNE,
    name: "Brook Meadow",
    outer: [
      [-1400, -160],
      [-1130, -250],
      [-900, -190],
      [-640, -300],
      [-560, -60],
      [-760, 40],
      [-1010, 10],
      [-1260, 80],
    ],
    lines: [{ name: "Brook side", shape: BROOK }],
  },
  {
    ...BRUNE,
    name: "Calf Paddock",
    outer: [
      [-530, -40],
      [-400, -90],
      [-330, 60],
      [-470, 130],
    ],
  },
  { ...BRUNE, name: "Sand Pit", outer: null },
];

/** Plants them all, where they are not there yet; returns their numbers by name. */
export function plantFields(db: Database): Map<string, number> {
  const there = listFields(db);
  if (there.length > 0) return new Map(there.map(({ id, name }) => [name, id]));
  return new Map(
    FIELDS.map(
      ({
        client,
        farm,
        name,
        outer,
        holes = [],
        more = [],
        source = "coordinates",
        note = "",
        lines = [],
        map,
      }) => {
        const id = addField(db, { client, farm, name }, BY);
        if (outer)
          keepBoundary(
            db,
            {
              fieldId: id,
              boundary: [
                { outer: ring(outer), holes: holes.map(ring) },
                ...more.map((each) => ({ outer: ring(each), holes: [] })),
              ],
              source,
              note,
            },
            BY,
          );
        for (const { name: line, shape, shifts = [] } of lines) {
          const lineId = keepLine(db, { fieldId: id, name: line, shape }, BY);
          for (const { amount, reason, at } of shifts)
            keepShift(db, lineId, { amount, reason }, { person: BY.person, at: new Date(at) });
        }
        if (map)
          keepVarietyMap(
            db,
            {
              fieldId: id,
              cropId: cropNamed(db, map.crop, BY),
              fileName: map.fileName,
              zones: map.zones.map((zone) => ({
                variety: zone.variety,
                boundary: [{ outer: ring(zone.outer), holes: [] }],
              })),
            },
            BY,
          );
        return [name, id] as const;
      },
    ),
  );
}

/** The base on the estate's grain store was knocked and put back: two days of work lie off by it. */
export function plantBase(db: Database): void {
  const [mark, shown] = [place(410.32, 377.18), place(410.47, 377.05)];
  keepBaseShift(
    db,
    {
      base: "Grain store",
      farmId: farmsOf(db).find(({ name }) => name.startsWith(QUADE.farm))!.id,
      since: "2026-03-11T06:00:00.000Z",
      until: "2026-03-13T09:30:00.000Z",
      mark,
      shown,
    },
    { person: "Ilse Marrin", at: new Date("2026-03-13T10:00:00.000Z") },
  );
}
