import { Form, Link, useSearchParams } from "react-router";
import type { Route } from "../../routes/+types/sheet";
import { Header } from "../../ui/Header.tsx";
import { rigAddress } from "../frame/address.ts";
import { Tools } from "../frame/RigFrame.tsx";
import { LACKING, LACKING_LABELS } from "./lacking.ts";
import { SheetForm } from "./SheetForm.tsx";

export function SheetPage({ loaderData, actionData }: Route.ComponentProps) {
  const { head, tool, tools, hung, preferences, sheet, sheets, topics } = loaderData;
  const [search] = useSearchParams();
  const filled = actionData && "filled" in actionData ? actionData.filled : {};
  const asked = Object.fromEntries(search);
  const of = (key: string) => rigAddress(head.id, "sheet", { ...asked, of: key });
  const keep = rigAddress(head.id, "keep", { tool });
  return (
    <>
      <div className="no-print">
        <Header preferences={preferences}>
          <p className="truncate text-soft">
            <Link to={rigAddress(head.id, "")}>{head.name}</Link> · sheet of readings
          </p>
        </Header>
      </div>
      <main
        id="main"
        tabIndex={-1}
        className="mx-auto grid max-w-[980px] gap-4 px-6 py-5 max-sm:px-4 print:p-0"
      >
        <div>
          <h1>{LACKING_LABELS[sheet] ?? "Sheet of readings"}</h1>
          <p className="text-soft">
            {head.tractor} with {head.implement}. {head.identity && `${head.identity}. `}Engine off, key with
            you, park brake on.
          </p>
        </div>
        {tools.length > 0 && (
          <div className="no-print">
            <Tools tools={tools} />
          </div>
        )}
        <div className="no-print flex flex-wrap items-end gap-2">
          {sheets.map(({ key, label }) => (
            <Link
              key={key}
              to={of(key)}
              aria-current={key === sheet ? "page" : undefined}
              className="key aria-[current]:bg-dye-wash aria-[current]:text-dye"
            >
              {label}
            </Link>
          ))}
          <button type="button" className="key" onClick={() => window.print()}>
            Print it empty
          </button>
          <a className="key" href={rigAddress(head.id, "sheet.csv", asked)}>
            For a spreadsheet
          </a>
          <Form method="post" encType="multipart/form-data" className="flex items-end gap-2">
            <label className="grid gap-1">
              Sheet filled in a spreadsheet (CSV)
              <input type="file" name="sheet" accept=".csv,text/csv" className="field py-2" />
            </label>
            <button type="submit" className="key">
              Import
            </button>
          </Form>
        </div>
        {actionData?.errors.sheet && <p className="problem">{actionData.errors.sheet}</p>}
        {Object.keys(filled).length > 0 && (
          <p className="border-l-4 border-dye bg-dye-wash px-3 py-2" data-filled>
            {Object.keys(filled).length} lines filled in from the file. Look them over: nothing is saved yet.
          </p>
        )}
        {topics.length === 0 ? (
          <p className="flex flex-wrap items-center gap-3 text-lead font-semibold text-ok" role="status">
            {sheet === LACKING.couple
              ? "Every reading before coupling is there."
              : "No reading stops the card."}
            <Link
              to={rigAddress(head.id, sheet === LACKING.couple ? "hook-up" : "card", { tool })}
              className="key-main"
            >
              {sheet === LACKING.couple ? "To the hook-up list" : "To the cab card"}
            </Link>
          </p>
        ) : (
          <SheetForm
            key={sheet + JSON.stringify(filled)}
            topics={topics}
            hung={hung}
            action={keep}
            person={preferences.person}
            filled={filled}
            draft={`ambrek-sheet-${head.id}-${tool ?? 0}`}
          />
        )}
      </main>
    </>
  );
}
