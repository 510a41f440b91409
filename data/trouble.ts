/** What a machine does to a yard's file, said to whoever pressed a key: nothing was written, and what there is to do. */
import { YardProblem } from "./keeping.ts";

const FULL = "The disk of this machine is full: nothing was written. Make room on it, then do it again.";
const READ_ONLY =
  "The yard's file cannot be written to: nothing was written. Whoever runs Ambrek has to be let write to it and to its folder.";
const DISK =
  "The disk of this machine made an error: nothing was written. Look at the disk, and keep the newest backup safe.";

/** What the disk does, by the beginning of SQLite's code, or of the system's. */
const OF_THE_DISK: readonly (readonly [code: string, said: string])[] = [
  ["SQLITE_FULL", FULL],
  ["ENOSPC", FULL],
  ["EDQUOT", FULL],
  ["SQLITE_READONLY", READ_ONLY],
  ["EROFS", READ_ONLY],
  ["EACCES", READ_ONLY],
  ["EPERM", READ_ONLY],
  ["SQLITE_IOERR", DISK],
  ["EIO", DISK],
];

const SAID: readonly (readonly [code: string, said: string])[] = [
  ...OF_THE_DISK,
  [
    "SQLITE_BUSY",
    "Another program holds the yard's file: nothing was written. Do it again in a moment; if it stays so, close what has the file open.",
  ],
  [
    "SQLITE_CORRUPT",
    "The yard's file is damaged: nothing was written. Stop Ambrek, put the file aside, and bring the newest backup back.",
  ],
  ["SQLITE_NOTADB", "What stands in the yard's place is no yard: nothing was written."],
  ["SQLITE_CANTOPEN", "The yard's file cannot be opened. Whoever runs Ambrek has to be let into its folder."],
];

const codeOf = (error: unknown) => (error instanceof Error && "code" in error ? String(error.code) : "");

/** What the disk did where something failed, to be said; null where it was not the disk. */
export function diskTroubleOf(error: unknown): string | null {
  const codes = [error, error instanceof Error ? error.cause : null].map(codeOf);
  return OF_THE_DISK.find(([begins]) => codes.some((code) => code.startsWith(begins)))?.[1] ?? null;
}

/** The trouble a machine made, to be said; null where it is an error of another kind. */
export function troubleOf(error: unknown): YardProblem | null {
  const code = codeOf(error);
  const said = SAID.find(([begins]) => code.startsWith(begins))?.[1];
  return said === undefined ? null : new YardProblem(said, { cause: error });
}

/** Does some work with the file; what the machine does to it is thrown as what is said of it. @throws YardProblem */
export function sayingTrouble<Result>(work: () => Result): Result {
  try {
    return work();
  } catch (error) {
    throw troubleOf(error) ?? error;
  }
}
