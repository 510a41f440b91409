/** What is wrong with a table that was typed, its first three lines. */
export const problemText = (problems: readonly { line: number; problem: string }[]) =>
  problems
    .slice(0, 3)
    .map(({ line, problem }) => (line === 0 ? problem : `Line ${line}: ${problem}`))
    .join(" ");
