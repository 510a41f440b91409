/** For the process that has several yards: which there are, and the page that names them. Built by itself: no yard's own thread has to load it. */
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
export { makeCertificates } from "./network/line.server.ts";
export { answerYards } from "./running/yards-page.server.ts";
