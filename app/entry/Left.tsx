/** Says that what stands in a form was left there before and not saved, with the way to be rid of it. */
export function Left({ onThrowAway }: { onThrowAway: () => void }) {
  return (
    <p className="flex flex-wrap items-center gap-2 text-warn" data-left>
      As you left it, not saved yet.
      <button
        type="button"
        className="min-h-11 cursor-pointer px-2 font-semibold underline"
        onClick={onThrowAway}
      >
        Throw it away
      </button>
    </p>
  );
}
