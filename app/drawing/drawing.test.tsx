import { renderToStaticMarkup } from "react-dom/server";
import { MemoryRouter } from "react-router";
import { describe, expect, it } from "vitest";
import { drawPlan } from "../../core/drawing/plan.ts";
import { drawRear } from "../../core/drawing/rear.ts";
import type { DrawnRig, Sheet } from "../../core/drawing/sheet.ts";
import { drawSide } from "../../core/drawing/side.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import { sampleRig } from "../../core/rig/sample.ts";
import { plantedYard } from "../../data/demo/planted.ts";
import { listEveryTool } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import { PlanDrawing } from "./PlanDrawing.tsx";

const SHEET = {
  width: 424,
  height: 736,
  region: "rig",
  labels: "values",
  station: "tool",
  sections: true,
  only: null,
  units: PRESETS.metric,
} as const satisfies Sheet;

function markup(plan: DrawnRig, lit: string | null = null, linked = true): string {
  return renderToStaticMarkup(
    <MemoryRouter>
      <PlanDrawing
        plan={plan}
        title="Grain drill, seen from above"
        hrefOf={linked ? (target) => `/rigs/1/tool?at=${target}` : null}
        lit={lit}
      />
    </MemoryRouter>,
  ).replaceAll("\u00a0", " ");
}

describe("the drawing on a page", () => {
  const plan = drawPlan(sampleRig(), SHEET);

  it("is a picture with a name, as large as its sheet, in a scale that can be read off it", () => {
    const svg = markup(plan);
    expect(svg).toContain('viewBox="0 0 424 736"');
    expect(svg).toContain('aria-label="Grain drill, seen from above"');
    expect(svg).toContain(`data-scale="${plan.scale}"`);
    for (const { key, x, y } of plan.points)
      expect(svg).toMatch(new RegExp(`cx="${x}" cy="${y}"[^>]* data-point="${key}"`));
  });

  it("has a link for every letter, called by its reading, and none where letters lead nowhere", () => {
    const svg = markup(plan);
    for (const { target } of plan.marks) expect(svg).toContain(`href="/rigs/1/tool?at=${target}"`);
    expect(svg.match(/<a /g)).toHaveLength(plan.marks.length);
    expect(markup(plan, null, false)).not.toContain("<a ");
  });

  it("lights the one that is open", () => {
    const lit = (svg: string) => svg.match(/class="[^"]*\blit\b/g)?.length ?? 0;
    expect(lit(markup(plan))).toBe(0);
    expect(lit(markup(plan, "tool.width"))).toBe(1);
  });

  it("draws what is only assumed otherwise than what was measured", () => {
    const missing = markup(drawPlan(sampleRig({ "pin.workFront": null }), SHEET));
    expect(missing).toMatch(/data-point="workFront" data-assumed="true"/);
    expect(markup(plan)).toMatch(/data-point="workFront" data-assumed="false"/);
  });

  it("writes nothing smaller than fourteen pixels", () => {
    for (const draw of [drawPlan, drawSide, drawRear])
      for (const [, size] of markup(draw(sampleRig(), SHEET)).matchAll(/font-size="([\d.]+)"/g))
        expect(Number(size)).toBeGreaterThanOrEqual(14);
  });
});

describe("every rig of the demo yard", () => {
  const db = plantedYard();

  it("is drawn from above, the side and behind in numbers alone, in metres and in feet", () => {
    for (const whole of wholesOf(db, listEveryTool(db)).values())
      for (const { rig, name } of whole.parts)
        for (const draw of [drawPlan, drawSide, drawRear])
          for (const units of [PRESETS.metric, PRESETS.us]) {
            const svg = markup(draw(rig, { ...SHEET, units }));
            expect(svg, name).not.toMatch(/NaN|Infinity|undefined/);
          }
  });
});
