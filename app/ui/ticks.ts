/** Round numbers from `from` to `to`, both included where they are round: about `count` of them, steps of 1, 2 or 5 times a power of ten. */
export function roundTicks(from: number, to: number, count: number): number[] {
  if (!(to > from)) return [from];
  const raw = (to - from) / count;
  const power = 10 ** Math.floor(Math.log10(raw));
  const step = power * ([1, 2, 5, 10].find((each) => each * power >= raw - 1e-9) ?? 10);
  const first = Math.ceil(from / step - 1e-9);
  const last = Math.floor(to / step + 1e-9);
  return Array.from({ length: last - first + 1 }, (_, index) =>
    Number(((first + index) * step).toPrecision(12)),
  );
}
