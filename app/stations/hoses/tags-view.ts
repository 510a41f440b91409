import type { WholeRig } from "../../../core/rig/whole.ts";
import type { Hoses } from "../../../core/subjects/hoses/checks.ts";
import { tagsOf } from "../../../core/subjects/hoses/tags.ts";

export type TagsView = {
  title: string;
  machines: string;
  tags: { key: string; code: string; name: string; way: string; note: string }[];
};

/** The tags of a rig's hoses; null where there is no plan yet. */
export function tagsView(rig: string, whole: WholeRig, { problem, solved }: Hoses): TagsView | null {
  if (!problem || !solved) return null;
  return {
    title: `Hose tags, ${rig}`,
    machines: `${whole.tractor} with ${whole.parts.map(({ name }) => name).join(" and ")}`,
    tags: tagsOf(problem, solved.stages, solved.plan).map(({ fn, code, way, from }) => {
      const { name, part, id } = whole.hoses.functions[fn]!;
      return {
        key: `${id} ${code}`,
        code,
        name: whole.parts.length > 1 ? `${whole.parts[part]!.name}, ${name}` : name,
        way,
        note: from === "" ? "" : `swapped: goes on for ${from}`,
      };
    }),
  };
}
