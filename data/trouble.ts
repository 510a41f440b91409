/** What a machine does to a yard's file, said to whoever pressed a key: nothing was written, and what there is to do. */
import { YardProblem } from "./keeping.ts";

/** By the beginning of SQLite's code. */
const SAID: readonly (readonly [code: string, said: string])[] = [
  [
    "SQLITE_FULL",
    "The disk of this machine is full: nothing was written. Make room on it, then do it again.",
  ],
  [
    "SQLITE_READONLY",
    "The yard's file cannot be written to: nothing was written. Whoever runs Ambrek has to be let write to it and to its folder.",
  ],
  [
    "SQLITE_BUSY",
    "Another program holds the yard's file: nothing was written. Do it again in a moment; if it stays so, close what has the file open.",
  ],
  [
    "SQLITE_IOERR",
    "The disk of this machine made an error: nothing was written. Look at the disk, and keep the newest backup safe.",
  ],
  [
    "SQLITE_CORRUPT",
    "The yard's file is damaged: nothing was written. Stop Ambrek, put the file aside, and bring the newest backup back.",
  ],
  ["SQLITE_NOTADB", "What stands in the yard's place is no yard: nothing was written."],
  ["SQLITE_CANTOPEN", "The yard's file cannot be opened. Whoever runs Ambrek has to be let into its folder."],
];

/** The trouble a machine made, to be said; null where it is an error of another kind. */
export function troubleOf(error: unknown): YardProblem | null {
  const code = error instanceof Error && "code" in error ? String(error.code) : "";
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
