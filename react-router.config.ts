import type { Config } from "@react-router/dev/config";

export default {
  ssr: true,
  future: { v8_middleware: true },
  // A browser that learns of routes only as links come in sight loses a press that falls into the learning.
  routeDiscovery: { mode: "initial" },
} satisfies Config;
