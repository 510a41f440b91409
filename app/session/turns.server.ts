/** Requests of a thread take turns with what needs the yard's file to itself: putting another one in its place. */

/** Somebody who still sends is waited for so long, ms. */
const PATIENCE = 10_000;

let going = 0;
let gate: Promise<void> | null = null;
let wake: () => void = () => {};

/** Does all of a request; it begins once nobody has the file to themselves. */
export async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  while (gate) await gate;
  going += 1;
  try {
    return await work();
  } finally {
    going -= 1;
    wake();
  }
}

/** Waits for another request as part of one: meanwhile this one is in nobody's way. */
export async function aside<T>(wait: () => Promise<T>): Promise<T> {
  going -= 1;
  wake();
  try {
    return await wait();
  } finally {
    while (gate) await gate;
    going += 1;
  }
}

/**
 * Does `work`, which is part of a request, once every other request has ended; those that come meanwhile wait. Null where somebody did not
 * end, or another has the file to themselves.
 */
export async function alone<T>(work: () => T, patience = PATIENCE): Promise<T | null> {
  if (gate) return null;
  let open = () => {};
  gate = new Promise((done) => {
    open = done;
  });
  try {
    const until = performance.now() + patience;
    while (going > 1 && performance.now() < until)
      await new Promise<void>((done) => {
        const timer = setTimeout(done, until - performance.now());
        wake = () => {
          clearTimeout(timer);
          done();
        };
      });
    return going > 1 ? null : work();
  } finally {
    gate = null;
    wake = () => {};
    open();
  }
}
