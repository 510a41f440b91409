import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { keepEvent } from "../../data/hookup.ts";
import { rigsInUse } from "../../data/in-use.ts";
import { markOf, settingChanged } from "../../data/record.ts";
import { listRigs } from "../../data/rigs.ts";
import { loader } from "../routes/aboard.ts";
import { openSampleYard, type SampleYard } from "../routes/sample-yard.ts";
import { type AboardList, dataOf, keyOf } from "./aboard.ts";

describe("a page is kept under what it is, not how it is seen", () => {
  it.each([
    ["https://192.168.7.20:4180/rigs/3/tool?at=rows.count", "/rigs/3/tool"],
    ["/rigs/3/tool?tool=5&view=side&after=tool.width", "/rigs/3/tool?tool=5"],
    ["/rigs/3/tool.data?_routes=routes%2Fstation&tool=5", "/rigs/3/tool.data?tool=5"],
    ["/?index", "/"],
    ["/rigs/3/swaths?width=24&field=100", "/rigs/3/swaths?field=100&width=24"],
  ])("%s is %s", (address, key) => expect(keyOf(address)).toBe(key));

  it.each([
    ["/", "/_root.data"],
    ["/rigs/3/tool", "/rigs/3/tool.data"],
    ["/rigs/3/tool?tool=5", "/rigs/3/tool.data?tool=5"],
  ])("the data of %s is at %s", (page, data) => expect(dataOf(page)).toBe(data));
});

describe("what goes along", () => {
  let yard: SampleYard;
  beforeAll(() => {
    yard = openSampleYard();
  });
  afterAll(() => yard.close());

  const list = async (marks = ""): Promise<AboardList> => {
    const request = new Request(`http://127.0.0.1/aboard?marks=${marks}`);
    const answer = await loader({ request } as Parameters<typeof loader>[0]);
    return (await answer.json()) as AboardList;
  };
  const told = (at: Date) => ({ person: "Ilse Marrin", at });
  const now = new Date();
  const daysAgo = (days: number) => new Date(now.getTime() - days * 24 * 3600 * 1000);
  const inUse = (since = daysAgo(30)) => rigsInUse(yard.db, listRigs(yard.db), since.toISOString());

  it("is what was used in the last 30 days; a rig that is coupled, however long ago", () => {
    const before = new Set(inUse(new Date(now.getTime() + 1000)));
    const [first, second, third] = listRigs(yard.db)
      .map(({ id }) => id)
      .filter((id, at, all) => all.indexOf(id) === at && !before.has(id));
    keepEvent(yard.db, first!, "coupled", { id: crypto.randomUUID(), ...told(daysAgo(90)) });
    keepEvent(yard.db, second!, "coupled", { id: crypto.randomUUID(), ...told(daysAgo(90)) });
    keepEvent(yard.db, second!, "uncoupled", { id: crypto.randomUUID(), ...told(daysAgo(80)) });
    keepEvent(yard.db, third!, "uncoupled", { id: crypto.randomUUID(), ...told(daysAgo(2)) });
    const used = inUse();
    expect(used).toContain(first);
    expect(used).not.toContain(second);
    expect(used).toContain(third);
    expect(used.indexOf(first!)).toBeLessThan(used.indexOf(third!));
  });

  it("has of each rig its stations, its lists, its sheet and its steps, and a rig of two tools each of them", async () => {
    const { rigs, pages } = await list();
    expect(pages).toContain("/");
    const [rig] = rigs;
    for (const page of ["", "/antenna", "/hook-up", "/ladder", "/sheet", "/sequences/unfold", "/card"])
      expect(rig!.pages).toContain(`/rigs/${rig!.id}${page}`);
    const parts = listRigs(yard.db);
    const several = rigs.find(({ id }) => parts.filter((part) => part.id === id).length > 1);
    if (several) expect(several.pages.some((page) => page.includes("/tool?tool="))).toBe(true);
  });

  it("is fresh until something is written about it: about another rig it may be", async () => {
    const mark = markOf(yard.db);
    const { rigs } = await list();
    const [one, two] = rigs.map(({ id }) => id);
    const marks = rigs.map(({ id }) => `${id}.${mark}`).join(",");
    const fresh = async () =>
      Object.fromEntries((await list(marks)).rigs.map((each) => [each.id, each.fresh]));
    expect(Object.values(await fresh()).every(Boolean)).toBe(true);
    keepEvent(yard.db, one!, "uncoupled", { id: crypto.randomUUID(), ...told(new Date()) });
    expect(await fresh()).toMatchObject({ [one!]: false, [two!]: true });
    settingChanged(yard.db, "habits", {}, told(new Date()));
    expect(Object.values(await fresh()).some(Boolean)).toBe(false);
  });

  it("asks for everything where marks are none, or are not understood", async () => {
    for (const marks of ["", "x", "1.2.3", "999999.1,;"])
      expect(
        (await list(marks)).rigs.every(({ fresh }) => !fresh),
        marks,
      ).toBe(true);
  });
});
