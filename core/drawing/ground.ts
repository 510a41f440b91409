/**
 * Ground as it is worked, pixel by pixel: what the map has on the left of a seam, what is so on its right. Told apart by light and pattern before
 * colour: bare, worked once, worked twice, worked beside the field.
 */
import { fillRing, fillRings, movedTo, type Raster, rasterOver, type Spot } from "../coverage/raster.ts";

/** What of the ground is seen: its middle, metres a pixel, pixels. */
export type GroundView = { east: number; north: number; metres: number; width: number; height: number };

export type Layer = "believed" | "truth";
const LAYERS: readonly Layer[] = ["believed", "truth"];

/** Pieces worked, by the row of the record they end at. */
export type Worked = Readonly<Record<Layer, readonly (readonly (readonly Spot[])[])[]>>;

export type Screen = {
  view: GroundView;
  field: Raster;
  layers: Record<Layer, Raster>;
  /** rows of the record that are drawn */
  upto: number;
};

/** An empty one. */
export function screenOf(view: GroundView, field: readonly (readonly Spot[])[]): Screen {
  const { east, north, metres, width, height } = view;
  const box = {
    left: east - (width * metres) / 2,
    right: east + (width * metres) / 2,
    bottom: north - (height * metres) / 2,
    top: north + (height * metres) / 2,
  };
  const ground = rasterOver(box, metres);
  fillRings(ground, field);
  return {
    view,
    field: ground,
    layers: { believed: rasterOver(box, metres), truth: rasterOver(box, metres) },
    upto: 0,
  };
}

/** Brings it to a row of the record; goes back by beginning anew. */
export function drawTo(screen: Screen, worked: Worked, row: number): void {
  if (row < screen.upto) {
    for (const layer of LAYERS) movedTo(screen.layers[layer], screen.layers[layer].bottom);
    screen.upto = 0;
  }
  for (const layer of LAYERS)
    for (let at = screen.upto; at < row; at += 1)
      for (const piece of worked[layer][at]!) fillRing(screen.layers[layer], piece);
  screen.upto = row;
}

/** Colours as a canvas has them in memory: alpha, blue, green, red from the high byte down. */
export type GroundColours = {
  /** of each layer: worked once, the line of its hatch, and twice */
  layers: Readonly<Record<Layer, { once: number; hatch: number; twice: number }>>;
  /** field that nobody worked, and what was worked beside it */
  bare: number;
  beside: number;
};

/** A colour of the page as it lies in memory. @throws RangeError where it is none of the form #rrggbb */
export function inMemory(hex: string): number {
  const found = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(hex.trim());
  if (!found) throw new RangeError(`${hex} is no colour`);
  const [red, green, blue] = found.slice(1).map((each) => Number.parseInt(each!, 16));
  return ((255 << 24) | (blue! << 16) | (green! << 8) | red!) >>> 0;
}

/** One colour over another, a share of it. */
export function washed(over: number, under: number, share: number): number {
  const channel = (shift: number) =>
    Math.round(((over >>> shift) & 255) * share + ((under >>> shift) & 255) * (1 - share)) << shift;
  return ((255 << 24) | channel(16) | channel(8) | channel(0)) >>> 0;
}

/**
 * Pixels of the whole view, top row first; `seam`: the layers meet at so many pixels from the left. Hatches run down to the right on the map, up on what is
 * so; twice is chequered. `grain`: pixels of the pattern for each of its own.
 */
export function groundPixels(
  { field, layers, view }: Screen,
  seam: number,
  colours: GroundColours,
  grain: number,
  out: Uint32Array,
): void {
  const { width, height } = view;
  const paint = (layer: Layer, from: number, to: number) => {
    const raster = layers[layer];
    const { once, hatch, twice } = colours.layers[layer];
    const turn = layer === "believed" ? 1 : -1;
    for (let y = 0; y < height; y += 1) {
      const row = (height - 1 - y) * raster.words;
      for (let x = from; x < to; x += 1) {
        const word = row + (x >> 5);
        const bit = 1 << (x & 31);
        const inField = (field.once[word]! & bit) !== 0;
        let colour = inField ? colours.bare : 0;
        if ((raster.once[word]! & bit) !== 0) {
          const [px, py] = [(x / grain) | 0, (y / grain) | 0];
          if ((raster.twice[word]! & bit) !== 0) colour = (((px >> 1) + (py >> 1)) & 1) === 0 ? twice : hatch;
          else if (!inField) colour = ((px + py) & 3) < 2 ? colours.beside : once;
          else colour = ((px + turn * py) & 7) === 0 ? hatch : once;
        }
        out[y * width + x] = colour;
      }
    }
  };
  const at = Math.max(0, Math.min(width, Math.round(seam)));
  paint("believed", 0, at);
  paint("truth", at, width);
}
