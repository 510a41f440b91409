import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import { TextField } from "../ui/Field.tsx";
import { type How, type Kept, useKeep } from "./use-keep.ts";

/** What came of it, and what is wrong with it: null nothing, "" what the name says. */
export type Signed = { kept: Kept; problem: string | null };

/** What is kept in somebody's name: the field that asks for it, and a way to keep. That nobody is named is said by the field, in view. */
export function useSigned(action: string, person: string, label: string) {
  const [who, setWho] = useState(person);
  const [nameless, setNameless] = useState<string | undefined>();
  const field = useRef<HTMLInputElement>(null);
  const { keep: send } = useKeep(action);
  const keep = async (fields: Record<string, string>, said: string, how?: How): Promise<Signed> => {
    const kept = await send({ id: uuid(), person: who, ...fields }, said, how);
    const refused = kept.state === "refused" ? kept.errors : {};
    setNameless(refused.person);
    if (refused.person) field.current?.focus();
    return { kept, problem: refused.person ? "" : (Object.values(refused)[0] ?? null) };
  };
  const name = (
    <TextField
      label={label}
      name="who"
      value={who}
      onChange={(event) => setWho(event.target.value)}
      ref={field}
      problem={nameless}
      autoComplete="name"
      className="max-w-[260px]"
    />
  );
  return { keep, name };
}
