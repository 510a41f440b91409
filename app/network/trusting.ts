/** How a phone is told to trust this yard, in the words of its settings; they differ a little between makers. */

/** Where the yard's certificate is loaded from. */
export const AUTHORITY_FILE = "/ambrek-authority.crt";

/** How it is done on a phone, and undone; the words differ a little between makers. */
export const TRUSTING = {
  android: [
    "Press “Load the certificate”. It is kept among the downloads.",
    "Settings, search for “certificate”: Install a certificate, CA certificate, Install anyway.",
    "Choose ambrek-authority.crt. Compare the fingerprint: Trusted credentials, User.",
  ],
  iphone: [
    "Press “Load the certificate” and allow the profile.",
    "Settings, General, VPN & Device Management: install the profile.",
    "Settings, General, About, Certificate Trust Settings: switch it on.",
  ],
  out: "To take it out again: Android, Settings, Trusted credentials, User. iPhone, Settings, General, VPN & Device Management. Nothing else on the phone is touched by it.",
} as const;
