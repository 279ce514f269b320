import { stepOf } from "#core/colour/ladder.ts";
import { Button } from "../../ui/button.tsx";
import { useDesk } from "../store/use-desk.ts";
import { shownTin } from "./shown-tin.ts";

interface Props {
  /** What it does, as "Give it", before "in" and the colour's name. */
  readonly does: string;
  readonly onUse: () => void;
}

/** Does something in the colour in hand, which it shows; the name is told, since a long one would be cut. */
export function InHandButton({ does, onUse }: Props) {
  const colour = useDesk((s) => shownTin(s)[s.paint.colour]);
  const step = useDesk((s) => s.paint.step);
  if (!colour) return null;
  const words = `${does} in ${colour.name}`;
  return (
    <Button size="small" aria-label={words} title={words} onClick={onUse}>
      in
      <span
        aria-hidden="true"
        className="h-4 w-4 shrink-0 rounded-full border border-edge"
        style={{ background: stepOf(colour, step) }}
      />
    </Button>
  );
}
