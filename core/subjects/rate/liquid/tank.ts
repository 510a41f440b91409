/** How often one fills for a field, how much the last time, and where along the passes it runs dry. */

export type TankAsked = {
  /** m² */
  area: number;
  /** m³/m² */
  rate: number;
  /** what it holds, and what the pump cannot draw of it, m³ */
  tank: number;
  rest: number;
  /** width of a pass, and its length, metres; null where nobody told the length */
  width: number;
  pass: number | null;
  /** refilled where one can drive: at one headland or both */
  refill: "one end" | "both ends";
};

export type Fill = {
  /** from 1 */
  number: number;
  /** put in, m³: what the last one left in the tank stays there */
  volume: number;
  /** what is in the tank then, m³ */
  inTank: number;
  /** m² sprayed with it */
  area: number;
  /** metres driven with it */
  metres: number;
  /** passes done when it is empty, of the whole field; null without a length */
  passes: number | null;
};

export type TankPlan = {
  fills: readonly Fill[];
  /** m² and metres of a full tank */
  full: { area: number; metres: number };
  /** mixed in all, m³: with what the pump cannot draw */
  mixed: number;
  /** m³ left over in the tank at the end: what the pump cannot draw */
  left: number;
  /** whole passes to drive on one tank before turning to refill; null without a length */
  passesATank: number | null;
};

/**
 * Plans fills. With a length of pass a tank ends where one can drive: after as many whole passes as it lasts, even ones where it is filled at
 * one end only; a tank that does not last for that is filled anywhere, and `passesATank` is 0.
 * @throws RangeError where the rate, the width or what can be sprayed of a tank is nothing
 */
export function planTank({ area, rate, tank, rest, width, pass, refill }: TankAsked): TankPlan {
  const sprayable = tank - rest;
  if (!(rate > 0 && width > 0 && sprayable > 0 && area > 0)) throw new RangeError("nothing to plan");
  const full = { area: sprayable / rate, metres: sprayable / (rate * width) };
  const passesATank = pass === null ? null : wholePasses(full.metres / pass, refill);
  const step = passesATank ? Math.min(full.area, passesATank * pass! * width) : full.area;
  const count = Math.ceil(area / step - 1e-9);
  const fills = Array.from({ length: count }, (_, at): Fill => {
    const done = Math.min(area, (at + 1) * step);
    const own = done - at * step;
    const sprayed = own * rate;
    return {
      number: at + 1,
      volume: sprayed + (at === 0 ? rest : 0),
      inTank: sprayed + rest,
      area: own,
      metres: own / width,
      passes: pass === null ? null : done / (pass * width),
    };
  });
  return { fills, full, mixed: area * rate + rest, left: rest, passesATank };
}

/** One end: out and back. */
function wholePasses(lasts: number, refill: TankAsked["refill"]): number {
  const whole = Math.floor(lasts + 1e-9);
  return refill === "one end" ? whole - (whole % 2) : whole;
}

/** Product in one fill: dose (kg or m³ for each m²) × the area sprayed with what is in the tank, what the pump cannot draw with it. */
export function productIn({ inTank }: Pick<Fill, "inTank">, dose: number, rate: number): number {
  return (dose * inTank) / rate;
}
