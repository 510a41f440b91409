import { randomUUID } from "node:crypto";
import { CHANGES, type ChangeKind } from "../core/dimension/change.ts";
import type { Proof } from "../core/rig/facts.ts";
import type { Database } from "./handle.ts";
import type { Rig } from "./rigs.ts";
import { change, proof, proofTerm } from "./schema.ts";

type Told = { person: string; at: Date; now: Date };

/** Records that something on one of the rig's machines was changed; returns its id. */
export function keepChange(
  db: Database,
  rig: Rig,
  { kind, note, person, at, now }: Told & { kind: ChangeKind; note: string },
): string {
  const id = randomUUID();
  const machineId = CHANGES[kind].machine === "tractor" ? rig.tractor.id : rig.implement.id;
  db.insert(change)
    .values({ id, machineId, kind, note, person, at: at.toISOString(), recordedAt: now.toISOString() })
    .run();
  return id;
}

/** Records a field test and the sum it confirms; returns its id. */
export function keepProof(
  db: Database,
  rig: Rig,
  { terms, at, now, ...rest }: Told & Pick<Proof, "what" | "how" | "result" | "terms">,
): string {
  const id = randomUUID();
  db.transaction((tx) => {
    tx.insert(proof)
      .values({ id, rigId: rig.id, ...rest, at: at.toISOString(), recordedAt: now.toISOString() })
      .run();
    tx.insert(proofTerm)
      .values(terms.map(({ key, coefficient }) => ({ proofId: id, dimension: key, coefficient })))
      .run();
  });
  return id;
}
