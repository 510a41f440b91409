import { useState } from "react";

/** What is seldom needed, under a line that opens it. */
export function Folded({
  summary,
  className,
  children,
  whenOpened = false,
  open,
}: {
  summary: React.ReactNode;
  className?: string;
  children: React.ReactNode;
  /** of many alike: what is in it is made once somebody opens it */
  whenOpened?: boolean;
  /** open from the start, as where something in it is wrong */
  open?: boolean;
}) {
  const [opened, setOpened] = useState(!whenOpened);
  return (
    <details
      className={className}
      open={open}
      onToggle={({ currentTarget }) => currentTarget.open && setOpened(true)}
    >
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        {summary}
      </summary>
      {opened && children}
    </details>
  );
}
