/** For the thread that listens: who is let in, asked before a body is read. Built by itself, so that it is up at once. */
export { ownersLink, seen } from "./people/at-the-door.server.ts";
export { CAME } from "./session/clock.server.ts";
export { isForPage, mostBytes, turnedAway } from "./session/door.server.ts";
export { addressKey, triesOf } from "./session/tries.ts";
