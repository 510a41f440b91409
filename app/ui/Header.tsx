import { UserRound } from "lucide-react";
import { Link, useFetcher, useRouteLoaderData } from "react-router";
import type { loader } from "../root.tsx";
import type { Preferences } from "../session/preferences.server.ts";
import { Switch } from "./Switch.tsx";
import { SymptomsKey, SymptomsWay } from "./SymptomsWay.tsx";

const UNITS = [
  { value: "metric", label: "m" },
  { value: "us", label: "ft in" },
];
const OWN = { value: "own", label: "mixed" };
const THEMES = [
  { value: "day", label: "Day" },
  { value: "night", label: "Night" },
];

export function usePreference() {
  const fetcher = useFetcher();
  return (change: Record<string, string>) =>
    fetcher.submit(change, { method: "post", action: "/preferences" });
}

export function Header({ preferences, children }: { preferences: Preferences; children?: React.ReactNode }) {
  const choose = usePreference();
  const yard = useRouteLoaderData<typeof loader>("root")?.yard;
  return (
    <header className="no-print flex min-h-[52px] items-center gap-3 border-b-2 border-ink px-4 max-sm:flex-wrap max-sm:gap-1.5 max-sm:px-3 max-sm:py-1">
      {yard && <span className="basis-full truncate text-small font-semibold sm:hidden">{yard}</span>}
      <Link
        to="/"
        className="text-[20px] font-extrabold tracking-wide no-underline [font-stretch:118%]"
        aria-label={yard ? `Ambrek ${yard}, to the yard` : "Ambrek, to the yard"}
      >
        <span className={yard ? "block leading-5" : ""}>
          Ambre<b className="text-dye">k</b>{" "}
        </span>
        {yard && (
          <span className="block max-w-[150px] truncate text-small font-semibold leading-5 tracking-normal max-sm:hidden">
            {yard}
          </span>
        )}
      </Link>
      <div className="flex min-w-0 flex-1 items-center gap-2 max-sm:order-last max-sm:basis-full">
        <div className="min-w-0 flex-1">{children}</div>
        <SymptomsWay className="sm:hidden" />
      </div>
      <Switch
        label="Units"
        value={preferences.choice}
        choices={preferences.choice === "own" ? [...UNITS, OWN] : UNITS}
        onChoose={(choice) => choose({ choice })}
      />
      <Switch
        label="Light"
        value={preferences.theme}
        choices={THEMES}
        onChoose={(theme) => choose({ theme })}
      />
      <SymptomsKey />
      <SymptomsWay className="max-sm:hidden" />
      <Link
        to="/device"
        aria-label={`${preferences.person || "Who?"}, this device: name, units, network`}
        className="flex min-h-9 items-center gap-1.5 rounded-[3px] border-[1.5px] border-line px-2 font-semibold no-underline max-sm:min-h-11"
      >
        <UserRound size={18} aria-hidden="true" />
        <span className="max-w-[92px] truncate max-sm:hidden">{preferences.person || "Who?"}</span>
      </Link>
    </header>
  );
}
