/** What tells a terminal that a tool is at work, what is to be in sight while it works, and what it may warn of (common practice, no source). */

export const TRIGGERS = {
  remote: {
    label: "A remote's raise and lower",
    needs: "a function under Hoses that the terminal records by",
  },
  detent: { label: "Lever detent, or depth reached", needs: "a lever that stays in its detent" },
  hitch: { label: "Height of the hitch", needs: "a tool on the linkage" },
  frame: { label: "Height of the frame", needs: "a sensor on the frame" },
  pto: { label: "PTO", needs: "a tool that a shaft drives" },
  bus: { label: "What the implement says on its bus", needs: "an implement bus" },
  sections: { label: "State of the sections", needs: "sections that a terminal switches" },
  head: { label: "Height of the head", needs: "a head" },
  sensors: { label: "Its own sensors: flow of seed or grain", needs: "a sensor of what flows" },
  manual: { label: "By hand", needs: "" },
} as const;
export type TriggerKey = keyof typeof TRIGGERS;
export const TRIGGER_KEYS = Object.keys(TRIGGERS) as TriggerKey[];

/** What a working screen may show. */
export const READOUTS = {
  map: "Map of what is worked",
  guidance: "Guidance: off the line, steering on",
  position: "Quality of position",
  speed: "Speed",
  rateSet: "Rate programmed",
  rateApplied: "Rate applied",
  sections: "Sections on and off",
  downforce: "Downforce",
  singulation: "Spacing and doubles, row by row",
  blockage: "Blockage of the hoses",
  tank: "What is left in tank or hopper",
  pressure: "Pressure at the nozzles",
  loss: "Losses",
  yield: "Yield and moisture",
} as const;
export type ReadoutKey = keyof typeof READOUTS;
export const READOUT_KEYS = Object.keys(READOUTS) as ReadoutKey[];

/** What a terminal may warn of. */
export const ALARMS = {
  rate: "Rate off what is set",
  rows: "A row that sows nothing",
  blockage: "A hose blocked",
  tank: "Tank or hopper low",
  pressure: "Pressure out of its window",
  position: "Position lost",
  loss: "Losses high",
} as const;
export type AlarmKey = keyof typeof ALARMS;
export const ALARM_KEYS = Object.keys(ALARMS) as AlarmKey[];

export const ALARM_STATES = { heard: "Seen and heard", shown: "Seen, not heard", off: "Off" } as const;
export type AlarmState = keyof typeof ALARM_STATES;
