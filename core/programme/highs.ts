/** HiGHS, a published solver of linear and mixed-integer programmes, behind the shape of mixed.ts. */
import type loadHighs from "highs";
import type { Mixed, MixedAnswer, MixedLimits, MixedSolver } from "./mixed.ts";

export type Highs = Awaited<ReturnType<typeof loadHighs>>;

/** Rows as a sparse matrix, row by row. */
function matrixOf({ rows, cost }: Mixed) {
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const { at, by } of rows) {
    indices.push(...at);
    values.push(...by);
    starts.push(indices.length);
  }
  return { format: "csr" as const, numRows: rows.length, numCols: cost.length, starts, indices, values };
}

/** A solver of it by HiGHS as it was loaded. What it is given to start with is only used where it meets the rows. */
export const solverBy =
  (highs: Highs): MixedSolver =>
  (mixed, limits) =>
    highs.withModel(
      {
        numCols: mixed.cost.length,
        numRows: mixed.rows.length,
        colCost: mixed.cost,
        colLower: mixed.low,
        colUpper: mixed.high,
        rowLower: mixed.rows.map(({ low }) => low),
        rowUpper: mixed.rows.map(({ high }) => high),
        matrix: matrixOf(mixed),
        integrality: mixed.whole.map((each) => (each ? 1 : 0)),
      } as never,
      (model) => answerOf(highs, model, mixed, limits),
    );

type Model = Parameters<Parameters<Highs["withModel"]>[1]>[0];

function answerOf(highs: Highs, model: Model, mixed: Mixed, limits: MixedLimits): MixedAnswer {
  model.options.set({ output_flag: false, time_limit: limits.seconds, mip_rel_gap: 1e-8 });
  if (limits.start) model.setSolution({ colValue: [...limits.start] });
  const { onProgress } = limits;
  model.run(
    onProgress
      ? {
          [highs.constants.callbackType.mipInterrupt]: ({ data }) => {
            onProgress({
              seconds: data.running_time ?? 0,
              value: data.mip_primal_bound ?? Number.POSITIVE_INFINITY,
              bound: data.mip_dual_bound ?? Number.NEGATIVE_INFINITY,
            });
            return undefined;
          },
        }
      : undefined,
  );
  const status = model.getModelStatus();
  const { modelStatus } = highs.constants;
  const proved = status === modelStatus.optimal;
  const feasible = Number(model.info.get("primal_solution_status")) === 2;
  const value = feasible ? model.getObjectiveValue() : Number.POSITIVE_INFINITY;
  const whole = mixed.whole.some((each) => each);
  return {
    x: feasible ? [...model.getSolution().colValue] : null,
    value,
    bound: proved && !whole ? value : Number(model.info.get("mip_dual_bound")),
    proved,
    possible: status !== modelStatus.infeasible,
  };
}
