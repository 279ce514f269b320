import type { Colour, Drawing, Gradient, Paint } from "./drawing.ts";

const GREY = "#808080";

/** A drawing whose every paint is in its tin: a colour that a file has lost comes back as a grey to be changed. */
export function withMissingColours(drawing: Drawing): Drawing {
  const { tin, pours, shades, flatShapes, strokes, inkShapes, ink, undercoat, groundShadow, sticker } =
    drawing;
  const tables = [pours, shades, flatShapes, strokes, inkShapes];
  const painted = tables.flatMap((table) => Object.values<{ readonly paint?: Paint | null }>(table));
  const gradients = [pours, flatShapes, shades].flatMap((table) =>
    Object.values<{ readonly gradient?: Gradient }>(table).flatMap(({ gradient }) => gradient?.stops ?? []),
  );
  const over = [
    ...[...Object.values(pours), ...Object.values(flatShapes)].flatMap(({ pattern }) => pattern ?? []),
    ...Object.values(pours).flatMap(({ bands }) => bands?.bands ?? []),
  ];
  const styled = Object.values(drawing.styles).flatMap(({ shapes, gradient }) => [
    ...shapes,
    ...(gradient?.stops ?? []),
  ]);
  const used = new Set(
    [
      ...over,
      ...styled,
      ...gradients,
      { paint: ink },
      { paint: undercoat },
      ...(groundShadow ? [groundShadow] : []),
      ...(sticker ? [sticker] : []),
      ...painted,
    ].flatMap(({ paint }) => paint?.colour ?? []),
  );
  const missing = [...used].filter((id) => !Object.hasOwn(tin, id));
  if (missing.length === 0) return drawing;
  const top = Object.values(tin).reduce((rank, colour) => Math.max(rank, colour.rank), 0);
  const found = missing.map(
    (id, i): Colour => ({ id, rank: top + i + 1, name: "Missing colour", value: GREY }),
  );
  return { ...drawing, tin: { ...tin, ...Object.fromEntries(found.map((colour) => [colour.id, colour])) } };
}
