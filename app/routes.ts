import { index, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  index("routes/yard.tsx"),
  route("rigs/:rigId", "routes/rig.tsx"),
  route("rigs/:rigId/card", "routes/card.tsx"),
  route("rigs/:rigId/card/print", "routes/card-print.tsx"),
  route("rigs/:rigId/taskdata.zip", "routes/taskdata.ts"),
  route("rigs/:rigId/:station", "routes/station.tsx"),
  route("preferences", "routes/preferences.ts"),
] satisfies RouteConfig;
