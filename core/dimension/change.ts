/**
 * Changes to a machine that make older readings stale. The catalogue says which dimension each one touches; nothing
 * else does.
 */
export const CHANGES = {
  "receiver moved": { machine: "tractor", label: "Receiver taken off or moved" },
  "tractor tyres": { machine: "tractor", label: "Other tyres on the tractor" },
  "tractor pressure": { machine: "tractor", label: "Other tyre pressure on the tractor" },
  "tractor drawbar": { machine: "tractor", label: "Drawbar pulled out, turned or changed" },
  "ride height": { machine: "tractor", label: "Ride height or crop clearance set" },
  ballast: { machine: "tractor", label: "Ballast put on or taken off" },
  links: { machine: "tractor", label: "Lower links set longer or shorter" },
  "lift rods": { machine: "tractor", label: "Lift rods adjusted" },
  "top link": { machine: "tractor", label: "Top link adjusted or moved to another hole" },
  "quick coupler": { machine: "tractor", label: "Quick coupler put on or taken off" },
  "tractor wheels": { machine: "tractor", label: "Wheels set to another track width" },
  "other job": {
    machine: "tractor",
    label: "Came from another job: road haulage, another field, another load",
  },
  "tool drawbar": { machine: "implement", label: "Tool's drawbar set or changed" },
  "tool wheels": { machine: "implement", label: "Wheels or packer moved or changed" },
  "tool openers": { machine: "implement", label: "Openers, tines or nozzles moved, taken off or added" },
  "tool headstock": { machine: "implement", label: "Cross shaft, pins or mast set or changed" },
  "tool rebuilt": { machine: "implement", label: "Built on or taken off: another weight" },
  product: { machine: "implement", label: "Other crop, variety or product" },
  nozzles: { machine: "implement", label: "Nozzles changed" },
  meters: { machine: "implement", label: "Other meter roll, disc or ranks" },
  "spread set": { machine: "implement", label: "Discs, vanes or height of the spreader set otherwise" },
  "flow meter": { machine: "implement", label: "Flow meter or pump repaired or changed" },
  weighing: { machine: "implement", label: "Load cells or yield sensor taken off or changed" },
  "tool pressure": { machine: "implement", label: "Other tyre pressure on the implement" },
} as const;

export type ChangeKind = keyof typeof CHANGES;

export const CHANGE_KINDS = Object.keys(CHANGES) as ChangeKind[];
