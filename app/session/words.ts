/** What an adviser is told who would write. */
export const READS_ONLY =
  "An adviser reads and asks; nothing else of this is kept. The owner can make you an operator.";
