import { type ReactNode, Suspense, useEffect, useState } from "react";

/** Something heavy, loaded once the page stands: its room is kept free until then. */
export function Later({ height, words, children }: { height: number; words: string; children: ReactNode }) {
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const room = (
    <p className="grid place-items-center text-soft" style={{ minHeight: height }}>
      {words}
    </p>
  );
  return ready ? <Suspense fallback={room}>{children}</Suspense> : room;
}
