import type { Nib } from "#core/drawing/drawing.ts";
import { pathData } from "#core/formats/svg-path.ts";
import { nibOutline } from "#core/lines/nib-outline.ts";

const WAVE = [4, 13, 16, 4, 24, 22, 36, 9];

/** One stroke of a nib. */
export function NibPicture({ nib, className = "h-6 w-12" }: { nib: Nib; className?: string }) {
  const outline = nibOutline({
    points: WAVE,
    closed: false,
    cap: "round",
    width: nib.strands > 1 ? 11 : 5,
    profile: nib.profile,
    strands: nib.strands,
  });
  return (
    <svg viewBox="0 0 40 24" aria-hidden="true" className={className}>
      <path d={outline.map((chain) => pathData(chain, true, 2)).join("")} fill="currentColor" />
    </svg>
  );
}
