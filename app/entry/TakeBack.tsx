import { useTakeBack } from "./use-outcome.ts";

type Props = { id: string; action: string; label?: string; className?: string; children?: React.ReactNode };

/** Takes one entry back; `label` says which, where the word alone does not. */
export function TakeBack({
  id,
  action,
  label,
  className = "min-h-11 cursor-pointer px-2 font-semibold whitespace-nowrap underline",
  children = "Take back",
}: Props) {
  const takeBack = useTakeBack(action);
  return (
    <button type="button" className={className} aria-label={label} onClick={() => takeBack(id)}>
      {children}
    </button>
  );
}
