/** What a phone sees that comes without encryption: how to trust this yard once, and on to it where it does already. */
import { randomBytes } from "node:crypto";
import { escaped } from "../ui/markup.ts";
import type { Kept } from "./kept-certificates.server.ts";
import { AUTHORITY_FILE, TRUSTING } from "./trusting.ts";

/** What answers to anybody who asks whether this server is there; it lies with the pages' files. */
const HERE = "/here.txt";

/** The page, and the certificate itself; everything else of the yard is shown over an encrypted line alone. */
export function plainAnswer(path: string, host: string, { authority, fingerprint }: Kept): Response {
  if (path === AUTHORITY_FILE)
    return new Response(authority.certificate, {
      headers: {
        "Content-Type": "application/x-x509-ca-cert",
        "Content-Disposition": 'attachment; filename="ambrek-authority.crt"',
        "Cache-Control": "no-store",
      },
    });
  if (!/^[\w.:[\]-]+$/.test(host)) return new Response("There is no such address here.", { status: 400 });
  const nonce = randomBytes(16).toString("base64");
  return new Response(page(`https://${host}`, fingerprint, nonce), {
    headers: {
      "Content-Type": "text/html; charset=utf-8",
      "Cache-Control": "no-store",
      "Content-Security-Policy": `default-src 'none'; style-src 'nonce-${nonce}'; script-src 'nonce-${nonce}'; connect-src https://${host}; frame-ancestors 'none'; base-uri 'none'`,
      "X-Content-Type-Options": "nosniff",
    },
  });
}

const list = (lines: readonly string[]) =>
  `<ol>${lines.map((line) => `<li>${escaped(line)}</li>`).join("")}</ol>`;

const page = (secure: string, fingerprint: string, nonce: string) => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Ambrek: trust this yard</title>
<style nonce="${nonce}">
body{margin:0 auto;max-width:36rem;padding:1rem 1.25rem 3rem;background:#f6f3ea;color:#1f1b16;font:18px/1.5 system-ui,sans-serif}
h1{font-size:1.6rem;margin:.5rem 0}h2{font-size:1.15rem;margin:1.5rem 0 .25rem;border-bottom:2px solid}
a.key{display:block;margin:.75rem 0;padding:.8rem 1rem;border:2px solid;color:inherit;font-weight:700;text-decoration:none;text-align:center}
a.main{background:#5b2bb5;border-color:#5b2bb5;color:#fff}code{font-size:.95rem;overflow-wrap:anywhere}ol{padding-left:1.4rem;margin:.25rem 0}li{margin:.35rem 0}
</style>
<h1>Trust this yard, once</h1>
<p>So that Ambrek works out of reach, the phone has to know this server again. That is one certificate of this yard's own. It counts for
this yard's network alone, and for nothing else the phone does.</p>
<a class="key main" href="${AUTHORITY_FILE}">1. Load the certificate</a>
<p>Compare this with what stands on the server's own screen. Where it differs, somebody else answers: load nothing.</p>
<p><code>${escaped(fingerprint).replaceAll(":", ":<wbr>")}</code></p>
<h2>Android</h2>${list(TRUSTING.android)}
<h2>iPhone</h2>${list(TRUSTING.iphone)}
<a class="key" id="open" href="${escaped(secure)}/">2. Open Ambrek</a>
<p>Then, in the browser's menu: “Install” or “Add to Home Screen”.</p>
<h2>Out again</h2><p>${escaped(TRUSTING.out)}</p>
<script nonce="${nonce}">
// On to where the link leads, with what stands behind its #: that never goes over the line.
const on = ${JSON.stringify(secure)} + location.pathname + location.search + location.hash;
document.getElementById("open").href = on;
// Trusted already: on to it at once.
fetch(${JSON.stringify(`${secure}${HERE}`)}, { mode: "no-cors", cache: "no-store" }).then(() => location.replace(on), () => {});
</script>
</html>
`;
