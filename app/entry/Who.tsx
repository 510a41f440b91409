import { TextField } from "../ui/Field.tsx";

/** In whose name something is kept: asked for where this device does not know. */
export function Who({ person, problem }: { person: string; problem: string | undefined }) {
  return person === "" ? (
    <TextField name="person" label="Who" problem={problem} />
  ) : (
    <input type="hidden" name="person" value={person} />
  );
}
