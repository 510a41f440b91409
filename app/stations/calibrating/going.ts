import type { CalibrateView } from "./calibrate-view.server.ts";

export type CalibrateProps = { view: CalibrateView; action: string; person: string };

/** A calibration that goes on: under which number its forms go, and what is done once one was sent. */
export type Going = CalibrateProps & { id: string; begin: () => void };
