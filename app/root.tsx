import { Suspense, useContext, useEffect, useState } from "react";
import {
  data,
  type ErrorResponse,
  isRouteErrorResponse,
  Link,
  Links,
  Meta,
  Outlet,
  redirect,
  Scripts,
  ScrollRestoration,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import "./app.css";
import { onDeviceOf } from "../data/signing.ts";
import { Offline } from "./offline/Offline.tsx";
import { WaitingEntries } from "./offline/WaitingEntries.tsx";
import { isBeyond, turnedAway } from "./session/door.server.ts";
import { Nonce } from "./session/nonce.ts";
import { keptOnDisk } from "./session/on-disk.server.ts";
import { onceOnly } from "./session/once.server.ts";
import { anotherView, NUMBERS_FORMS } from "./session/once.ts";
import { readPreferences } from "./session/preferences.server.ts";
import { TellZone } from "./session/TellZone.tsx";
import { inTurn } from "./session/turns.server.ts";
import { whoIs } from "./session/who.server.ts";
import { READS_ONLY } from "./session/words.ts";
import { inZoneOf } from "./session/zone.server.ts";
import { Toaster } from "./ui/toast.ts";

/** The server asks at its own door first, before it reads a body; here it is asked again, whatever server this runs on. */
export const middleware: Route.MiddlewareFunction[] = [
  async ({ request }, next) => {
    const away = turnedAway(request);
    if (away && away.status === 302) throw redirect("/enter");
    if (away && isBeyond(away)) throw data(await away.text(), { status: away.status });
    if (away) return away;
    const answer = () => inTurn(() => inZoneOf(request, () => keptOnDisk(request, next)));
    return onDeviceOf(whoIs(request)?.person ?? null, () => onceOnly(request, answer));
  },
];

export async function loader({ request }: Route.LoaderArgs) {
  const who = whoIs(request);
  return {
    preferences: await readPreferences(request),
    who: who && { person: who.person, role: who.role, waits: who.waits },
    // Of several on one machine: each page says whose it is.
    yard: process.env.AMBREK_YARD_NAME || null,
  };
}

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useContext(Nonce);
  const loaded = useRouteLoaderData<typeof loader>("root");
  const theme = loaded?.preferences.theme ?? "day";
  const [ready, setReady] = useState(false);
  useEffect(() => {
    // Keys and presses are heard from now on: what drives a browser by itself waits for it.
    document.documentElement.dataset.ready = "yes";
    setReady(true);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was loaded anew is another view
  useEffect(anotherView, [loaded]);
  return (
    <html lang="en" data-theme={theme}>
      <head>
        <script nonce={nonce} suppressHydrationWarning>
          {NUMBERS_FORMS}
        </script>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="theme-color" content="#f6f3ea" />
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <link rel="apple-touch-icon" href="/icon-180.png" />
        <link rel="manifest" href="/manifest.webmanifest" />
        <Meta />
        <Links />
      </head>
      <body>
        <a href="#main" className="skip">
          To the page
        </a>
        <Offline />
        {loaded?.who?.role === "adviser" && (
          <p className="no-print border-b-2 border-warn bg-warn-wash px-4 py-1 font-semibold">{READS_ONLY}</p>
        )}
        <WaitingEntries who={loaded?.who ?? null} />
        {children}
        <TellZone />
        {ready && (
          <Suspense fallback={null}>
            <Toaster
              theme={theme === "night" ? "dark" : "light"}
              position="top-center"
              offset={3}
              mobileOffset={{ top: "var(--toast-top)" }}
              toastOptions={{ duration: 7000 }}
            />
          </Suspense>
        )}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function App() {
  return <Outlet />;
}

/** What a route said; an address no route has is no fault of anybody's. */
function wordsOf({ status, data: told, statusText }: ErrorResponse): string {
  return status === 404 && String(told).startsWith("Error: No route matches")
    ? "There is no page at this address. Everything there is can be reached from the yard."
    : String(told || statusText);
}

const BROKE = "That did not work";
const TITLES: Record<number, string> = { 403: "Not for everybody", 404: "Not in this yard" };

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const known = isRouteErrorResponse(error);
  // Nobody answered: a fetch that fails says no more than that.
  const away = error instanceof TypeError;
  return (
    <main id="main" tabIndex={-1} className="mx-auto grid max-w-xl gap-4 p-8">
      <title>Ambrek</title>
      <h1>{known ? (TITLES[error.status] ?? BROKE) : away ? "No connection" : BROKE}</h1>
      <p>
        {known
          ? wordsOf(error)
          : away
            ? "The server did not answer, and this page is not aboard this device. What was entered before waits here."
            : "Something went wrong on the server. What was kept before is safe."}
      </p>
      <p className="flex flex-wrap gap-2">
        {away && (
          <button type="button" className="key" onClick={() => window.location.reload()}>
            Try again
          </button>
        )}
        <Link className="key" to="/" reloadDocument={away}>
          Back to the yard
        </Link>
      </p>
    </main>
  );
}
