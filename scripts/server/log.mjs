/**
 * What happened on this server, a line each as JSON, in files that roll: what was refused or failed, what took long, starts and ends. Kinds
 * of addresses, never what stands in them: no reading, no name, no number of anybody's.
 */
import { dirname, join, resolve } from "node:path";
import pino from "pino";

/** Longer than this is worth a line, ms. */
const SLOW = 2000;

/** Opens the log in the folder `log` beside the yard, or in AMBREK_LOG; "off": none is kept. */
export function openLog(yard) {
  if (process.env.AMBREK_LOG === "off") return pino({ enabled: false });
  const folder = process.env.AMBREK_LOG || join(dirname(resolve(yard)), "log");
  const transport = pino.transport({
    target: "pino-roll",
    options: {
      file: join(folder, "ambrek"),
      extension: ".log",
      size: "5m",
      limit: { count: 5 },
      mkdir: true,
    },
  });
  // Where no line can be written, the yard is served without.
  transport.on("error", (error) => console.error(`No log is written: ${error.message}`));
  return pino({ base: { pid: process.pid } }, transport);
}

/** A line for an answer that was refused, failed or took long. */
export function logAnswer(log, { method, kind, status, milliseconds }) {
  const line = { method, kind, status, milliseconds: Math.round(milliseconds) };
  if (status >= 500) log.error(line, "failed");
  else if (status >= 400 && status !== 422) log.info(line, "refused");
  else if (milliseconds > SLOW) log.warn(line, "slow");
}
