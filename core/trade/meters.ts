/** What turns seed meters: choices of `tool.meterDrive`. */
export type MeterDrive = "wheel" | "PTO generator" | "oil generator" | "motor" | "none";
