import type { Adjuster } from "../../yard/ground.ts";

type Paired = Pick<Adjuster, "id" | "pair">;

/** Whether one of them is kept equal with the other. */
export function isPair(a: Paired, b: Paired): boolean {
  return a.pair?.id === b.id || b.pair?.id === a.id;
}

/** Adjusters that are kept equal, together; each other one by itself. */
export function pairsOf<A extends Paired>(all: readonly A[]): A[][] {
  const done = new Set<number>();
  return all.flatMap((each): A[][] => {
    if (done.has(each.id)) return [];
    const other = all.find((one) => !done.has(one.id) && isPair(each, one));
    for (const { id } of [each, ...(other ? [other] : [])]) done.add(id);
    return [other ? [each, other] : [each]];
  });
}
