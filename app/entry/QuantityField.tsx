import { TextField } from "../ui/Field.tsx";
import { useSmallScreen } from "../ui/use-small-screen.ts";

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

type TypedProps = Omit<React.ComponentProps<"input">, "onChange"> & {
  text: string;
  onType: (text: string) => void;
  problem: string | undefined;
};

/** Where a quantity is typed outdoors: large, and on a phone by the keypad below it, not by the screen's own. */
export function QuantityInput({ text, onType, problem, inputMode = "text", ...input }: TypedProps) {
  const small = useSmallScreen();
  return (
    <input
      autoComplete="off"
      {...input}
      inputMode={small ? "none" : inputMode}
      value={text}
      onChange={(event) => onType(event.target.value)}
      aria-invalid={problem !== undefined}
    />
  );
}

type Word = { key: string; label: string };

/** For a gloved hand: one of a few words at one press, as the side instead of a sign. */
export function WordKeys({
  words,
  isOn,
  onPress,
  looks = "",
}: {
  words: readonly Word[];
  isOn: (word: string) => boolean;
  onPress: (word: string) => void;
  looks?: string;
}) {
  return (
    <div className="grid grid-cols-2 gap-1.5">
      {words.map(({ key, label }) => (
        <button
          key={key}
          type="button"
          onClick={() => onPress(key)}
          aria-pressed={isOn(key)}
          className={`choice ${looks}`}
        >
          {label}
        </button>
      ))}
    </div>
  );
}

/** The words of two sides. */
export const sideWords = (...sides: readonly string[]): Word[] =>
  sides.map((side) => ({ key: side, label: side }));
