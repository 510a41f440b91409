import { rigAddress } from "../stations/frame/address.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { tagsView } from "../stations/hoses/tags-view.ts";
import { PrintKeys } from "../ui/PrintKeys.tsx";
import type { Route } from "./+types/hose-tags";

export async function loader({ request, params }: Route.LoaderArgs) {
  const { rig, whole, judged } = await openRig(request, params.rigId);
  const view = tagsView(rig.name, whole, judged.reckoned.hoses);
  if (!view)
    throw new Response("There is no plan for these hoses yet, so there are no tags.", { status: 404 });
  return { rigId: rig.id, view };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `${loaderData.view.title} · Ambrek` : "Ambrek" }];
}

/** Tags to cut out, each twice: one for either end of its hose. */
export default function HoseTags({ loaderData: { rigId, view } }: Route.ComponentProps) {
  return (
    <main
      id="main"
      tabIndex={-1}
      className="mx-auto grid max-w-[820px] gap-3 bg-sheet p-6 print:p-0 max-sm:p-4"
    >
      <PrintKeys back={rigAddress(rigId, "hoses")} backTo="the hoses">
        <a className="key" href={rigAddress(rigId, "hoses/tags.pdf")} download>
          PDF
        </a>
      </PrintKeys>
      <header>
        <h1>{view.title}</h1>
        <p>{view.machines}. Each tag twice: for the coupling end and for the implement end.</p>
      </header>
      <ul className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
        {view.tags.flatMap(({ key, code, name, way, note }) =>
          ["coupling end", "implement end"].map((end) => (
            <li
              key={`${key} ${end}`}
              className="flex items-center gap-3 border-2 border-ink p-2 leading-tight"
              data-tag={code}
            >
              <b className="min-w-14 text-[32px]">{code}</b>
              <span>
                <b>{name}</b>
                <span className="block">{way}</span>
                <span className={`block text-small ${note ? "font-bold text-warn" : "text-soft"}`}>
                  {note || end}
                </span>
              </span>
            </li>
          )),
        )}
      </ul>
    </main>
  );
}
