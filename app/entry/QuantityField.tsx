import { TextField } from "../ui/Field.tsx";

type Props = React.ComponentProps<typeof TextField> & {
  name: string;
  /** what a bare figure means: told beside the field, and sent along */
  unit: string;
};

/** A quantity as it is typed in a form; its unit is sent in a field of the same name with `Unit` behind it. */
export function QuantityField({ name, unit, ...field }: Props) {
  return (
    <>
      <input type="hidden" name={`${name}Unit`} value={unit} />
      <TextField name={name} placeholder={unit} {...field} />
    </>
  );
}
