/** Hands what the listening thread knows to the one page that shows it. */
import { AsyncLocalStorage } from "node:async_hooks";
import type { Figures } from "./figures.ts";

const told = new AsyncLocalStorage<Figures>();

/** Does all of `work` knowing how the server does. */
export const withFigures = <T>(figures: Figures, work: () => T): T => told.run(figures, work);

/** Null where no server told: in a development server, or a test. */
export const figuresNow = (): Figures | null => told.getStore() ?? null;
