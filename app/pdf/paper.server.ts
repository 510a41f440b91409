/** What every sheet of paper has in common: the font that ships, and only signs it has. */
import { resolve } from "node:path";
import { Font } from "@react-pdf/renderer";

const FILES = resolve("node_modules/@fontsource/archivo/files");
let registered = false;

export function registerFonts(): void {
  if (registered) return;
  Font.register({
    family: "Archivo",
    fonts: [400, 700].map((fontWeight) => ({
      src: `${FILES}/archivo-latin-${fontWeight}-normal.woff`,
      fontWeight,
    })),
  });
  Font.registerHyphenationCallback((word) => [word]);
  registered = true;
}

/** The shipped font has no eighths, minus or primes of their own: written so that every sign is there on paper. */
export function plain(text: string): string {
  return text
    .replace(/\u2212/g, "-")
    .replace(/[\u00a0\u202f]/g, " ")
    .replace(/→/g, "to");
}
