import { mkdtempSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { afterEach, describe, expect, it } from "vitest";
import { INVITED_FOR, MOST_AGE, MOST_IDLE, People, PeopleProblem, type Shown } from "./people.ts";

const T0 = Date.parse("2026-09-01T06:00:00Z");
const DAY = 24 * 3600_000;

let people = new People(":memory:");
afterEach(() => {
  people.close();
  people = new People(":memory:");
});

/** Somebody who was invited and came. */
function come(name: string, role: "owner" | "operator" | "adviser", at = T0): Shown & { personId: number } {
  const shown = people.accept(people.invite({ name, role }, "", at), { called: "", deviceName: "Phone" }, at);
  return { ...shown, personId: people.called(name)!.id };
}

describe("an invitation", () => {
  it("lets one device in, once", () => {
    const token = people.invite({ name: "Ilse Moor", role: "operator" }, "Owner", T0);
    expect(people.invited(token, T0)).toMatchObject({ name: "Ilse Moor", role: "operator", by: "Owner" });
    const { session } = people.accept(token, { called: "", deviceName: "Phone" }, T0);
    expect(people.who(session, T0)).toMatchObject({ person: "Ilse Moor", role: "operator", device: "Phone" });
    expect(() => people.accept(token, { called: "", deviceName: "Other" }, T0)).toThrow(PeopleProblem);
    expect(people.invited(token, T0)).toBeNull();
    expect(people.list(T0)[0]!.devices).toHaveLength(1);
  });

  it("runs out, and can be taken back", () => {
    const token = people.invite({ name: "A", role: "operator" }, "", T0);
    expect(people.invited(token, T0 + INVITED_FOR)).toBeNull();
    expect(() => people.accept(token, { called: "", deviceName: "" }, T0 + INVITED_FOR)).toThrow("run out");
    const other = people.invite({ name: "B", role: "operator" }, "", T0);
    people.uninvite("B", T0 + INVITED_FOR);
    expect(people.invited(other, T0)).toBeNull();
  });

  it("of somebody without a name asks for one, and two cannot have the same, whatever its case", () => {
    const token = people.invite({ name: "", role: "owner" }, "", T0);
    expect(() => people.accept(token, { called: " ", deviceName: "" }, T0)).toThrow("name");
    // Refused, it is good still.
    people.accept(token, { called: "Jorid Vale", deviceName: "Desk" }, T0);
    expect(() => people.invite({ name: "jorid vale", role: "operator" }, "", T0)).toThrow("already");
  });

  it("for somebody who left lets nobody in", () => {
    come("Owner", "owner");
    const { personId } = come("Ilse", "operator");
    const token = people.invite({ personId }, "", T0);
    people.endPerson(personId, T0);
    expect(() => people.accept(token, { called: "", deviceName: "" }, T0)).toThrow(PeopleProblem);
  });
});

describe("a session", () => {
  it("ends after a season, after a month unseen, and by leaving; the device is known still", () => {
    const { session, device } = come("Ilse", "operator");
    expect(people.who(session, T0 + MOST_IDLE - 1)).not.toBeNull();
    expect(people.who(session, T0 + MOST_IDLE)).toBeNull();
    for (let at = T0; at < T0 + MOST_AGE; at += 20 * DAY) people.seen(session, at);
    expect(people.who(session, T0 + MOST_AGE - 1)).not.toBeNull();
    expect(people.who(session, T0 + MOST_AGE)).toBeNull();
    people.leave(session);
    expect(people.who(session, T0 + 1)).toBeNull();
    expect(people.knownDevice(device)).not.toBeNull();
  });

  it("holds while the clock is set back", () => {
    const { session } = come("Ilse", "operator");
    expect(people.who(session, T0 - 40 * DAY)).not.toBeNull();
  });

  it("of a revoked device ends at once, and the device is not known again", () => {
    const { session, device } = come("Ilse", "operator");
    const { deviceId } = people.who(session, T0)!;
    people.endDevice(deviceId, T0);
    expect(people.who(session, T0)).toBeNull();
    expect(people.knownDevice(device)).toBeNull();
    expect(() => people.endDevice(deviceId, T0)).toThrow("before");
  });

  it("is one a device: coming in again takes the place of the one before", () => {
    const { session, device, personId } = come("Ilse", "operator");
    const again = people.comeIn(personId, device, "Phone", T0);
    expect([people.who(session, T0), people.who(again.session, T0)?.person]).toEqual([null, "Ilse"]);
    expect(people.list(T0)[0]!.devices).toHaveLength(1);
    // With what somebody else's device shows it is a new one.
    const other = come("Ulf", "operator");
    people.comeIn(personId, other.device, "Desk", T0);
    expect(people.list(T0).find(({ name }) => name === "Ilse")!.devices).toHaveLength(2);
  });

  it("ends elsewhere where a passphrase is chosen", () => {
    const first = come("Ilse", "operator");
    const second = people.comeIn(first.personId, null, "Desk", T0);
    people.setPassphrase(first.personId, "hash", second.session);
    expect([people.who(first.session, T0), people.who(second.session, T0)?.device]).toEqual([null, "Desk"]);
    expect(people.called("ILSE ")).toEqual({ id: first.personId, passphrase: "hash" });
  });
});

describe("a yard", () => {
  it("keeps an owner", () => {
    expect(people.isWithoutOwner(T0)).toBe(true);
    const { personId, session } = come("Jorid", "owner");
    expect(people.isWithoutOwner(T0)).toBe(false);
    expect(() => people.changeRole(personId, "operator")).toThrow("Nobody would own");
    expect(() => people.endPerson(personId, T0)).toThrow("Nobody would own");
    expect(people.who(session, T0)).not.toBeNull();
    const other = come("Ilse", "operator");
    people.changeRole(other.personId, "owner");
    people.endPerson(personId, T0);
    expect(people.who(session, T0)).toBeNull();
    // Nobody has the name now.
    expect(people.called("Jorid")).toBeNull();
    expect(people.isWithoutOwner(T0 + MOST_IDLE)).toBe(true);
  });

  it("keeps nothing that lets anybody in, in a file only who runs it reads", () => {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-people-"));
    try {
      const path = join(folder, "yard.db.people");
      const kept = new People(path);
      const token = kept.invite({ name: "A", role: "owner" }, "", T0);
      const { session, device } = kept.accept(token, { called: "", deviceName: "" }, T0);
      const waits = kept.invite({ name: "B", role: "operator" }, "", T0);
      kept.close();
      expect(statSync(path).mode & 0o077).toBe(0);
      const file = new SqliteFile(path, { readonly: true });
      const all = ["person", "device", "session", "invitation"].flatMap((table) =>
        file.prepare(`select * from ${table}`).raw().all(),
      );
      file.close();
      for (const secret of [token, session, device, waits]) expect(JSON.stringify(all)).not.toContain(secret);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

describe("what waits on a device", () => {
  it("is known once it said so, and was not before", () => {
    const { session } = come("Ilse Moor", "owner");
    const who = people.who(session, T0)!;
    expect(who.waits).toBeNull();
    people.told(who.deviceId, { waiting: 4, refused: 1 }, T0 + DAY);
    const waits = { waiting: 4, refused: 1, told: T0 + DAY };
    expect(people.who(session, T0)!.waits).toEqual(waits);
    expect(people.list(T0)[0]!.devices[0]!.waits).toEqual(waits);
  });

  it("is kept in a file of an earlier build as well, and nothing that is in it is lost", () => {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-people-"));
    const path = join(folder, "yard.db.people");
    const before = new People(path);
    const { session } = before.accept(
      before.invite({ name: "Ilse Moor", role: "owner" }, "", T0),
      { called: "", deviceName: "Phone" },
      T0,
    );
    before.close();
    const file = new SqliteFile(path);
    for (const column of ["waiting", "refused", "told"])
      file.exec(`alter table device drop column ${column}`);
    file.close();
    const after = new People(path);
    const who = after.who(session, T0)!;
    expect(who).toMatchObject({ person: "Ilse Moor", waits: null });
    after.told(who.deviceId, { waiting: 1, refused: 0 }, T0);
    after.close();
    const again = new People(path);
    expect(again.who(session, T0)!.waits?.waiting).toBe(1);
    again.close();
    rmSync(folder, { recursive: true, force: true });
  });
});
