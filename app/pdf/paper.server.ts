/** What every sheet of paper has in common: what lays it out, the font that ships, and only signs it has. */
import { resolve } from "node:path";

const FILES = resolve("node_modules/@fontsource/archivo/files");

/** What lays out paper: large, wanted now and then, and to be had at run time alone, as the format its package is in goes. */
export type PaperKit = typeof import("@react-pdf/renderer");

let kit: Promise<PaperKit> | null = null;

/** What lays out paper, with the font that ships. */
export function paperKit(): Promise<PaperKit> {
  kit ??= import("@react-pdf/renderer").then((loaded) => {
    registerFonts(loaded);
    return loaded;
  });
  return kit;
}

function registerFonts({ Font }: PaperKit): void {
  Font.register({
    family: "Archivo",
    fonts: [400, 700].map((fontWeight) => ({
      src: `${FILES}/archivo-latin-${fontWeight}-normal.woff`,
      fontWeight,
    })),
  });
  Font.registerHyphenationCallback((word) => [word]);
}

/** The shipped font has no eighths, minus or primes of their own: written so that every sign is there on paper. */
export function plain(text: string): string {
  return text
    .replace(/\u2212/g, "-")
    .replace(/[\u00a0\u202f]/g, " ")
    .replace(/→/g, "to");
}
