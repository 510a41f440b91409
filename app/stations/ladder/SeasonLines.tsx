import { Link } from "react-router";
import type { SeasonLine } from "./season-lines.server.ts";

/** What is planned with it, and due on it: nothing of it is a rung. */
export function SeasonLines({ lines }: { lines: readonly SeasonLine[] }) {
  if (lines.length === 0) return null;
  return (
    <ul aria-label="Of the season">
      {lines.map(({ key, text, href, tone }) => (
        <li key={key} data-season={key}>
          <Link
            to={href}
            className={`flex min-h-11 items-center font-semibold ${tone === "warn" ? "text-warn" : "text-dye"}`}
          >
            {text}
          </Link>
        </li>
      ))}
    </ul>
  );
}
