import { BringToFront, Copy, FlipHorizontal2, FlipVertical2, SendToBack, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import { printed } from "#core/drawing/length.ts";
import { aboutPoint, translation } from "#core/geometry/matrix.ts";
import type { Box, Point } from "#core/geometry/point.ts";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NumberField } from "../../../ui/number-field.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import { chosenThings, countThings, duplicateChosen, transformChosen } from "./arrange-state.ts";

const middleOf = ({ x, y, width, height }: Box): Point => [x + width / 2, y + height / 2];

interface ButtonProps {
  readonly frame: Box;
  readonly onOrder: (way: "front" | "back") => void;
  readonly onRemove: () => void;
  /** Buttons beside these. */
  readonly children?: ReactNode;
}

/** What can be done with whatever is chosen: mirror, order, copy, remove. */
export function FrameButtons({ frame, onOrder, onRemove, children }: ButtonProps) {
  const desk = useDeskStore();
  const mirror = (sx: number, sy: number) =>
    transformChosen(desk, aboutPoint(middleOf(frame), sx, sy, 0), "Mirror");
  return (
    <div className="flex gap-0.5 touch:gap-apart">
      <IconButton small label="Mirror left to right" onClick={() => mirror(-1, 1)}>
        <FlipHorizontal2 size={15} aria-hidden />
      </IconButton>
      <IconButton small label="Mirror top to bottom" onClick={() => mirror(1, -1)}>
        <FlipVertical2 size={15} aria-hidden />
      </IconButton>
      <IconButton small label="Bring to the front" onClick={() => onOrder("front")}>
        <BringToFront size={15} aria-hidden />
      </IconButton>
      <IconButton small label="Send to the back" onClick={() => onOrder("back")}>
        <SendToBack size={15} aria-hidden />
      </IconButton>
      <IconButton small label="Duplicate" onClick={() => duplicateChosen(desk)}>
        <Copy size={15} aria-hidden />
      </IconButton>
      <IconButton small label="Duplicate mirrored" onClick={() => duplicateChosen(desk, frame)}>
        <FlipHorizontal2 size={15} aria-hidden strokeDasharray="2 2" />
      </IconButton>
      <IconButton small label="Remove" onClick={onRemove}>
        <Trash2 size={15} aria-hidden />
      </IconButton>
      {children}
    </div>
  );
}

/** Place, size and turn by number, in printed lengths from the page's corner. */
export function FrameNumbers({ frame }: { frame: Box }) {
  const page = useDesk((s) => s.drawing.page);
  const desk = useDeskStore();
  const perUnit = printed(page, 1);
  const corner: Point = [frame.x, frame.y];
  const moveTo = (x: number, y: number) =>
    transformChosen(
      desk,
      translation(x - frame.x, y - frame.y),
      `Move ${countThings(chosenThings(desk.getState()))}`,
    );
  const scaleTo = (part: number) => {
    if (Number.isFinite(part)) transformChosen(desk, aboutPoint(corner, part, part, 0), "Scale");
    else desk.getState().tell("What is chosen has no size that way: a straight line keeps its length.");
  };
  return (
    <div className="flex gap-2">
      <NumberField
        label="x"
        digits={1}
        value={(frame.x - page.box.x) * perUnit}
        onChange={(x) => moveTo(x / perUnit + page.box.x, frame.y)}
      />
      <NumberField
        label="y"
        digits={1}
        value={(frame.y - page.box.y) * perUnit}
        onChange={(y) => moveTo(frame.x, y / perUnit + page.box.y)}
      />
      <NumberField
        label="w"
        digits={1}
        min={0.01}
        value={frame.width * perUnit}
        onChange={(w) => scaleTo(w / perUnit / frame.width)}
      />
      <NumberField
        label="h"
        digits={1}
        min={0.01}
        value={frame.height * perUnit}
        onChange={(h) => scaleTo(h / perUnit / frame.height)}
      />
      <span className="self-center text-xs text-quiet">{page.unit}</span>
      <NumberField
        label="turn"
        className="w-14"
        value={0}
        unit="°"
        onChange={(angle) =>
          angle !== 0 &&
          transformChosen(desk, aboutPoint(middleOf(frame), 1, 1, (angle * Math.PI) / 180), "Turn")
        }
      />
    </div>
  );
}
