import { arrayMove, useSortable } from "@dnd-kit/sortable";
import clsx from "clsx";
import { Ellipsis, Eye, EyeOff, GripVertical, Lock, LockOpen } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useRef, useState } from "react";
import type { Part } from "#core/drawing/drawing.ts";
import { orderParts } from "#core/drawing/part-edits.ts";
import { partsOf } from "#core/drawing/parts.ts";
import { IconButton } from "../../ui/icon-button.tsx";
import { MENU, MENU_ITEM } from "../../ui/menu.ts";
import { NameField } from "../../ui/name-field.tsx";
import { SortedList } from "../../ui/sorted-list.tsx";
import {
  choosePart,
  duplicatePart,
  joinPart,
  movePart,
  removeWholePart,
  setPart,
  showAlone,
} from "../parts/part-actions.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import type { PressSection } from "./section.ts";

/** The parts, front to back; unseen while there is only one. */
export const partsSection: PressSection = {
  name: "parts",
  title: () => "Parts",
  says: ({ drawing: { parts } }) => String(Object.keys(parts).length),
  isThere: ({ drawing: { parts } }) => Object.keys(parts).length > 1,
  Body: PartsStack,
};

function PartsStack() {
  const parts = useDesk((s) => s.drawing.parts);
  const { edit } = useDeskStore().getState();
  const ordered = partsOf({ parts }).reverse();
  const ids = ordered.map(({ id }) => id);
  const onMove = (id: string, to: string) =>
    edit(orderParts(arrayMove(ids, ids.indexOf(id), ids.indexOf(to)).reverse()));
  return (
    <SortedList id="part-order" rows={ordered} onMove={onMove}>
      <ol aria-label="Parts, front to back" className="grid touch:gap-apart">
        {ordered.map((part, i) => (
          <PartRow key={part.id} part={part} isBack={i === ordered.length - 1} />
        ))}
      </ol>
    </SortedList>
  );
}

function PartRow({ part, isBack }: { part: Part; isBack: boolean }) {
  const { id, name, visible, locked } = part;
  const desk = useDeskStore();
  const working = useDesk((s) => s.part === id);
  const alone = useDesk((s) => s.alone === id);
  const [naming, setNaming] = useState(false);
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const style = { transform: transform ? `translateY(${transform.y}px)` : undefined, transition };
  const state = desk.getState;
  return (
    <li
      ref={setNodeRef}
      style={style}
      data-part={name}
      className={clsx(
        "group flex h-target items-center rounded-md touch:gap-apart",
        working && "bg-fern-soft",
        isDragging && "relative z-10 bg-raised shadow-md",
      )}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${name}`}
        title="Drag to put it before or behind others"
        className="grid h-small min-w-small cursor-grab touch-none place-items-center rounded-md text-quiet opacity-35 group-hover:opacity-100 focus-visible:opacity-100 touch:opacity-100"
      >
        <GripVertical size={14} aria-hidden />
      </button>
      {naming ? (
        <NameField
          label="Name of the part"
          value={name}
          onChange={(value) => setPart(state(), id, { name: value })}
          onDone={() => setNaming(false)}
          className="h-small min-w-0 flex-1 rounded border border-edge bg-field px-1"
        />
      ) : (
        <button
          type="button"
          aria-pressed={working}
          onClick={() => choosePart(desk, id)}
          onDoubleClick={() => setNaming(true)}
          className={clsx("h-target min-w-0 flex-1 truncate text-left", working && "font-semibold text-fern")}
        >
          {name}
          {alone && <span className="ml-1 text-xs font-normal text-ember">alone</span>}
        </button>
      )}
      <IconButton
        small
        label={visible ? `Hide ${name}` : `Show ${name}`}
        onClick={() => setPart(state(), id, { visible: !visible })}
      >
        {visible ? <Eye size={15} aria-hidden /> : <EyeOff size={15} aria-hidden />}
      </IconButton>
      <IconButton
        small
        label={locked ? `Unlock ${name}` : `Lock ${name}`}
        onClick={() => setPart(state(), id, { locked: !locked })}
      >
        {locked ? <Lock size={14} aria-hidden /> : <LockOpen size={14} aria-hidden />}
      </IconButton>
      <PartMenu part={part} isBack={isBack} onName={() => setNaming(true)} />
    </li>
  );
}

function PartMenu({ part, isBack, onName }: { part: Part; isBack: boolean; onName: () => void }) {
  const { id, name } = part;
  const desk = useDeskStore();
  const alone = useDesk((s) => s.alone === id);
  /** The field for the name takes the focus once the menu has let go of it. */
  const naming = useRef(false);
  const items: readonly (readonly [string, () => void])[] = [
    [
      "Rename",
      () => {
        naming.current = true;
      },
    ],
    [alone ? "Show all parts" : "Show alone", () => showAlone(desk, id)],
    ["Bring forward", () => movePart(desk, id, 1)],
    ["Send back", () => movePart(desk, id, -1)],
    ["Copy", () => duplicatePart(desk, id)],
    [isBack ? "Join to the part before it" : "Join to the part behind it", () => void joinPart(desk, id)],
    ["Remove", () => removeWholePart(desk, id)],
  ];
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`More for ${name}`}
        title={`More for ${name}`}
        className="grid h-small w-small place-items-center rounded-md hover:bg-well"
      >
        <Ellipsis size={15} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="left"
          sideOffset={6}
          collisionPadding={8}
          className={MENU}
          onCloseAutoFocus={(event) => {
            if (!naming.current) return;
            naming.current = false;
            event.preventDefault();
            onName();
          }}
        >
          {items.map(([word, act]) => (
            <DropdownMenu.Item key={word} className={MENU_ITEM} onSelect={act}>
              {word}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
