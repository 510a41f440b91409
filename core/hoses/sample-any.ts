/** Problems at random, for property tests. */
import fc from "fast-check";
import type { HoseFunction } from "./circuit.ts";
import { PHASES, type Phase } from "./phases.ts";
import type { Problem } from "./problem.ts";
import { litresPerMinute, sampleFunction, sampleProblem, sampleRemote } from "./sample.ts";

const maybe = <T>(value: T) => fc.constantFrom(value, null);
const use = fc.constantFrom("moves", "floats", "holds", "runs", undefined, undefined);

/** Small cases of every sort: few couplings, needs that clash, phases that may and may not be parked between. */
export const anyProblem: fc.Arbitrary<Problem> = fc
  .record({
    parked: fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
    remotes: fc.array(
      fc.record({
        action: fc.constantFrom("double", "double", "single"),
        float: fc.boolean(),
        detent: fc.boolean(),
        automatic: fc.boolean(),
        flow: maybe(litresPerMinute(50)),
        place: fc.constantFrom("rear", "rear", "front"),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    functions: fc.array(
      fc.record({
        uses: fc.tuple(use, use, use),
        action: fc.constantFrom("double", "double", "single", "motor"),
        automatic: fc.constantFrom(true, false, false),
        trigger: fc.boolean(),
        lockable: fc.constantFrom(true, true, false),
        place: fc.constantFrom("rear", "rear", "rear", "front"),
        flow: fc.constantFrom(null, litresPerMinute(30), litresPerMinute(70)),
        kind: fc.constantFrom("lift", "wing"),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    freeReturn: fc.boolean(),
    powerBeyond: fc.constantFrom(true, false, false),
    mainLever: maybe(1),
    pin: fc.option(fc.tuple(fc.nat({ max: 3 }), fc.integer({ min: 1, max: 3 })), { freq: 4 }),
  })
  .map(({ parked, remotes, functions, freeReturn, powerBeyond, mainLever, pin }) => {
    const phases: Phase[] = PHASES.slice(0, 3).map((phase, at) => ({
      ...phase,
      parkedBefore: parked[at]!,
      together: at === 1,
    }));
    return sampleProblem(
      remotes.map((remote, at) => sampleRemote(at + 1, remote as never)),
      functions.map(({ uses, ...rest }, at) => {
        const entries = uses.flatMap((each, phase) => (each ? [[phases[phase]!.key, each]] : []));
        return sampleFunction(at + 1, {
          ...rest,
          uses: Object.fromEntries(entries),
        } as Partial<HoseFunction>);
      }),
      {
        phases,
        tractor: { freeReturn, powerBeyond, mainLever, pumpFlow: litresPerMinute(90) },
        pins: new Map(pin ? [pin] : []),
        habits: new Map([["wing", 2]]),
      },
    );
  });
