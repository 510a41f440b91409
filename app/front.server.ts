/** For what listens: who is let in, asked before a body is read, the encrypted line, and which yards there are. Built by itself, so that it is up at once. */
export { YardProblem } from "../data/keeping.ts";
export {
  beginYard,
  fileOf,
  forgetYard,
  hasFile,
  markBegun,
  missing,
  renameYard,
  yardsIn,
} from "../data/yards.ts";
export { makeCertificates, openLine, plainly } from "./network/line.server.ts";
export { ownersLink, seen } from "./people/at-the-door.server.ts";
export { yardsAction, yardsAnswer } from "./running/yards-page.server.ts";
export { isForPage, mostBytes, turnedAway } from "./session/door.server.ts";
export { addressKey, triesOf } from "./session/tries.ts";
