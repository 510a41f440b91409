/** Tyre tables of the demo yard: sizes there are, figures made up. Speeds in km/h, pressures in bar, kg on one tyre. */
import type { TyreCell } from "../../formats/csv/tyre-table.ts";

export type DemoTyre = { label: string; source: string; cells: TyreCell[] };

const SPEEDS = [10, 30, 40, 50];

function table(label: string, rows: Record<string, (number | null)[]>): DemoTyre {
  const cells = Object.entries(rows).flatMap(([bar, loads]) =>
    loads.flatMap((load, at) =>
      load === null ? [] : [{ speed: SPEEDS[at]! / 3.6, pressure: Number(bar) * 1e5, load }],
    ),
  );
  return { label, source: "made-up figures of the demo yard", cells };
}

export const FRONT = table("420/70 R24", {
  0.6: [1180, 950, 870, null],
  0.8: [1400, 1130, 1040, 960],
  1: [1610, 1300, 1200, 1110],
  1.2: [1820, 1470, 1350, 1250],
  1.6: [2220, 1790, 1650, 1530],
  2: [2590, 2090, 1930, 1790],
});

export const WIDE_FRONT = table("480/65 R28", {
  0.6: [1450, 1170, 1080, null],
  0.8: [1720, 1390, 1280, 1180],
  1: [1990, 1600, 1480, 1370],
  1.2: [2240, 1810, 1670, 1540],
  1.6: [2740, 2210, 2040, 1890],
  2: [3210, 2590, 2390, 2210],
});

export const REAR = table("520/70 R38", {
  0.6: [1950, 1570, 1450, null],
  0.8: [2310, 1860, 1720, 1585],
  1: [2660, 2150, 1980, 1840],
  1.2: [3010, 2430, 2240, 2080],
  1.6: [3670, 2960, 2730, 2530],
  2: [4280, 3450, 3180, 2950],
});

export const BROAD_REAR = table("650/65 R42", {
  0.6: [2740, 2210, 2040, 1880],
  0.8: [3230, 2610, 2410, 2220],
  1: [3720, 3000, 2770, 2570],
  1.2: [4200, 3390, 3130, 2900],
  1.6: [5120, 4130, 3810, 3530],
  2: [5970, 4820, 4440, 4120],
});

/** Two of them a side on a jointed tractor. */
export const DUAL = table("710/70 R42", {
  0.6: [3120, 2520, 2320, 2150],
  0.8: [3700, 2980, 2750, 2550],
  1: [4260, 3440, 3170, 2940],
  1.2: [4810, 3880, 3580, 3320],
  1.6: [5860, 4730, 4360, 4040],
});

export const CART = table("500/50-17", {
  1: [1780, 1430, null, null],
  1.5: [2340, 1890, 1700, null],
  2: [2850, 2300, 2070, null],
  2.5: [3320, 2680, 2410, null],
  3: [3760, 3040, 2730, null],
});

export const SPRAYER_WHEEL = table("380/90 R46", {
  1.6: [2950, 2380, 2190, 2040],
  2: [3370, 2720, 2500, 2330],
  2.4: [3790, 3060, 2810, 2620],
  3: [4410, 3560, 3270, 3050],
  3.6: [5030, 4060, 3730, 3480],
});

export const DRIVE_WHEEL = table("800/70 R38", {
  1.2: [6530, 5270, null, null],
  1.6: [7960, 6420, null, null],
  2: [9300, 7490, null, null],
  2.4: [10560, 8510, null, null],
});
