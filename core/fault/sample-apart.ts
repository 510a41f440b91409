/**
 * A rig driven by rules of its own, written apart from the world's: no Runge-Kutta, no controller, no rasters. The pin is carried along the line in millimetres, the
 * tool is dragged after it, orders are counted in ticks. For tests: joints and marks it finds have to be those the world finds.
 */
import { type Hidden, setupOf } from "./hidden.ts";
import type { Ground } from "./observe.ts";
import type { Setup } from "./setup.ts";

const TICK = 0.002;

type Line = { across: number; way: 1 | -1 };

/** One straight pass of 40 m, driven after a lead of 60 m: where the tool runs across, and where its work begins and ends along. */
function pass(setup: Setup, { across, way }: Line, speed: number) {
  // What the terminal takes for the middle of the work lies on the line: the antenna is where that puts it.
  const antenna = across - way * (setup.tool.told - setup.antenna.told);
  const machine = antenna - way * setup.antenna.is;
  const bar = Math.max(0.6, -setup.length.is - 2.9);
  // The pin goes along; the tool begins askew, as out of a turn, and is dragged after it.
  let tool = { across: machine + 0.4, along: -60 - bar };
  let began: number | null = null;
  let ended: number | null = null;
  const orders: { at: number; open: boolean }[] = [];
  const asked = { on: false, off: false };
  let [open, seconds] = [false, 0];
  for (let along = -60; along < 60; along += speed * TICK, seconds += TICK) {
    const far = Math.hypot(machine - tool.across, along - tool.along);
    const by = (far - bar) / far;
    tool = {
      across: tool.across + by * (machine - tool.across),
      along: tool.along + by * (along - tool.along),
    };
    const antennaAlong = along + 2.9;
    const believed = antennaAlong + setup.length.told;
    const real = antennaAlong + setup.length.is;
    if (!asked.on && believed + speed * setup.on.told >= 0) {
      asked.on = true;
      orders.push({ at: seconds + setup.on.is, open: true });
    }
    if (!asked.off && believed + speed * setup.off.told >= 40) {
      asked.off = true;
      orders.push({ at: seconds + setup.off.is, open: false });
    }
    for (const order of orders.filter(({ at }) => at <= seconds)) {
      if (order.open && !open && began === null) began = real;
      if (!order.open && open) ended = real;
      open = order.open;
      orders.splice(orders.indexOf(order), 1);
    }
  }
  // Straight behind by now: its heading tells where the middle of the work lies.
  const heading = Math.atan2(machine - tool.across, bar);
  const middle = tool.across + way * setup.tool.is * Math.cos(heading);
  return {
    left: middle - setup.width.is / 2,
    right: middle + setup.width.is / 2,
    on: began ?? 0,
    off: (ended ?? 40) - 40,
  };
}

/** What the world's `groundOf` tells, found that other way. */
export function groundApart(hidden: Hidden): Ground {
  const setup = setupOf(hidden);
  const { speed } = hidden.card;
  const lines: Line[] = [0, 1, 2].map((at) => ({ across: at * setup.spacing, way: at % 2 === 0 ? 1 : -1 }));
  const [up, down, again] = lines.map((line) => pass(setup, line, speed));
  const half = pass(setup, lines[0]!, speed / 2);
  return {
    joints: { up: down!.left - up!.right, down: again!.left - down!.right },
    past: { on: { whole: up!.on, half: half.on }, off: { whole: up!.off, half: half.off } },
  };
}
