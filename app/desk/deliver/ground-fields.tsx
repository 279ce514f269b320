import { Sticker as StickerIcon } from "lucide-react";
import type { Sticker } from "#core/drawing/drawing.ts";
import { printed } from "#core/drawing/length.ts";
import { groundsOf, layGround, setSticker } from "#core/drawing/page-edits.ts";
import { changeShapes, removeShapes } from "#core/drawing/shape-edits.ts";
import { Button } from "../../ui/button.tsx";
import { between } from "../../ui/measure.ts";
import { PopoverButton } from "../../ui/popover-button.tsx";
import { SliderRow } from "../../ui/slider-row.tsx";
import { Toggle } from "../../ui/toggle.tsx";
import type { Desk } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** Of the page's width. */
const MOST_RIM = 0.08;
const FIRST_RIM = 0.02;
const PAPER = "seed-paper";

/** What lies beneath the drawing: nothing, a colour over all of the page, a rim of paper. */
export function GroundFields() {
  const grounds = useDesk((s) => groundsOf(s.drawing).length);
  const sticker = useDesk((s) => s.drawing.sticker);
  const page = useDesk((s) => s.drawing.page);
  const pageWidth = page.box.width;
  const hand = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const desk = useDeskStore();
  const { edit, show, keep } = desk.getState();
  const lay = () => {
    const { drawing, paint } = desk.getState();
    const [ground] = groundsOf(drawing);
    const shape = drawing.flatShapes[ground ?? ""];
    edit(shape ? changeShapes([shape], { paint }) : layGround(drawing.page, paint));
  };
  return (
    <PopoverButton
      label="Ground"
      icon={<StickerIcon size={16} aria-hidden />}
      word={
        <span className="text-left text-xs leading-tight">
          {grounds > 0 ? "Ground" : "Clear ground"}
          <br />
          <span className="text-quiet">{sticker ? "with a rim" : "no rim"}</span>
        </span>
      }
    >
      <div className="grid gap-2.5">
        <Button onClick={lay}>Cover the page in {hand}</Button>
        {grounds > 0 ? (
          <Button
            onClick={() => {
              const { drawing } = desk.getState();
              edit(removeShapes(groundsOf(drawing).map((id) => drawing.flatShapes[id])));
            }}
          >
            Clear the ground
          </Button>
        ) : null}
        <p className="text-xs text-quiet">
          It lies on the Ground sheet. Lay a pattern on it or draw a backdrop there in Flats, or drag a
          gradient over it in Light.
        </p>
        <div className="grid gap-2 border-t border-line pt-3">
          <Toggle
            label="A rim of paper around the spot"
            checked={sticker !== null}
            onChange={(on) => edit(setSticker(on ? firstSticker(desk.getState()) : null))}
          />
          {sticker ? (
            <>
              <div className="grid grid-cols-[auto_1fr] gap-x-2">
                <SliderRow
                  label="Width of the rim"
                  measure={between(0, printed(page, MOST_RIM * pageWidth), page.unit, 1)}
                  word="Width"
                  value={sticker.width / pageWidth / MOST_RIM}
                  onChange={(share) =>
                    show(setSticker({ ...sticker, width: Math.max(0.001, share * MOST_RIM) * pageWidth }))
                  }
                  onDone={keep}
                />
              </div>
              <Button onClick={() => edit(setSticker({ ...sticker, paint: desk.getState().paint }))}>
                The rim in {hand}
              </Button>
            </>
          ) : null}
        </div>
      </div>
    </PopoverButton>
  );
}

/** In the paper of the tin that drawings begin with, or in the colour in hand. */
const firstSticker = ({ drawing: { tin, page }, paint }: Desk): Sticker => ({
  paint: Object.hasOwn(tin, PAPER) ? { colour: PAPER, step: 2 } : paint,
  width: FIRST_RIM * page.box.width,
});
