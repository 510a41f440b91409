/** What a file has besides what is taken over, a sentence each; nothing where there is nothing. */
export function LeftOut({ notes }: { notes: readonly string[] }) {
  if (notes.length === 0) return null;
  return (
    <section aria-label="Left out">
      <h2 className="border-b-2 border-ink pb-1">In the file, and not taken over</h2>
      <ul className="list-disc pl-5">
        {notes.map((note, at) => (
          <li key={at}>{note}</li>
        ))}
      </ul>
    </section>
  );
}
