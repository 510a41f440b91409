/** A new rig as it is put together: one row a tool, each on a point of what is ahead of it. Used in the browser and on the server. */
import { ATTACHMENTS } from "../../core/dimension/attachment.ts";
import type { Point } from "../../data/machines.ts";
import type { Machine, NewCoupling } from "../../data/rigs.ts";

export const MOST_TOOLS = 4;

export type ToolRow = { implementId: number; pointId: number };
export type Yard = { machines: readonly Machine[]; points: readonly Point[] };

export const writeTools = (rows: readonly ToolRow[]) =>
  rows.map(({ implementId, pointId }) => `${implementId}:${pointId}`).join(",");

export function readTools(text: string): ToolRow[] {
  return text.split(",").map((row) => {
    const [implementId, pointId] = row.split(":").map(Number) as [number, number];
    return { implementId, pointId };
  });
}

/** Where the tool of row `index` can hang: free points of its kind on the machine that drives and on the tools ahead of it. */
export function placesFor(
  { machines, points }: Yard,
  tractorId: number,
  rows: readonly ToolRow[],
  index: number,
): (Point & { on: Machine })[] {
  const row = rows[index]!;
  const tool = machines.find(({ id }) => id === row.implementId);
  if (tool?.kind !== "implement") return [];
  const kinds: readonly string[] = ATTACHMENTS[tool.attachment].hitches;
  const ahead = rows.slice(0, index);
  const carriers = [tractorId, ...ahead.map(({ implementId }) => implementId)];
  return points
    .filter(
      ({ id, machineId, kind }) =>
        kinds.includes(kind) &&
        carriers.includes(machineId) &&
        machineId !== tool.id &&
        !ahead.some(({ pointId }) => pointId === id),
    )
    .map((point) => ({ ...point, on: machines.find(({ id }) => id === point.machineId)! }))
    .filter(({ on }) => on !== undefined);
}

/** A train is no longer than three implements. */
const DEEPEST = 3;

/** How many implements there are from the machine that drives to this one. */
function depthOf({ points }: Yard, rows: readonly ToolRow[], index: number): number {
  const carrier = points.find(({ id }) => id === rows[index]!.pointId)?.machineId;
  const behind = rows.slice(0, index).findIndex(({ implementId }) => implementId === carrier);
  return behind < 0 ? 1 : 1 + depthOf({ points, machines: [] }, rows, behind);
}

/** What is wrong with one tool; null where nothing is. */
export function toolProblem(
  yard: Yard,
  tractorId: number,
  rows: readonly ToolRow[],
  index: number,
): string | null {
  const row = rows[index]!;
  const tool = yard.machines.find(({ id, kind }) => id === row.implementId && kind === "implement");
  if (!tool) return "Choose the implement.";
  const name = `${tool.make} ${tool.model}`;
  if (rows.findIndex(({ implementId }) => implementId === tool.id) < index)
    return `${name} is coupled twice.`;
  const places = placesFor(yard, tractorId, rows, index);
  if (depthOf(yard, rows, index) > DEEPEST)
    return `The ${name} hangs behind three implements: no train is that long.`;
  if (places.some(({ id }) => id === row.pointId)) return null;
  if (places.length > 0) return `Choose what the ${name} hangs on.`;
  const kinds = ATTACHMENTS[tool.attachment].hitches.join(" or ");
  return `Nothing ahead of the ${name} has a free ${kinds}. Add one on the page of that machine, or take another tool.`;
}

/** The first problem of the rows, told by which tool it is. */
export function toolsProblem(yard: Yard, tractorId: number, rows: readonly ToolRow[]): string | null {
  for (const index of rows.keys()) {
    const problem = toolProblem(yard, tractorId, rows, index);
    if (problem) return rows.length > 1 ? `Tool ${index + 1}: ${problem}` : problem;
  }
  return null;
}

/** Rows without a problem, as they are stored. */
export function couplingsOf({ points }: Yard, tractorId: number, rows: readonly ToolRow[]): NewCoupling[] {
  return rows.map(({ implementId, pointId }) => {
    const carrier = points.find(({ id }) => id === pointId)!.machineId;
    const behind = rows.findIndex((row) => row.implementId === carrier);
    return { implementId, pointId, behind: carrier === tractorId ? null : behind };
  });
}

/** Whether a machine that drives has a place for an implement, with nothing else on it. */
const canCarry = (yard: Yard, driver: Machine, { id }: Machine): boolean =>
  placesFor(yard, driver.id, [{ implementId: id, pointId: 0 }], 0).length > 0;

/** The machines that drive and could carry this implement. */
export function carriersOf(yard: Yard, implement: Machine): Machine[] {
  return yard.machines.filter((each) => each.kind !== "implement" && canCarry(yard, each, implement));
}

/** The implements that have a place on this machine. */
export function carriedBy(yard: Yard, driver: Machine): Machine[] {
  return yard.machines.filter((each) => each.kind === "implement" && canCarry(yard, driver, each));
}
