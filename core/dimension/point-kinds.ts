/** What a point of a machine can be; which machines have it, and whether more than one. Without a database, for forms too. */
export const POINT_KINDS = [
  "receiver mount",
  "drawbar hole",
  "rear three-point",
  "front three-point",
  "rear PTO",
  "front PTO",
  "head mount",
  "boom mount",
  "rear hitch",
] as const;

export type PointKind = (typeof POINT_KINDS)[number];

export const POINTS_OF = {
  tractor: [
    "receiver mount",
    "drawbar hole",
    "rear three-point",
    "front three-point",
    "rear PTO",
    "front PTO",
  ],
  "self-propelled": ["receiver mount", "head mount", "boom mount", "drawbar hole"],
  implement: ["rear hitch"],
} as const satisfies Record<string, readonly PointKind[]>;

/** A machine has one shaft end a side. */
export const SINGLE: readonly PointKind[] = ["rear PTO", "front PTO"];
