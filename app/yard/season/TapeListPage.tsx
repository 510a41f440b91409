import type { Route } from "../../routes/+types/tape-list";
import { Pages } from "../../ui/Pages.tsx";
import { PrintKeys } from "../../ui/PrintKeys.tsx";

/** A sheet to take round the yard with a pencil. */
export function TapeListPage({ loaderData: { lists, pages } }: Route.ComponentProps) {
  return (
    <main id="main" tabIndex={-1} className="mx-auto grid max-w-[760px] gap-4 bg-sheet p-6 print:p-0">
      <PrintKeys back="/" backTo="the yard" />
      <header className="border-b-2 border-ink pb-2">
        <h1>Tape list</h1>
        <p>
          Engine off, key with you, park brake on. Write what the tape says and who read it; type it in later
          as it stands here.
        </p>
      </header>
      {lists.length === 0 && (
        <p className="text-lead">Everything {pages.pages > 1 ? "on this page" : "in this yard"} is taped.</p>
      )}
      {lists.map(({ head, rows, notHere }) => (
        <section key={head.id}>
          <h2 className="break-after-avoid text-[17px]">{head.name}</h2>
          <p className="break-after-avoid text-small">
            {head.tractor} with {head.implement}. {head.identity}
          </p>
          {notHere !== "" && (
            <p className="break-after-avoid font-semibold text-warn" data-not-here>
              {notHere}: it is read where it is.
            </p>
          )}
          <table className="mt-1 w-full border-collapse">
            <thead>
              <tr className="border-b border-ink text-left text-small">
                <th className="w-8 font-semibold" scope="col">
                  <span className="sr-only">Letter</span>
                </th>
                <th className="font-semibold" scope="col">
                  From where to where
                </th>
                <th className="w-32 font-semibold" scope="col">
                  Now
                </th>
                <th className="w-40 font-semibold max-sm:hidden print:table-cell" scope="col">
                  Read
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ letter, label, of, fromTo, before, now }) => (
                <tr
                  key={letter + label + of}
                  className="break-inside-avoid border-b border-line align-top print:text-[13px] print:leading-tight"
                >
                  <td className="py-1.5 print:py-0.5 font-bold">{letter}</td>
                  <td className="py-1.5 pr-3 print:py-0.5 leading-snug">
                    <b className="font-[650]">{label}</b>
                    {of && ` of ${of}`}, {fromTo}
                    {before && <span className="block text-small">Before: {before}</span>}
                  </td>
                  <td className="py-1.5 print:py-0.5">{now}</td>
                  <td className="py-1.5 max-sm:hidden print:table-cell print:py-0.5">
                    <span className="block h-8 border-b border-ink print:h-6" />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
      <Pages of={{ ...pages, what: "rigs" }} />
    </main>
  );
}
