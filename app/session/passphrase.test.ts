import { scryptSync } from "node:crypto";
import { describe, expect, it } from "vitest";
import { hashed, isPassphrase, weakness } from "./passphrase.server.ts";

describe("a passphrase", () => {
  it("is kept as scrypt with a salt of its own, as the runtime's other way to it gives it", async () => {
    const kept = await hashed("seven wet gloves");
    expect(kept).not.toBe(await hashed("seven wet gloves"));
    const [, N, r, p, salt, key] = kept.split("$");
    const again = scryptSync("seven wet gloves", Buffer.from(salt!, "base64"), 32, {
      N: Number(N),
      r: Number(r),
      p: Number(p),
      maxmem: 64 * 1024 * 1024,
    });
    expect(again.toString("base64")).toBe(key);
    expect(await isPassphrase("seven wet gloves", kept)).toBe(true);
    expect(await isPassphrase("seven dry gloves", kept)).toBe(false);
    expect(await isPassphrase("", null)).toBe(false);
  });

  it("is the same however its signs are put together", async () => {
    expect(await isPassphrase("Bu\u0308gel und Riegel", await hashed("B\u00fcgel und Riegel"))).toBe(true);
  });

  it("that is short, a pattern, a row of keys or the name is refused with the reason", () => {
    for (const [text, said] of [
      ["short one", "At least 12"],
      ["aaaaaaaaaaaabbb", "same sign"],
      ["Ilse Moor 12", "your name"],
      ["qwertyuiop123", "row of keys"],
      ["password1234", "row of keys"],
      ["123456789012", "row of keys"],
    ] as const)
      expect(weakness(text, "Ilse Moor"), text).toContain(said);
    for (const good of ["seven wet gloves", "Regen am Dienstag?", "kühl9-Blech-Amsel"])
      expect(weakness(good, "Ilse Moor"), good).toBeNull();
  });
});
