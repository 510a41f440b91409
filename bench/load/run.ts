/** Run with `npm run bench -- load`, after a build. */
import { benchLoad } from "./load.ts";

await benchLoad();
