/** What must hold while a length is measured: shown before the tape comes out, kept with the reading. */
export const CONDITIONS = {
  "level floor": "Level floor",
  "tool lowered": "Tool lowered to work",
  "wheels straight": "Wheels straight ahead",
  "drawbar central": "Drawbar pinned central",
  "pulled straight": "Pulled forward straight",
  "tyre pressure": "Tyres at working pressure",
  "nothing coupled": "Nothing coupled, no ballast",
  "driver on": "Driver on, tank full of fuel",
  "tank empty": "Tank or hopper empty",
  "boom unfolded": "Boom unfolded, at working height",
  "uncoupled before": "Measured before coupling",
} as const;

export type ConditionKey = keyof typeof CONDITIONS;

export const CONDITION_KEYS = Object.keys(CONDITIONS) as ConditionKey[];
