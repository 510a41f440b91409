import { Delete } from "lucide-react";
import type { FieldUnit } from "../../core/dimension/entry.ts";
import { isLengthStyle } from "../../core/quantity/length.ts";
import { inInches } from "../../core/quantity/units.ts";

const METRIC_MARKS = [".", "m", "cm", "mm"];
const INCH_MARKS = ["′", "″", "/", "."];
const FRACTIONS = ["1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"];

/**
 * A key acts as the finger comes down: a slow glove lies there so long that the browser makes a long press of it and no click. A click that no
 * pointer made comes from the keyboard.
 */
const pressed = (act: () => void) => ({
  onPointerDown: (event: React.PointerEvent) => {
    if (event.button === 0) act();
  },
  onClick: (event: React.MouseEvent) => {
    if (event.detail === 0) act();
  },
});

/**
 * A keypad for a gloved hand, where the screen is small: figures, the marks of the units in use, and the fractions of
 * a tape at one press.
 */
export function Keypad({
  style,
  text,
  onType,
  children,
}: {
  style: FieldUnit;
  text: string;
  onType: (text: string) => void;
  children: React.ReactNode;
}) {
  const inches = isLengthStyle(style) && inInches(style);
  const marks = inches ? INCH_MARKS : isLengthStyle(style) ? METRIC_MARKS : [".", ",", style, "−"];
  const add = (piece: string) =>
    onType(FRACTIONS.includes(piece) && /\d$/.test(text) ? `${text} ${piece}` : text + piece);
  const key = (piece: string, tone = "", label = piece) => (
    <button
      key={piece}
      type="button"
      {...pressed(() => add(piece))}
      className={`min-h-11 touch-none cursor-pointer select-none rounded-[3px] bg-sheet text-[20px] font-[650] active:bg-dye-wash ${tone}`}
    >
      {label}
    </button>
  );
  return (
    <fieldset className="-mx-4 sticky bottom-0 z-10 grid gap-1.5 bg-hair p-2 sm:hidden" aria-label="Keypad">
      {inches && (
        <div className="grid grid-cols-7 gap-1.5">
          {FRACTIONS.map((each) => key(each, "text-[16px] text-dye"))}
        </div>
      )}
      <div className="grid grid-cols-4 gap-1.5">
        {["1", "2", "3"].map((each) => key(each))}
        {key(marks[0]!, "text-dye")}
        {["4", "5", "6"].map((each) => key(each))}
        {key(marks[1]!, "text-dye")}
        {["7", "8", "9"].map((each) => key(each))}
        {key(marks[2]!, "text-dye")}
        <button
          type="button"
          aria-label="Delete the last"
          {...pressed(() => onType(text.slice(0, -1).trimEnd()))}
          className="grid min-h-11 touch-none cursor-pointer select-none place-items-center rounded-[3px] bg-sheet"
        >
          <Delete size={22} aria-hidden="true" />
        </button>
        {key("0")}
        {key(" ", "text-[15px]", "space")}
        {key(marks[3]!, "text-dye")}
      </div>
      {children}
    </fieldset>
  );
}
