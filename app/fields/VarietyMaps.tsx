import { Form } from "react-router";
import { useChecked } from "../session/use-checked.ts";
import type { FieldErrors } from "../session/validate.ts";
import { TextField } from "../ui/Field.tsx";
import { Folded } from "../ui/Folded.tsx";
import { TakeBackOf } from "../ui/TakeBackOf.tsx";
import type { FieldView } from "./field-view.server.ts";
import { VarietyMapDto } from "./fields.dto.ts";
import type { VarietyMapView } from "./variety-maps.server.ts";

type Props = { view: FieldView; errors: FieldErrors; person: string };

/** Which variety stands where: the maps that were read, what each makes of the field, and reading another. */
export function VarietyMaps({ view, errors, person }: Props) {
  const { maps } = view.varieties;
  if (view.size === null) return null;
  return (
    <section aria-label="Variety maps" id="varieties" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">Varieties by a map</h2>
      {maps.length === 0 && (
        <p className="text-soft">
          None is read. Where several varieties stand on it, a map says which was sown where.
        </p>
      )}
      {maps.map((map) => (
        <MapOf key={map.id} map={map} />
      ))}
      <NewMap view={view} errors={errors} person={person} />
    </section>
  );
}

/** Tints of one hue, told apart by their numbers too. */
const TINTS = [18, 42, 66, 88];
const tint = (number: number) =>
  `color-mix(in srgb, var(--dye) ${TINTS[(number - 1) % TINTS.length]}%, var(--sheet))`;

function MapOf({ map: { id, crop, fileName, who, shares, odd, sown, drawn } }: { map: VarietyMapView }) {
  return (
    <div className="grid gap-1 border-b border-hair py-2" data-variety-map={crop}>
      <div className="flex items-start justify-between gap-3">
        <div>
          <b className="text-[17px]">{crop}</b> <span>{fileName}</span>
          <span className="block text-small text-soft">{who}</span>
        </div>
        <TakeBackOf id={id} what={`the map of ${crop}`} />
      </div>
      <svg
        viewBox={`0 0 ${drawn.width} ${drawn.height}`}
        className="w-full border border-hair bg-sheet"
        role="img"
        aria-label={`${crop}: zones of ${shares.length} varieties`}
      >
        {drawn.zones.map(({ number, path }, at) => (
          <path
            key={at}
            d={path}
            fillRule="evenodd"
            fill={tint(number)}
            stroke="var(--ink)"
            strokeWidth={1}
          />
        ))}
        <path d={drawn.outline} fill="none" stroke="var(--ink)" strokeWidth={2.4} />
        {drawn.zones.map(({ number, x, y }, at) => (
          <g key={at} transform={`translate(${x} ${y})`}>
            <circle r={12} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.4} />
            <text y={5} textAnchor="middle" fontSize={15} fontWeight={700} fill="var(--ink)">
              {number}
            </text>
          </g>
        ))}
      </svg>
      <ul>
        {shares.map(({ number, variety, area, share }) => (
          <li
            key={variety}
            className="grid grid-cols-[28px_1fr_90px_60px] items-center"
            data-variety={variety}
          >
            <b>{number}</b>
            <span>{variety}</span>
            <span className="text-right font-semibold">{area}</span>
            <span className="text-right text-soft">{share}</span>
          </li>
        ))}
      </ul>
      {odd.map((text) => (
        <p key={text} className="font-semibold text-warn">
          {text}
        </p>
      ))}
      <p className={sown.odd ? "font-semibold text-stop" : "text-soft"}>{sown.text}</p>
    </div>
  );
}

function NewMap({ view, errors: sent, person }: Props) {
  const { errors, onSubmit } = useChecked(VarietyMapDto, sent);
  return (
    <Folded summary="Read a map of varieties">
      <Form
        method="post"
        encType="multipart/form-data"
        noValidate
        onSubmit={onSubmit}
        className="grid gap-2 pb-3"
      >
        <input type="hidden" name="intent" value="variety-map" />
        <TextField
          name="map"
          label="Map"
          type="file"
          accept=".geojson,.json"
          className="py-2"
          problem={errors.map}
          hint="GeoJSON: polygons, each with its “variety”."
        />
        <TextField
          name="crop"
          label="Of which crop"
          list="map-crops"
          autoComplete="off"
          problem={errors.crop}
        />
        <datalist id="map-crops">
          {view.varieties.crops.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
        <button type="submit" className="key justify-self-start">
          Read the map
        </button>
      </Form>
    </Folded>
  );
}
