/** What a rehearsal of a folding tool needs: its functions on their levers, how fast they move, and the steps to follow. */
import { capital } from "../../../core/quantity/capital.ts";
import { FOLDING_KINDS, type FoldingKind, type Speeds } from "../../../core/rehearsal/folding.ts";
import { type RigStep, stepsOfRig } from "../../../core/sequence/of-rig.ts";
import type { Lists } from "../../../core/sequence/templates.ts";
import { kindOf } from "../../../core/subjects/hoses/kinds.ts";
import { remotesOf, swapsOf } from "../../../core/subjects/hoses/problem.ts";
import { isPort, remoteName } from "../../../core/yard/circuit.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type RehearsalView = {
  has: FoldingKind[];
  levers: { kind: FoldingKind; name: string; remote: string; ways: [string, string]; float: boolean }[];
  speeds: Speeds;
  swaps: boolean;
  /** the kind that shares the jack's coupling, where one does */
  onJack: FoldingKind | null;
  unfold: RigStep[];
  fold: RigStep[];
};

/** Null where the tool in view does not fold, or its hoses have no plan yet. */
export function rehearsalView({ whole, judged, index }: OpenRig, lists: Lists): RehearsalView | null {
  const { problem, solved, movements } = judged.reckoned.hoses;
  if (!problem || !solved) return null;
  const own = whole.hoses.functions.flatMap((fn, at) => (fn.part === index ? [{ fn, at }] : []));
  const has = FOLDING_KINDS.filter((kind) => own.some(({ fn }) => fn.kind === kind));
  if (!has.includes("wings")) return null;
  const at = (kind: FoldingKind) => own.find(({ fn }) => fn.kind === kind)!;
  const remotes = remotesOf(problem);
  const placeOf = (kind: FoldingKind) => solved.plan[at(kind).at]!.find((place) => place !== null)!;
  const jack = has.includes("jack") ? placeOf("jack") : null;
  const swaps = swapsOf(solved.stages, solved.plan);
  const onJack = jack === null ? undefined : has.find((kind) => kind !== "jack" && placeOf(kind) === jack);
  const steps = (kind: "hook-up" | "unfold" | "fold") =>
    stepsOfRig(whole, judged.reckoned.hoses, index, kind, lists).steps;
  return {
    has,
    levers: has.map((kind) => {
      const remote = remotes[placeOf(kind)]!;
      const { fn } = at(kind);
      const [out, back] = kindOf(fn).ways;
      return {
        kind,
        name: fn.name,
        remote: capital(remoteName(remote)),
        ways: [out, back],
        float: remote.float && !isPort(remote),
      };
    }),
    speeds: Object.fromEntries(
      has.flatMap((kind) => {
        const moved = movements.find(({ fn, out }) => fn === at(kind).at && out !== null);
        return moved?.out && moved.in ? [[kind, { out: moved.out, in: moved.in }]] : [];
      }),
    ),
    swaps: onJack !== undefined && swaps.some(({ in: coming }) => coming === at(onJack).at),
    onJack: onJack ?? null,
    unfold: [...steps("hook-up").filter(({ id }) => id.startsWith("jack")), ...steps("unfold")],
    fold: steps("fold"),
  };
}
