import { useState } from "react";
import { useNavigate } from "react-router";
import { v4 as uuid } from "uuid";
import { useKeep } from "../../entry/use-keep.ts";
import { forgetBegun, rememberBegun } from "./begun.ts";

type Ways = {
  /** the page of a test the server has */
  hrefOf: (id: string) => string;
  /** the page of one that is begun here; null where that is the page one is on */
  newHref: (kind: string) => string | null;
};

/** Begins a field test and goes to it; where nobody answers it begins on this device. */
export function useBegin(action: string, person: string, { hrefOf, newHref }: Ways) {
  const navigate = useNavigate();
  const { keep, busy } = useKeep(action);
  const [problem, setProblem] = useState<string | null>(null);
  const begin = async (kind: string, title: string) => {
    const id = uuid();
    // Remembered before it is kept: whoever looks what waits then finds whose it is.
    rememberBegun(action, kind, id);
    const came = await keep(
      { intent: "begin-test", id, kind, person, measuredAt: "" },
      `a field test: ${title}`,
      { waits: "No connection: the test begins on this device, sent later.", anew: false },
    );
    if (came.state === "refused") setProblem(Object.values(came.errors)[0] ?? null);
    if (came.state !== "waits") forgetBegun(action, kind);
    const to = came.state === "kept" ? hrefOf(id) : came.state === "waits" ? newHref(kind) : null;
    if (to) navigate(to);
  };
  return { begin, busy, problem };
}
