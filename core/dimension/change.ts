/**
 * Changes to a machine that make older readings stale. The catalogue says which dimension each one touches; nothing
 * else does.
 */
export const CHANGES = {
  "receiver moved": { machine: "tractor", label: "Receiver taken off or moved" },
  "tractor tyres": { machine: "tractor", label: "Other tyres on the tractor" },
  "tractor pressure": { machine: "tractor", label: "Other tyre pressure on the tractor" },
  "tractor drawbar": { machine: "tractor", label: "Drawbar pulled out, turned or changed" },
  "tool drawbar": { machine: "implement", label: "Tool's drawbar set or changed" },
  "tool wheels": { machine: "implement", label: "Wheels or packer moved or changed" },
  "tool openers": { machine: "implement", label: "Coulters moved, taken off or added" },
} as const;

export type ChangeKind = keyof typeof CHANGES;

export const CHANGE_KINDS = Object.keys(CHANGES) as ChangeKind[];
