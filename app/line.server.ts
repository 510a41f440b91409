/** For the thread that listens on a network: the encrypted line, and what is said to who comes without it. Built by itself: on the machine alone nobody needs it. */
export { openLine, plainly } from "./network/line.server.ts";
