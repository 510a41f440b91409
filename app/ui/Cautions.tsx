/** What can hurt somebody, where it applies. */
export function Cautions({ lines }: { lines: readonly string[] }) {
  return (
    <ul className="mb-2 grid gap-1">
      {lines.map((line) => (
        <li key={line} className="border-l-4 border-stop bg-stop-wash px-3 py-1.5 font-semibold">
          {line}
        </li>
      ))}
    </ul>
  );
}
