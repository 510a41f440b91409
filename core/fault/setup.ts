/**
 * A rig at work, as far as faults show on it: what is so, and what the terminal was told. Metres, seconds, shares; right and ahead positive. A
 * fault puts some of it wrong; a measurement reads some of it.
 */

/** What a figure really is, and what was told of it; the same where nothing is wrong. */
export type Told = { is: number; told: number };

export type Setup = {
  /** antenna right of the machine's middle, work right of it, work ahead of the antenna */
  antenna: Told;
  tool: Told;
  length: Told;
  width: Told;
  /** from pass to pass, as the line has it */
  spacing: number;
  on: Told;
  off: Told;
  /** speed shown ÷ driven, product caught ÷ set */
  speed: number;
  dose: number;
  /** set rate ÷ wanted */
  rate: number;
  /** seed roll by its grains for each turn ÷ the one it was told */
  roll: number;
  /** working depth left and right, and what presses on the ground beyond what is needed: shares of what is wanted */
  left: number;
  right: number;
  pressed: number;
  /** row spacing, and that of the camera's profile */
  rows: Told;
  /** width the machine took the head for ÷ its own */
  head: number;
  /** 1 where it is so, 0 where not */
  lockedOut: number;
  tapOpen: number;
  /** what went on first: 1 current before the shaft */
  currentFirst: number;
  /** the record lies on another field */
  elsewhere: number;
};

/** What a setup is on its card: of a tool with rows, drawn. */
export type Card = {
  antenna: number;
  tool: number;
  length: number;
  width: number;
  row: number;
  on: number;
  off: number;
  /** metres a second at work */
  speed: number;
};

/** All as it should be. */
export function rightSetup({ antenna, tool, length, width, row, on, off }: Card): Setup {
  const both = (value: number): Told => ({ is: value, told: value });
  return {
    antenna: both(antenna),
    tool: both(tool),
    length: both(length),
    width: both(width),
    spacing: width,
    on: both(on),
    off: both(off),
    speed: 1,
    dose: 1,
    rate: 1,
    roll: 1,
    left: 1,
    right: 1,
    pressed: 1,
    rows: both(row),
    head: 1,
    lockedOut: 0,
    tapOpen: 0,
    currentFirst: 0,
    elsewhere: 0,
  };
}

/** How far the work lies right of where the terminal has it, from the antenna to the work. */
export const asideOf = ({ antenna, tool }: Setup): number =>
  tool.is - antenna.is - (tool.told - antenna.told);
