import { Link } from "react-router";
import type { Preferences } from "../session/preferences.server.ts";
import { Header } from "../ui/Header.tsx";

const PLACES = [
  { key: "rigs", label: "Rigs", to: "/" },
  { key: "machines", label: "Machines", to: "/machines" },
  { key: "fields", label: "Fields", to: "/fields" },
  { key: "schemes", label: "Schemes", to: "/schemes" },
  { key: "files", label: "Files", to: "/files" },
] as const;

/** What stands round the yard's pages. */
export function YardFrame({
  preferences,
  here,
  children,
}: {
  preferences: Preferences;
  here: (typeof PLACES)[number]["key"] | null;
  children: React.ReactNode;
}) {
  return (
    <>
      <Header preferences={preferences}>
        <nav aria-label="Yard" className="flex gap-1 max-sm:gap-0">
          {PLACES.map(({ key, label, to }) => (
            <Link
              key={key}
              to={to}
              aria-current={key === here ? "page" : undefined}
              className="grid min-h-11 place-items-center px-3 font-semibold no-underline aria-[current]:border-b-[3px] aria-[current]:border-dye aria-[current]:text-dye max-sm:px-1.5"
            >
              {label}
            </Link>
          ))}
        </nav>
      </Header>
      <main id="main" tabIndex={-1} className="mx-auto grid max-w-[1240px] gap-4 px-6 py-5 max-sm:px-4">
        {children}
      </main>
    </>
  );
}
