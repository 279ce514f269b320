import { Droplets, FileInput, Group, Layers2 } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { FARTHEST_STEP } from "#core/drawing/bounds.ts";
import { HOLDS, type Hold } from "#core/drawing/drawing.ts";
import { printed } from "#core/drawing/length.ts";
import { changeStrokes, orderLines, removeLines, setAllInk, setInk } from "#core/drawing/line-edits.ts";
import { Hint } from "../../../ui/hint.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { MENU, MENU_ITEM } from "../../../ui/menu.ts";
import { NumberField } from "../../../ui/number-field.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { NibPicker } from "../../nibs/nib-picker.tsx";
import { makePart } from "../../parts/part-actions.ts";
import { pickable } from "../../parts/pickable.ts";
import { placeFile } from "../../parts/place-art.ts";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { arrange, chosenLines, frameOf } from "./arrange-state.ts";
import { FrameButtons, FrameNumbers } from "./frame-fields.tsx";

/** What can be done with the chosen lines; with none chosen, which to choose. */
export const arrangeTray: Settings = {
  hint: ArrangeHint,
  "Mirror, order, copy, remove, make a part": LineButtons,
  "Choose lines alike": ChooseMenu,
  "Line colour": InkMenu,
  "Place, size and turn": LineFrame,
  "Nib and width of the chosen lines": StrokeFields,
  "Scale widths": ScaleWidths,
  "Held colour of lines": HoldField,
  "Put in a file": PutIn,
};

function ArrangeHint() {
  const any = useDesk((s) => s.selected.length > 0);
  return any ? null : <Hint>Click lines, or drag around or across them.</Hint>;
}

function LineButtons() {
  const selected = useDesk((s) => s.selected);
  const frame = useDesk(frameOf);
  const desk = useDeskStore();
  const { edit } = desk.getState();
  return frame ? (
    <FrameButtons
      frame={frame}
      onOrder={(way) => edit(orderLines(selected, way))}
      onRemove={() => edit(removeLines(selected))}
    >
      <IconButton
        small
        label="Make a part of these lines and what they enclose"
        onClick={() => void makePart(desk, { lines: selected })}
      >
        <Layers2 size={15} aria-hidden />
      </IconButton>
    </FrameButtons>
  ) : null;
}

function LineFrame() {
  const frame = useDesk(frameOf);
  return frame ? <FrameNumbers frame={frame} /> : null;
}

function ScaleWidths() {
  const any = useDesk((s) => s.selected.length > 0);
  const { scaleWidths } = useDesk(arrange.settings);
  const desk = useDeskStore();
  return any ? (
    <Toggle
      label="Scale widths"
      checked={scaleWidths}
      onChange={(next) => arrange.change(desk, { scaleWidths: next })}
    />
  ) : null;
}

/** The width and nib of the chosen strokes, changed for all of them. */
function StrokeFields() {
  const history = useDesk((s) => s.history);
  const selected = useDesk((s) => s.selected);
  const { edit } = useDeskStore().getState();
  const { strokes, page } = history.drawing;
  const chosen = selected.flatMap((id) => strokes[id] ?? []);
  if (chosen.length === 0) return null;
  const ids = chosen.map(({ id }) => id);
  const perUnit = printed(page, 1);
  const nib = chosen.every((stroke) => stroke.nib === chosen[0].nib) ? (chosen[0].nib ?? "even") : "";
  return (
    <>
      <NibPicker
        value={nib}
        onChange={(id) => edit(changeStrokes(ids, { nib: id === "even" ? undefined : id }))}
      />
      <NumberField
        label="Width"
        className="w-14"
        min={0.001}
        digits={3}
        value={chosen[0].width * perUnit}
        onChange={(width) => edit(changeStrokes(ids, { width: width / perUnit }))}
      />
    </>
  );
}

function Menu({ label, icon, children }: { label: string; icon: ReactNode; children: ReactNode }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="flex h-target items-center gap-1.5 rounded-md border border-edge px-2.5 text-xs whitespace-nowrap hover:bg-well">
        {icon} {label}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content side="top" sideOffset={8} collisionPadding={8} className={MENU}>
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function ChooseMenu() {
  const desk = useDeskStore();
  const any = useDesk((s) => s.selected.length > 0);
  const choose = (like: "all" | "nib" | "colour" | "group" | "none") => {
    const state = desk.getState();
    const { strokes, inkShapes, ink } = state.drawing;
    const all = [...pickable(state, strokes), ...pickable(state, inkShapes)];
    const chosen = chosenLines(state);
    const nibs = new Set(chosen.map((line) => ("nib" in line ? line.nib : undefined)));
    const paintOf = ({ paint = ink }: (typeof all)[number]) => `${paint.colour} ${paint.step}`;
    const paints = new Set(chosen.map(paintOf));
    const groups = new Set(chosen.map(({ groups }) => groups?.join("/")));
    const wanted = {
      all: () => true,
      none: () => false,
      nib: (line: (typeof all)[number]) => "points" in line && nibs.has(line.nib),
      colour: (line: (typeof all)[number]) => paints.has(paintOf(line)),
      group: (line: (typeof all)[number]) => groups.has(line.groups?.join("/")),
    }[like];
    const selected = all.filter(wanted).map(({ id }) => id);
    state.choose(selected);
    state.say(`${selected.length} lines chosen`);
  };
  return (
    <Menu label="Choose" icon={<Group size={15} aria-hidden />}>
      <DropdownMenu.Item className={MENU_ITEM} onSelect={() => choose("all")}>
        All lines
      </DropdownMenu.Item>
      <DropdownMenu.Item className={MENU_ITEM} disabled={!any} onSelect={() => choose("nib")}>
        All of this nib
      </DropdownMenu.Item>
      <DropdownMenu.Item className={MENU_ITEM} disabled={!any} onSelect={() => choose("colour")}>
        All of this colour
      </DropdownMenu.Item>
      <DropdownMenu.Item className={MENU_ITEM} disabled={!any} onSelect={() => choose("group")}>
        All of this group
      </DropdownMenu.Item>
      <DropdownMenu.Item className={MENU_ITEM} disabled={!any} onSelect={() => choose("none")}>
        None
      </DropdownMenu.Item>
    </Menu>
  );
}

/** Puts a file in as a part of its own. */
function PutIn() {
  const desk = useDeskStore();
  return (
    <label className="relative flex h-target cursor-pointer items-center gap-1.5 rounded-md border border-edge px-2.5 whitespace-nowrap focus-within:outline-2 hover:bg-well">
      <FileInput size={15} aria-hidden /> Put in a file
      <input
        type="file"
        accept=".svg,.fern,image/svg+xml"
        aria-label="Put in a file as a part"
        className="absolute inset-0 cursor-pointer opacity-0"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = "";
          if (file) void placeFile(desk, file);
        }}
      />
    </label>
  );
}

const HOLD_WORDS: Readonly<Record<Hold["by"], string>> = {
  front: "the colour beside them that was laid last",
  darker: "the darker colour beside them",
  larger: "the colour of the larger pocket beside them",
};
const FIRST_DEEPER = 3;

/** How deep the chosen lines are in the colour they take from beside them. */
function HoldField() {
  const drawing = useDesk((s) => s.drawing);
  const selected = useDesk((s) => s.selected);
  const { edit } = useDeskStore().getState();
  const held = selected.flatMap((id) => drawing.strokes[id] ?? drawing.inkShapes[id] ?? []);
  const hold = held.find((line) => line.hold)?.hold;
  if (!hold) return null;
  return (
    <NumberField
      label="Steps deeper"
      className="w-10"
      digits={0}
      min={-FARTHEST_STEP}
      max={FARTHEST_STEP}
      value={hold.deeper}
      onChange={(deeper) => edit(changeStrokes(selected, { hold: { ...hold, deeper } }))}
    />
  );
}

/** Ink takes the colour in hand: all of it, or the chosen lines alone, or these what lies beside them. */
function InkMenu() {
  const desk = useDeskStore();
  const selected = useDesk((s) => s.selected);
  const paint = useDesk((s) => s.paint);
  const name = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const { edit } = desk.getState();
  return (
    <Menu label="Line colour" icon={<Droplets size={15} aria-hidden />}>
      <DropdownMenu.Item
        className={MENU_ITEM}
        disabled={selected.length === 0}
        onSelect={() => edit(changeStrokes(selected, { paint, hold: undefined }))}
      >
        These lines in {name}
      </DropdownMenu.Item>
      <DropdownMenu.Item
        className={MENU_ITEM}
        disabled={selected.length === 0}
        onSelect={() => edit(changeStrokes(selected, { paint: undefined, hold: undefined }))}
      >
        These lines in the drawing’s ink
      </DropdownMenu.Item>
      {HOLDS.map((by) => (
        <DropdownMenu.Item
          key={by}
          className={MENU_ITEM}
          disabled={selected.length === 0}
          onSelect={() =>
            edit(changeStrokes(selected, { hold: { by, deeper: FIRST_DEEPER }, paint: undefined }))
          }
        >
          These lines take {HOLD_WORDS[by]}
        </DropdownMenu.Item>
      ))}
      <DropdownMenu.Separator className="my-1 h-px bg-line" />
      <DropdownMenu.Item className={MENU_ITEM} onSelect={() => edit(setInk(paint, name))}>
        The drawing’s ink in {name}
      </DropdownMenu.Item>
      <DropdownMenu.Item className={MENU_ITEM} onSelect={() => edit(setAllInk(paint, name))}>
        All lines in {name}, none of their own
      </DropdownMenu.Item>
    </Menu>
  );
}
