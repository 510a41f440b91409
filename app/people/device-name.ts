const KINDS: readonly (readonly [RegExp, string])[] = [
  [/iPhone/, "iPhone"],
  [/iPad/, "iPad"],
  [/Android.*Mobile/, "Android phone"],
  [/Android/, "Android tablet"],
  [/Windows/, "Windows computer"],
  [/Macintosh/, "Mac"],
  [/CrOS/, "Chromebook"],
  [/Linux/, "Linux computer"],
];

/** What a device is called until somebody calls it otherwise, by how its browser names itself: "Android phone". */
export const deviceName = (agent: string): string =>
  KINDS.find(([sign]) => sign.test(agent))?.[1] ?? "Device";
