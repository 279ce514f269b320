import clsx from "clsx";
import { Maximize, Minus, Plus, RotateCcw, RotateCw } from "lucide-react";
import { Popover, ToggleGroup } from "radix-ui";
import { MATS } from "../../prefs/prefs.ts";
import { setPrefs, usePrefs } from "../../prefs/prefs-store.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { NumberField } from "../../ui/number-field.tsx";
import type { Desk } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { fitChosen, fitDrawing, fitPage, turn, zoom } from "./zoom.ts";

/** How the paper lies on the mat: its zoom and turn, what is shown whole, and how light the mat is. */
export function ViewButton() {
  const percent = useDesk(zoomed);
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`View: ${percent} %`}
        title="Zoom, and what the paper lies on"
        className="flex h-13 w-14 shrink-0 flex-col items-center justify-center gap-0.5 rounded-md hover:bg-well"
      >
        <Maximize size={18} strokeWidth={1.8} aria-hidden />
        <span className="text-xs text-quiet tabular-nums">{percent} %</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="end"
          sideOffset={8}
          collisionPadding={8}
          aria-label="View"
          className="z-40 grid gap-3 rounded-md border border-line bg-raised p-3 shadow-xl"
        >
          <ZoomFields percent={percent} />
          <TurnFields />
          <Fitting />
          <MatChoice />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Zoom against the printed size in per cent, at the nominal 96 pixels per inch of the screen. */
const zoomed = ({ view, drawing }: Desk): number => Math.round(100 * view.scale * perPrinted(drawing.page));

function perPrinted(page: Desk["drawing"]["page"]): number {
  const inches = page.unit === "in" ? page.width : page.width / 25.4;
  return page.box.width / (inches * 96);
}

function ZoomFields({ percent }: { percent: number }) {
  const desk = useDeskStore();
  return (
    <fieldset aria-label="Zoom" className="flex items-center gap-1 touch:gap-apart">
      <IconButton label="Zoom out" onClick={() => zoom(desk, 0.8)}>
        <Minus size={16} aria-hidden />
      </IconButton>
      <NumberField
        label="Zoom"
        unit="%"
        digits={0}
        min={1}
        step={10}
        value={percent}
        onChange={(next) => zoom(desk, next / zoomed(desk.getState()))}
      />
      <IconButton label="Zoom in" onClick={() => zoom(desk, 1.25)}>
        <Plus size={16} aria-hidden />
      </IconButton>
    </fieldset>
  );
}

const DEGREE = Math.PI / 180;

/** Clockwise from upright. */
function TurnFields() {
  const degrees = useDesk(({ view }) => Math.round((view.turn ?? 0) / DEGREE));
  const desk = useDeskStore();
  return (
    <fieldset aria-label="Turn" className="flex items-center gap-1 touch:gap-apart">
      <IconButton label="Turn the paper to the left (<)" onClick={() => turn(desk, -15 * DEGREE)}>
        <RotateCcw size={16} aria-hidden />
      </IconButton>
      <NumberField
        label="Turn"
        unit="°"
        digits={0}
        min={-180}
        max={180}
        step={5}
        value={degrees}
        onChange={(next) => turn(desk, (next - degrees) * DEGREE)}
      />
      <IconButton label="Turn the paper to the right (>)" onClick={() => turn(desk, 15 * DEGREE)}>
        <RotateCw size={16} aria-hidden />
      </IconButton>
    </fieldset>
  );
}

function Fitting() {
  const desk = useDeskStore();
  return (
    <div className="grid gap-1 touch:gap-apart">
      <Button onClick={() => fitPage(desk)}>Show the whole page (0)</Button>
      <Button onClick={() => fitDrawing(desk)}>Show all that is drawn (9)</Button>
      <Button onClick={() => fitChosen(desk)}>Show what is chosen (8)</Button>
    </div>
  );
}

const MAT_SWATCH = {
  light: "bg-[oklch(0.9_0.004_95)]",
  middle: "bg-[oklch(0.66_0.004_95)]",
  dark: "bg-[oklch(0.32_0.004_95)]",
};

function MatChoice() {
  const mat = usePrefs((now) => now.mat);
  return (
    <div className="flex items-center gap-2 text-xs">
      Mat
      <ToggleGroup.Root
        type="single"
        aria-label="Mat"
        value={mat}
        onValueChange={(value) => {
          const chosen = MATS.find((name) => name === value);
          if (chosen) setPrefs({ mat: chosen });
        }}
        className="flex gap-2"
      >
        {MATS.map((name) => (
          <ToggleGroup.Item
            key={name}
            value={name}
            aria-label={`${name} mat`}
            title={`${name} mat`}
            className={clsx(
              "grid h-target w-target place-items-center rounded-md",
              mat === name && "outline-2 outline-fern",
            )}
          >
            <span className={clsx("h-4 w-4 rounded-full border border-edge", MAT_SWATCH[name])} />
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
