/** The walls of the house: which way imports run. Checked by `npm test`, types included. */
/** Tests, and what only they use, may look anywhere. */
const TESTING = "(\\.test\\.tsx?$|/testing\\.ts$|^testing/|^e2e/)";

const arrow = (name, from, to, comment) => ({
  name,
  comment,
  severity: "error",
  from: { pathNot: TESTING, ...from },
  to,
});

module.exports = {
  forbidden: [
    {
      name: "no-circles",
      comment: "Two files that need each other are one, or share a third.",
      severity: "error",
      from: {},
      to: { circular: true },
    },
    arrow(
      "core-alone",
      { path: "^core/" },
      { path: "^(app|server|bin|bench|demo)/" },
      "Imports run app -> core.",
    ),
    arrow(
      "facts-first",
      { path: "^core/drawing/" },
      { path: "^core/(pockets|scene|formats)/" },
      "A drawing's facts know nothing of what is derived from them.",
    ),
    arrow(
      "geometry-below",
      { path: "^core/geometry/" },
      { path: "^core/(?!geometry/)" },
      "Geometry knows nothing but points and curves.",
    ),
    arrow(
      "scene-above-pockets",
      { path: "^core/(pockets|lines|colour)/" },
      { path: "^core/(scene|formats)/" },
      "What is shown and written is made from pockets, not the other way round.",
    ),
    arrow(
      "work-below-desk",
      { path: "^app/work/" },
      { path: "^app/(desk|drawer|scan|routes)/" },
      "Workers serve any page.",
    ),
    arrow(
      "tests-alone",
      { path: "^(app|core|server|bin|demo)/" },
      { path: "^testing/" },
      "What helps tests is for tests and benches.",
    ),
    arrow(
      "tools-keep-out",
      { path: "^app/desk/tools/" },
      { path: "^app/keep/" },
      "Tools make edits; the desk keeps them.",
    ),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.base.json" },
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^build|^\\.react-router|\\+types)" },
  },
};
