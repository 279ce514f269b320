/** The tones of an SVG as custom properties, so that its colourways reach every shape; each shape has its plain colour too. */
import type { SheetName } from "../drawing/drawing.ts";
import { type Item, tonesIn } from "../scene/items.ts";
import type { Tone } from "../scene/palette.ts";
import type { Scene, SceneWay } from "../scene/scene.ts";
import { escaped } from "./svg-text.ts";
import type { Attributes } from "./svg-words.ts";

/** What a style element says. The rule is wrapped so that readers that know no custom properties keep to the attributes. */
export function styleOf(
  scene: Scene,
  items: readonly Item[],
  root: string,
  dark: string | undefined,
): string {
  const properties = propertiesOf(scene.tones);
  const ways = scene.ways
    .filter(({ shown }) => !shown)
    .map(({ name, tones }) => `#${root}[${WAY}="${name}"]{${propertiesOf(tones)}}`);
  const flat = new Set(items.map(({ paint }) => (paint.kind === "tone" ? paint.tone : paint.base).variable));
  const stops = new Set(
    items.flatMap(({ paint }) =>
      paint.kind === "gradient" ? tonesIn(paint).map(({ variable }) => variable) : [],
    ),
  );
  const fills = scene.tones.flatMap(({ variable }) => {
    const own = `#${root} .f-${variable}{fill:var(--${variable})}#${root} .s-${variable}{stroke:var(--${variable})}`;
    const stop = `#${root} .g-${variable}{stop-color:var(--${variable})}`;
    return [...(flat.has(variable) ? [own] : []), ...(stops.has(variable) ? [stop] : [])];
  });
  return `@supports (color:var(--a)){#${root}{${properties}}${ways.join("")}${darkOf(scene, root, dark)}${fills.join("")}}`;
}

/** A page that names a colourway itself has that; otherwise dark pages have their own. */
function darkOf(scene: Scene, root: string, dark: string | undefined): string {
  const way = darkWay(scene, dark);
  return way ? `@media (prefers-color-scheme:dark){#${root}:not([${WAY}]){${propertiesOf(way.tones)}}}` : "";
}

const darkWay = ({ ways }: Scene, dark: string | undefined): SceneWay | undefined =>
  ways.find(({ name, shown }) => name === dark && !shown);

/** The attribute of the root that names the colourway it is painted in. */
const WAY = "data-colourway";

/** A file that has a colourway for dark pages names no colourway itself. */
export const wayOf = (scene: Scene, dark: string | undefined): Attributes => ({
  [WAY]: darkWay(scene, dark) ? undefined : scene.ways.find(({ shown }) => shown)?.name,
});

/** A picture of ours in another of its colourways. */
export const inColourway = (svg: string, name: string): string =>
  svg.replace(new RegExp(`(<svg [^>]*${WAY}=")[^"]*`), (_, before: string) => `${before}${escaped(name)}`);

/** A picture of ours without some of its sheets. */
export const withoutSheets = (svg: string, names: readonly SheetName[]): string =>
  svg.replace(
    "</style>",
    () => `${names.map((name) => `[id=${name}],[data-sheet=${name}]{display:none}`).join("")}</style>`,
  );

const propertiesOf = (tones: readonly Tone[]): string =>
  tones.map(({ variable, value }) => `--${variable}:${value}`).join(";");
