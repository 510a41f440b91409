/** Asks for the yard page again and again, on a thread of its own, and tells how long it took once it is asked for. */
import { parentPort, workerData } from "node:worker_threads";

const PAUSE = 50;
const times = [];
let open = true;
parentPort.once("message", () => {
  open = false;
});
while (open) {
  const start = performance.now();
  try {
    await (await fetch(workerData)).arrayBuffer();
    times.push(performance.now() - start);
  } catch {
    times.push(Number.POSITIVE_INFINITY);
  }
  await new Promise((done) => setTimeout(done, PAUSE));
}
times.sort((a, b) => a - b);
const at = (share) => times[Math.min(times.length - 1, Math.floor(times.length * share))];
parentPort.postMessage({ asked: times.length, p50: at(0.5), p99: at(0.99), most: at(1) });
