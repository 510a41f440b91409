/** A box to tick, as tall as a gloved finger. */
export function Tick({ name, label, on }: { name: string; label: string; on: boolean }) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input type="checkbox" name={name} defaultChecked={on} className="size-5 accent-dye" />
      {label}
    </label>
  );
}
