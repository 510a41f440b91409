import { describe, expect, it } from "vitest";
import { appears, figures, fill, keep, press, pressOn, seen, textOf, visit } from "./acts.ts";
import { openPage, PHONE } from "./browser.ts";
import { browser, errors, openForFile, page, rig, yard } from "./fixture.ts";

openForFile({ pages: "one" });

/** The size of a file the page offers, as a browser would fetch it. */
const fetched = (path: string) =>
  page.evaluate(async (href) => {
    const answer = await fetch(href);
    return { status: answer.status, bytes: (await answer.arrayBuffer()).byteLength };
  }, path);

describe("a train of three behind a jointed tractor", () => {
  it("opens where it is stopped: at the one length nobody taped, of the tool it concerns", async () => {
    await visit(page, `${yard.address}${rig("Cart, drill")}`);
    await seen(page, "Hitch to hitch of the second implement is missing");
    expect(await textOf(page, '[aria-label="Tools of this rig"] [aria-current]')).toContain(
      "Tessbury Press 92",
    );
    await visit(page, `${yard.address}${rig("Cart, drill")}/card?tool=${toolIn(page.url())}`);
    await seen(page, "Hitch to hitch of the second implement is missing");
    expect(await page.$("a ::-p-text(ISO 11783-10 file)")).toBeNull();
  });

  it("is cleared by that length: card, loads and file follow", async () => {
    await visit(page, `${yard.address}${rig("Cart, drill")}/antenna?tool=${toolIn(page.url())}`);
    await press(page, "Tape U");
    await appears(page, "[data-open]");
    await fill(page, "person", "Joren Talbeck");
    await keep(page, "6.71");
    await seen(page, "Nothing stops this rig");
    await pressOn(page, 'nav[aria-label="Walk-round"] ::-p-text(Cab card)');
    await appears(page, "[data-card-line]");
    // 1.460 + 6.120 + 6.710 behind the axle
    expect((await figures(page))["Axle to connection"]).toBe("14.29 m behind");
    expect(await fetched(`${rig("Cart, drill")}/taskdata.zip`)).toMatchObject({ status: 200 });
    await pressOn(page, 'nav[aria-label="Walk-round"] ::-p-text(Balance)');
    await seen(page, "Standing");
    expect(await page.$$eval("table, [role=table]", (all) => all.length)).toBeGreaterThan(0);
  });

  it("has the joint asked of the tractor, and no front wheels that steer", async () => {
    await visit(page, `${yard.address}${rig("Cart, drill")}/antenna`);
    expect(await textOf(page, '[data-reading="tractor.steering"]')).toContain("Articulated frame");
    await appears(page, '[data-reading="tractor.joint"]');
    expect(await page.$('[data-reading="tractor.turn"]')).toBeNull();
  });

  it("has no card for the cart, which only carries", async () => {
    await press(page, "Wexcombe Hopper 45", '[aria-label="Tools of this rig"]');
    await appears(page, '[aria-label="Tools of this rig"] [aria-current] ::-p-text(Wexcombe Hopper 45)');
    await pressOn(page, 'nav[aria-label="Walk-round"] ::-p-text(Cab card)');
    await seen(page, "This tool only carries");
  });
});

describe("a boom in front", () => {
  it("is told its nozzles do not make up its width; counted again, nothing is left to do", async () => {
    await visit(page, `${yard.address}${rig("Front boom")}/tool`);
    await seen(page, "Nozzles and width disagree by 0.500 m");
    await visit(page, `${yard.address}${rig("Front boom")}/tool?at=rows.count`);
    await keep(page, "36");
    await page.waitForFunction(() => !document.body.innerText.includes("disagree"));
    expect(await textOf(page, '[data-reading="rows.count"]')).toContain("36");
  });

  it("lies ahead on the card, in the words of its terminal", async () => {
    await visit(page, `${yard.address}${rig("Front boom")}/card`);
    const card = await figures(page);
    expect(card["Axle to connection"]).toBe("3.92 m ahead");
    expect(card["Connection to working edge, front"]).toBe("0.86 m ahead");
    expect(card["Switch-on delay"]).toBe("0.00 s");
    await seen(page, "drive headland marks");
  });
});

describe("a tool on the links of a tractor on tracks, on the phone", () => {
  it("is asked where the tracks turn, and how far its wheels steer", async () => {
    const { page: phone } = await openPage(browser, PHONE);
    await visit(phone, `${yard.address}${rig("Disc cultivator")}/antenna?at=tractor.turn`);
    await seen(
      phone,
      "from the drive wheels' axle forward to the middle of what the tracks have on the ground",
    );
    await visit(phone, `${yard.address}${rig("Disc cultivator")}/tool?at=tool.axleType`);
    await seen(phone, "terminals are often preset to steered");
    const choices = '[data-open="tool.axleType"] [name="text"]';
    expect(
      await phone.$$eval(choices, (fields) => fields.map((field) => (field as HTMLInputElement).value)),
    ).toEqual(["rigid", "steered wheels", "steered drawbar"]);
    await visit(phone, `${yard.address}${rig("Disc cultivator")}/tool`);
    await appears(phone, '[data-reading="tool.steerAngle"]');
    await phone.close();
  });
});

it("with no fault in the console, all the way", async () => {
  expect(errors.filter((each) => !each.includes("422"))).toEqual([]);
});

function toolIn(url: string): string {
  return new URL(url).searchParams.get("tool") ?? "";
}
