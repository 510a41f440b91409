import { beforeAll, describe, expect, it } from "vitest";
import { appears, fill, press, seen, visit } from "./acts.ts";
import { DESK, openPage, PHONE } from "./browser.ts";
import { faultsOf } from "./faults.ts";
import { browser, machine, openForFile, rig, rigId, yard } from "./fixture.ts";

const SCREENS = [
  "/",
  `${rig("Grain drill")}/antenna`,
  `${rig("Borrowed drill")}/tool`,
  `${rig("Borrowed drill")}/tool?at=tool.lateral`,
  `${rig("Borrowed drill")}/tool?at=sections`,
  `${rig("Stubble cultivator")}/match`,
  `${rig("Stubble cultivator")}/match?at=work.depth`,
  `${rig("Borrowed drill")}/match`,
  `${rig("Mowers")}/hitch`,
  `${rig("Stubble cultivator")}/hitch?at=work.topLink`,
  `${rig("Seed cart")}/balance`,
  `${rig("Stubble cultivator")}/balance?at=tractor.front`,
  `${rig("Stubble cultivator")}/ground`,
  `${rig("Reversible plough")}/ground`,
  `${rig("Reversible plough")}/ground/paper`,
  `${rig("Sprayer")}/rate`,
  `${rig("Sprayer")}/calibrate/flow-nozzles`,
  `${rig("Planter")}/calibrate/stand`,
  `${rig("Spreader")}/calibrate/trays`,
  `${rig("Sprayer")}/job`,
  `${rig("Electric drill")}/guidance`,
  `${rig("Combine")}/log`,
  `${rig("Sprayer")}/handover`,
  "/fields",
  "/fields/1",
  "/log",
  "/spoilt",
  "/service",
  "/rates",
  "/plan",
  "/plan/jobs",
  "/faults",
  `${rig("Sprayer")}/world`,
  "/season",
  "/year?year=2026",
  `${machine("Oxmoor 430 J")}/down`,
  `${rig("Seed cart")}/errands`,
  `${machine("Oxmoor 240")}/service`,
  `${rig("Electric drill")}/rounds`,
  "/symptoms",
  `/symptoms?rig=${rigId("Row hoe")}&find=thrown`,
  `${rig("Roller cultivator")}/hoses`,
  `${rig("Seed cart")}/hoses`,
  `${rig("Roller cultivator")}/hoses/tags`,
  `${rig("Roller cultivator")}/sequences/unfold`,
  `${rig("Roller cultivator")}/sequences/unfold/edit`,
  `${rig("Meadow drill")}/ladder`,
  `${rig("Roller cultivator")}/rehearse`,
  `${rig("Planter")}/hoses?fn=22`,
  `${machine("Oxmoor 240")}/oil`,
  `${machine("Tessbury Roller 82")}/oil`,
  `${rig("Stubble cultivator")}/hook-up`,
  `${rig("Meadow drill")}/hook-up`,
  `${rig("Mowers")}/tool`,
  `${rig("Grain drill")}/card`,
  `${rig("Borrowed drill")}/card`,
  `${rig("Meadow drill")}/card`,
  `${rig("Meadow drill")}/cards/1/print`,
  `${rig("Meadow drill")}/cards/1/read-back`,
  `${rig("Meadow drill")}/tool?view=side`,
  "/begin",
  "/rigs/new",
  "/machines",
  `${machine("Belvane 118")}`,
  `${machine("Wendrick H 620")}`,
  "/machines/new?kind=implement",
  "/tyres",
  "/tyres/1",
  "/tyres/new",
  "/limits",
  "/schemes",
  "/schemes/hitch-m",
  "/files",
  "/tape-list",
  "/device",
  "/rigs/99",
];

/** A phone has the desk's pages and colours: barriers are looked for where it draws alone, or otherwise. */
const OF_PHONE = [
  "/",
  `${rig("Borrowed drill")}/tool?at=tool.lateral`,
  `${rig("Row hoe")}/ground`,
  `${rig("Sprayer")}/job`,
  `${rig("Combine")}/log`,
  "/fields/1",
  `${rig("Planter")}/calibrate/stand`,
  `${rig("Roller cultivator")}/hoses`,
  `${rig("Stubble cultivator")}/hook-up`,
  `${rig("Meadow drill")}/cards/1/read-back`,
  "/device",
];

/** Pages made of what another one here has: looked at for letters and edges, not for barriers again. */
const ALIKE: readonly string[] = [
  `${rig("Borrowed drill")}/match`,
  `${rig("Meadow drill")}/hook-up`,
  `${rig("Mowers")}/tool`,
  `${rig("Grain drill")}/card`,
  `${machine("Wendrick H 620")}`,
  "/tyres/new",
];

openForFile({ pages: "none" });

/** The same colours stand on every page: each second one is enough to find one that is too weak by night. */
const byNight = (_: string, at: number) => at % 2 === 0;

describe("every screen has no serious barrier, no console error, nothing cut off sideways", () => {
  let shown: Awaited<ReturnType<typeof openPage>>;
  beforeAll(async () => {
    shown = await openPage(browser);
  });
  const own = SCREENS.filter((each) => !ALIKE.includes(each));
  const night = new Set(own.filter(byNight));
  it.each(SCREENS)("%s", async (screen) => {
    const look = { barriers: own.includes(screen), byNight: night.has(screen), narrow: PHONE };
    expect(await faultsOf(shown, yard.address + screen, DESK, look)).toEqual([]);
  });

  const atNight = new Set(OF_PHONE.filter(byNight));
  it.each(OF_PHONE)("%s, on the phone", async (screen) => {
    const look = { barriers: true, byNight: atNight.has(screen) };
    expect(await faultsOf(shown, yard.address + screen, PHONE, look)).toEqual([]);
  });
});

/** A name as long as one may be, and of one word. */
const LONG = "Donaudampfschifffahrtselektrizitaetenhauptbetriebswerkbauun";

const NARROW = [
  "/",
  ...["tool", "told", "match", "hitch", "balance", "hoses", "hook-up", "card", "ladder", "proof"].map(
    (page) => `${rig("Mowers")}/${page}`,
  ),
  ...["sections", "sheet", "budget", "swaths"].map((page) => `${rig("Borrowed drill")}/${page}`),
  ...["/rigs/new", "/machines", "/begin", "/season", "/tape-list", "/traffic", "/words", "/nowhere"],
];

describe("names as long as they may be", () => {
  it("push nothing off the side, on the smallest phone, on its side, enlarged twice, on a desk", async () => {
    const { page } = await openPage(browser);
    await visit(page, `${yard.address}/?find=Mowers`);
    await page.click(`[data-rig="${rigId("Mowers")}"] button[aria-label^="Rename"]`);
    await fill(page, "name", LONG);
    await press(page, "Rename", `[data-rig="${rigId("Mowers")}"]`);
    await seen(page, LONG);
    const found: string[] = [];
    for (const path of NARROW) {
      await page.setViewport({ width: 320, height: 568 });
      await visit(page, yard.address + path);
      for (const [width, height] of [
        [320, 568],
        [640, 400],
        [844, 390],
        [1280, 800],
      ] as const) {
        await page.setViewport({ width, height });
        const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        if (over > 0) found.push(`${path} at ${width}x${height}: ${over} px too wide`);
      }
    }
    expect(found).toEqual([]);
    await page.close();
  });

  it("an entry that is opened lies in sight there, its field under nothing", async () => {
    const hidden: string[] = [];
    for (const [width, height, touch] of [
      [1280, 800, false],
      [640, 400, false],
      [844, 390, true],
      [320, 568, true],
    ] as const) {
      const { page } = await openPage(browser, { width, height, isMobile: touch, hasTouch: touch });
      for (const [name, path] of [
        ["Meadow drill", "tool?at=pin.workFront"],
        ["Meadow drill", "antenna?at=receiver.lateral"],
        ["Mowers", "hitch?at=work.topLink"],
        ["Stubble cultivator", "match?at=work.depth"],
        ["Meadow drill", "tool?at=sections"],
      ] as const) {
        await visit(page, `${yard.address}${rig(name)}/${path}`);
        const seenWhole = await page
          .waitForFunction(
            () => {
              const field = document.querySelector<HTMLElement>(
                "[data-open] input:not([type=hidden]), [data-open] select",
              );
              const box = field?.getBoundingClientRect();
              if (!field || !box || box.top < 0 || box.bottom > window.innerHeight) return false;
              const on = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
              return on !== null && (field.contains(on) || on.contains(field));
            },
            { timeout: 3000 },
          )
          .catch(() => null);
        if (!seenWhole) hidden.push(`${path} at ${width}x${height}`);
      }
      await page.close();
    }
    expect(hidden).toEqual([]);
  });
});

describe("day and night", () => {
  it("are turned by their key, for every page after it and after a fresh start", async () => {
    const { page } = await openPage(browser);
    await visit(page, yard.address);
    const theme = () => page.evaluate(() => document.documentElement.dataset.theme);
    expect(await theme()).toBe("day");
    await press(page, "Night");
    await page.waitForFunction(() => document.documentElement.dataset.theme === "night");
    for (const path of [`${rig("Grain drill")}/antenna`, "/machines"]) {
      await visit(page, yard.address + path);
      expect(await theme(), path).toBe("night");
    }
    await page.close();
  });
});

describe("the drawing", () => {
  it.each([
    [
      `${rig("Grain drill")}/tool`,
      [
        ["receiver", "workFront", 6.862],
        ["pin", "pivot", 5.318],
        ["workFront", "workRear", 0.288],
        ["axle", "pin", 1.126],
      ],
    ],
    [
      `${rig("Grain drill")}/antenna`,
      [
        ["axle", "receiver", 1.472],
        ["axle", "pin", 1.126],
      ],
    ],
    [
      `${rig("Borrowed drill")}/tool`,
      [
        ["receiver", "workFront", 2.845],
        ["pin", "pivot", 6.12],
        ["pin", "workRear", -5.36],
      ],
    ],
    [
      `${rig("Borrowed drill")}/antenna`,
      [
        ["axle", "receiver", 1.905],
        ["axle", "pin", 0.94],
      ],
    ],
    [
      `${rig("Meadow drill")}/tool`,
      [
        ["receiver", "workFront", 5.478],
        ["pin", "pivot", 4.035],
      ],
    ],
  ] as [string, [string, string, number][]][])("%s is to scale on the screen", async (path, spans) => {
    const { page } = await openPage(browser);
    await visit(page, yard.address + path);
    const { middles, metre } = await page.evaluate(() => {
      const svg = [...document.querySelectorAll<SVGSVGElement>("svg.plan")].find(
        (each) => each.clientWidth > 0,
      )!;
      const zoom = Math.min(
        svg.clientWidth / svg.viewBox.baseVal.width,
        svg.clientHeight / svg.viewBox.baseVal.height,
      );
      const points = [...svg.querySelectorAll<SVGElement>("[data-point]")].map((point) => {
        const { top, bottom } = point.getBoundingClientRect();
        return [point.dataset.point, (top + bottom) / 2] as const;
      });
      return {
        middles: Object.fromEntries(points) as Record<string, number>,
        metre: Number(svg.dataset.scale) * zoom,
      };
    });
    for (const [from, to, metres] of spans)
      expect(
        Math.abs(Math.abs(middles[to]! - middles[from]!) / metre - Math.abs(metres)),
        `${from}–${to}`,
      ).toBeLessThan(0.01);
    await page.close();
  });

  it("is to scale from the side as well, on every rig", async () => {
    const { page } = await openPage(browser);
    for (const [rig, receiverToPivot, height] of [
      [1, 7.916, 2.88],
      [2, 8.965, 3.06],
      [3, 6.191, 2.635],
    ] as const) {
      await visit(page, `${yard.address}/rigs/${rig}/tool?view=side`);
      const { along, up, metre } = await page.evaluate(() => {
        const svg = [...document.querySelectorAll<SVGSVGElement>("svg.plan")].find(
          (each) => each.clientWidth > 0,
        )!;
        const zoom = Math.min(
          svg.clientWidth / svg.viewBox.baseVal.width,
          svg.clientHeight / svg.viewBox.baseVal.height,
        );
        const middle = (key: string) => {
          const { left, right, top, bottom } = svg
            .querySelector(`[data-point="${key}"]`)!
            .getBoundingClientRect();
          return { x: (left + right) / 2, y: (top + bottom) / 2 };
        };
        const [receiver, pivot, work] = [middle("receiver"), middle("pivot"), middle("workFront")];
        return {
          along: receiver.x - pivot.x,
          up: work.y - receiver.y,
          metre: Number(svg.dataset.scale) * zoom,
        };
      });
      expect(Math.abs(along / metre - receiverToPivot), `rig ${rig} along`).toBeLessThan(0.015);
      expect(Math.abs(up / metre - height), `rig ${rig} up`).toBeLessThan(0.015);
    }
    await page.close();
  });

  it("opens a reading from its letter, and leads from one station to the other", async () => {
    const { page } = await openPage(browser);
    await visit(page, `${yard.address}${rig("Grain drill")}/tool`);
    await page.click('svg.plan a[data-letter="E"]');
    await appears(page, '[data-open="pin.pivot"]');
    await page.click('svg.plan a[data-letter="A"]');
    await appears(page, '[data-open="receiver.foreAft"]');
    expect(page.url()).toContain("/antenna?at=receiver.foreAft");
    await page.close();
  });

  it("shows the first reading without scrolling", async () => {
    const { page } = await openPage(browser);
    for (const path of [`${rig("Borrowed drill")}/tool`, `${rig("Grain drill")}/antenna`]) {
      await visit(page, yard.address + path);
      expect(await page.$eval("[data-reading]", (row) => row.getBoundingClientRect().bottom)).toBeLessThan(
        800,
      );
    }
    await page.close();
  });
});

describe("the keyboard", () => {
  it("walks round, opens and closes readings, changes units, and is quiet in a field", async () => {
    const { page } = await openPage(browser);
    await visit(page, `${yard.address}${rig("Grain drill")}/antenna`);
    await page.keyboard.press("]");
    await seen(page, "Where the tool meets the ground");
    await page.keyboard.press("[");
    await seen(page, "seen from the axle");
    await page.keyboard.press("j");
    await appears(page, '[data-open="receiver.foreAft"]');
    await page.waitForFunction(() => document.activeElement?.getAttribute("name") === "text");
    await page.keyboard.type("u]n");
    expect(await page.$eval('input[name="text"]', (field) => (field as HTMLInputElement).value)).toBe("u]n");
    await page.keyboard.press("Escape");
    await appears(page, "[data-open]", { hidden: true });
    await page.keyboard.press("u");
    await seen(page, "9' 5 3/8\"");
    await page.keyboard.press("u");
    await seen(page, "2.880 m");
    await page.keyboard.press("v");
    await seen(page, "Rear view");
    expect(page.url()).toContain("view=side");
    await page.keyboard.press("v");
    await seen(page, "Plan view");
    expect(page.url()).toContain("view=rear");
    await page.keyboard.press("v");
    await seen(page, "Side view");
    await page.keyboard.press("?");
    await seen(page, "station after");
    await page.close();
  });
});
