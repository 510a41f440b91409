/** Lays a spread pattern over itself at many spacings, off the page's thread. */
import { type Catch, spacingsFor, sweep } from "../../../core/trade/overlap.ts";

self.onmessage = ({
  data: { catches, number },
}: MessageEvent<{ catches: readonly Catch[]; number: number }>) => {
  self.postMessage({ number, found: sweep(catches, spacingsFor(catches)) });
};
