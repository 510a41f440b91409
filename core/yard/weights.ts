/** Weights a yard has to put on its machines. kg and metres. */

export type Weight = {
  id: number;
  what: string;
  mass: number;
  /** forward of the rear axle */
  x: number;
  count: number;
};
