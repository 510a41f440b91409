/** What a change is about to make stale, said before it is kept. */
export function StaleList({ stales }: { stales: readonly string[] }) {
  if (stales.length === 0) return <p className="text-soft">Nothing read so far hangs on it.</p>;
  return (
    <div className="border-l-[5px] border-warn bg-warn-wash px-3 py-1.5 leading-snug" data-stales>
      <b>This makes stale:</b> {stales.join(", ")}.
    </div>
  );
}
