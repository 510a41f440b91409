/** What is seldom needed, under a line that opens it. */
export function Folded({
  summary,
  className,
  children,
}: {
  summary: React.ReactNode;
  className?: string;
  children: React.ReactNode;
}) {
  return (
    <details className={className}>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        {summary}
      </summary>
      {children}
    </details>
  );
}
