import type { Phone } from "./addresses.server.ts";
import { QrCode } from "./QrCode.tsx";
import { TRUSTING } from "./trusting.ts";

/** How a phone comes to this server, and what it needs to work out of reach of it. */
export function PhoneSection({ phone: { places, fingerprint } }: { phone: Phone }) {
  return (
    <section className="grid content-start gap-3">
      <h2 className="border-b-2 border-ink pb-1">The phone</h2>
      {places.length === 0 && (
        <p>
          This server answers on this machine only. Start it with{" "}
          <code className="whitespace-nowrap">--lan</code>, and this place shows the address for a phone in
          the same network.
        </p>
      )}
      {places.map(({ address, qr }) => (
        <figure key={address} className="grid justify-items-start gap-1">
          <QrCode svg={qr} of={address} className="size-44" />
          <figcaption className="font-[650]">{address}</figcaption>
        </figure>
      ))}
      {fingerprint !== null && (
        <>
          <p>
            Point the phone's camera at it; who comes in for the first time needs an invitation of the
            owner's. It shows how to trust this yard, once, and after that opens Ambrek at once. Compare this
            fingerprint with the phone's:
          </p>
          <p className="figure text-soft">{fingerprint.replaceAll(":", ":\u200b")}</p>
          <p>{TRUSTING.out}</p>
        </>
      )}
    </section>
  );
}
