/**
 * How many of several things in a row there is room for, from the first on: `most` at most, where those without a width count for
 * nothing. Where not all fit, `more` is set aside for what opens the others. Lengths in one unit.
 */
export function howManyFit(
  widths: readonly number[],
  room: number,
  { gap, most, more }: { readonly gap: number; readonly most: number; readonly more: number },
): number {
  const all = within(widths, room, gap, most);
  return all === widths.length ? all : within(widths, room - more - gap, gap, most);
}

function within(widths: readonly number[], room: number, gap: number, most: number): number {
  let used = -gap;
  let shown = 0;
  for (const [i, width] of widths.entries()) {
    if (width === 0) continue;
    used += gap + width;
    if (used > room || shown === most) return i;
    shown++;
  }
  return widths.length;
}
