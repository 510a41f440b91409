import { useFetcher } from "react-router";
import { LENGTH_STYLES, printLength } from "../../core/quantity/length.ts";
import { PhoneSection } from "../network/PhoneSection.tsx";
import { Aboard } from "../offline/Aboard.tsx";
import { ThisDevice } from "../people/ThisDevice.tsx";
import type { Route } from "../routes/+types/device";
import { KeyList } from "../ui/KeyList.tsx";
import { YardFrame } from "../yard/YardFrame.tsx";

/** A length to show each style by: 2.6702 m. */
const SAMPLE = 2.6702;

export function DevicePage({
  loaderData: { preferences, phone, who, passphrase },
  actionData,
}: Route.ComponentProps) {
  const fetcher = useFetcher();
  const send = (change: Record<string, string>) =>
    fetcher.submit(change, { method: "post", action: "/preferences" });
  const style = (name: "tape" | "small", label: string) => (
    <label className="grid gap-1">
      {label}
      <select
        className="field"
        value={preferences.units[name]}
        onChange={(event) => send({ ...preferences.units, [name]: event.target.value, choice: "own" })}
      >
        {LENGTH_STYLES.map((each) => (
          <option key={each} value={each}>
            {printLength(name === "tape" ? SAMPLE : SAMPLE / 10, each)}
            {each === "ft-in" ? ", to 1/16" : each === "ft-in/8" ? ", to 1/8" : ""}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <YardFrame preferences={preferences} here={null}>
      <h1>This device</h1>
      <div className="grid grid-cols-3 gap-8 max-lg:grid-cols-1">
        {who ? (
          <ThisDevice
            who={who}
            passphrase={passphrase}
            errors={actionData?.errors ?? {}}
            said={actionData?.ok ? actionData.kept.said : ""}
          />
        ) : (
          <section className="grid content-start gap-3">
            <h2 className="border-b-2 border-ink pb-1">Who are you?</h2>
            <form
              className="grid gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                send({ person: String(new FormData(event.currentTarget).get("person")) });
              }}
            >
              <label className="grid gap-1">
                Your name, kept with every reading from this device
                <input
                  key={preferences.person}
                  name="person"
                  className="field"
                  defaultValue={preferences.person}
                  maxLength={60}
                  autoComplete="name"
                />
              </label>
              <button type="submit" className="key-main justify-self-start">
                That is me
              </button>
            </form>
          </section>
        )}
        <section className="grid content-start gap-3">
          <h2 className="border-b-2 border-ink pb-1">Units, mixed as you like</h2>
          {style("tape", "Lengths along the tape")}
          {style("small", "Row spacing, offsets")}
          <p className="text-soft">
            A bare number you type is in the unit shown. Any other unit can be typed with its name. The switch
            above goes back to all metres, or all feet and inches.
          </p>
        </section>
        <div className="grid content-start gap-6">
          <Aboard />
          <PhoneSection phone={phone} />
        </div>
      </div>
      <section>
        <h2 className="border-b-2 border-ink pb-1">Keys on a rig's screens</h2>
        <KeyList className="grid-cols-3 pt-2 max-lg:grid-cols-1" />
      </section>
    </YardFrame>
  );
}
