import { ToggleGroup } from "radix-ui";

type Choice = { value: string; label: string };

/** Two or more choices of which one holds; arrow keys move, as Radix gives it. */
export function Switch({
  label,
  value,
  choices,
  onChoose,
}: {
  label: string;
  value: string;
  choices: readonly Choice[];
  onChoose: (value: string) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(chosen) => chosen && onChoose(chosen)}
      className="flex overflow-hidden rounded-[3px] border-[1.5px] border-ink"
    >
      {choices.map((choice) => (
        <ToggleGroup.Item
          key={choice.value}
          value={choice.value}
          className="min-h-9 cursor-pointer px-3 font-semibold data-[state=on]:bg-ink data-[state=on]:text-paper max-sm:min-h-11"
        >
          {choice.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
