import { TextField } from "./Field.tsx";

type Props = {
  label: string;
  value: string;
  onType: (text: string) => void;
  hint?: string | undefined;
  problem?: string | undefined;
};

/** A figure that is tried on the page and kept nowhere. */
export function TriedField({ onType, ...field }: Props) {
  return <TextField {...field} onChange={(event) => onType(event.target.value)} inputMode="decimal" />;
}
