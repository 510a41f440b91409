/** Lays a spread pattern over itself at many spacings, off the page's thread. */
import { type Catch, spacingsFor, sweep } from "../../../core/trade/overlap.ts";

self.onmessage = ({ data: catches }: MessageEvent<readonly Catch[]>) => {
  self.postMessage(sweep(catches, spacingsFor(catches)));
};
