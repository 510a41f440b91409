import type { Config } from "@react-router/dev/config";

export default {
  ssr: true,
  // What the engine compiled of it can be laid beside it in this format alone: a server is up in half of the time.
  serverModuleFormat: "cjs",
  serverBuildFile: "index.cjs",
  future: { v8_middleware: true },
  // A browser that learns of routes only as links come in sight loses a press that falls into the learning.
  routeDiscovery: { mode: "initial" },
} satisfies Config;
