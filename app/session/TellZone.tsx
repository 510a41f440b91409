import { useEffect } from "react";
import { useRevalidator } from "react-router";

const YEAR = 365 * 24 * 3600;

/** Tells the server this device's time zone, once and when it changes: times are printed in it. */
export function TellZone() {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const zone = encodeURIComponent(Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC");
    const told = /(?:^|;\s*)zone=([^;]*)/.exec(document.cookie)?.[1];
    if (told === zone) return;
    // biome-ignore lint/suspicious/noDocumentCookie: the cookie store is not there over plain HTTP, where phones are.
    document.cookie = `zone=${zone}; path=/; max-age=${YEAR}; samesite=lax`;
    if (zone !== (told ?? "UTC")) void revalidate();
  }, [revalidate]);
  return null;
}
