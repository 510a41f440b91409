/** Masses of tools as the match station needs them, kg. */
import type { ResolvedRig } from "../rig/resolve.ts";
import { known, type ToolOfRig } from "../rig/whole.ts";

/** Mass with the weights on it and all it may be filled with; null until the empty mass is known. */
export function fullMass(rig: ResolvedRig): number | null {
  const mass = known(rig, "tool.mass");
  return mass === null ? null : mass + (known(rig, "tool.ballast") ?? 0) + (known(rig, "tool.load") ?? 0);
}

/** Everything a hitch pulls: the tool of `index` and all that hang behind it, full; null while one of them is unknown. */
export function massBehind(parts: readonly ToolOfRig[], index: number): number | null {
  return parts.reduce<number | null>((sum, part, at) => {
    if (part.behind !== index || sum === null) return sum;
    const more = massBehind(parts, at);
    return more === null ? null : sum + more;
  }, fullMass(parts[index]!.rig));
}
