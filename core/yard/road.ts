/** Limits of the road as the users of a yard entered them for their country; null where they gave none. SI. */
export type RoadLimits = {
  country: string;
  width: number | null;
  height: number | null;
  speed: number | null;
  /** kg a drawn tool without brakes may weigh */
  unbraked: number | null;
};
