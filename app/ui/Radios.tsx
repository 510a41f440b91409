import { RadioGroup } from "radix-ui";

type Props<T extends string> = {
  label: string;
  value: T;
  choices: readonly { value: T; label: string }[];
  onChoose: (value: T) => void;
  /** in how many columns they stand, and on what */
  className: string;
  /** how each looks, besides as a choice */
  looks?: string;
  name?: string;
};

/** Choices of which one holds, each large enough for a glove. */
export function Radios<T extends string>({
  label,
  value,
  choices,
  onChoose,
  className,
  looks = "",
  name,
}: Props<T>) {
  return (
    <RadioGroup.Root
      {...(name === undefined ? {} : { name })}
      value={value}
      onValueChange={(chosen) => onChoose(chosen as T)}
      aria-label={label}
      className={`grid gap-1.5 ${className}`}
    >
      {choices.map((each) => (
        <RadioGroup.Item key={each.value} value={each.value} className={`choice ${looks}`}>
          {each.label}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
