import { index, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  index("routes/drawer.tsx"),
  route("scan", "routes/scan.tsx"),
  route("desk/:id", "routes/desk.tsx"),
  route("help/:page?", "routes/help.tsx"),
  route("demo/:file", "routes/demo.ts"),
  route("proof", "routes/proof.ts"),
] satisfies RouteConfig;
