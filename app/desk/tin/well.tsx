import { useSortable } from "@dnd-kit/sortable";
import clsx from "clsx";
import { GripVertical, Trash2 } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { HexColorInput, HexColorPicker } from "react-colorful";
import { type Colour, ranked } from "#core/drawing/drawing.ts";
import { changeColour, removeColour, renameColour } from "#core/drawing/edits.ts";
import { NameField } from "../../ui/name-field.tsx";
import { usesOf } from "../pockets/stats.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

/** One colour of the tin: click to take it up, open it to change it everywhere. */
export function Well({ colour, chosen }: { colour: Colour; chosen: boolean }) {
  const uses = useDesk((s) => usesOf(s).get(colour.id) ?? 0);
  const { set } = useDeskStore().getState();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: colour.id,
  });
  const style = { transform: transform ? `translateY(${transform.y}px)` : undefined, transition };
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={clsx(
        "group flex items-center rounded-md",
        chosen && "bg-fern-soft",
        isDragging && "relative z-10 bg-raised shadow-md",
      )}
    >
      <ColourEditor colour={colour} uses={uses} />
      <button
        type="button"
        aria-pressed={chosen}
        onClick={() => set({ paint: { colour: colour.id, step: 0 } })}
        className="flex h-9 min-w-0 flex-1 items-center justify-between gap-1 rounded-md pr-1 text-left"
      >
        <span className={clsx("truncate", chosen && "font-semibold")}>{colour.name}</span>
        <span className="text-xs text-quiet tabular-nums" title={`Used in ${uses} places`}>
          {uses || ""}
        </span>
      </button>
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${colour.name}`}
        title="Drag to reorder"
        className="cursor-grab rounded-md py-1 text-quiet opacity-35 group-hover:opacity-100 focus-visible:opacity-100"
      >
        <GripVertical size={14} aria-hidden />
      </button>
    </li>
  );
}

function ColourEditor({ colour, uses }: { colour: Colour; uses: number }) {
  const { edit, show, keep, set } = useDeskStore().getState();
  const namesake = useDesk((s) =>
    Object.values(s.drawing.tin).some(
      ({ id, name }) => id !== colour.id && name.toLowerCase() === colour.name.toLowerCase(),
    ),
  );
  const becoming = (value: string) => changeColour(colour.id, value.toLowerCase(), colour.name);
  const change = (value: string) => {
    if (value.toLowerCase() !== colour.value) edit(becoming(value));
  };
  // The pointer may be let go anywhere.
  const keepWhenLetGo = () => window.addEventListener("pointerup", keep, { once: true });
  return (
    <Popover.Root
      onOpenChange={(open) => {
        if (open) set({ paint: { colour: colour.id, step: 0 } });
        else keep();
      }}
    >
      <Popover.Trigger
        aria-label={`Change ${colour.name}`}
        title={`Change ${colour.name}`}
        className="m-1 h-7 w-7 shrink-0 rounded-full border-2 border-raised shadow-[inset_0_2px_4px_rgb(0_0_0/0.25),0_0_0_1px_var(--color-edge)]"
        style={{ backgroundColor: colour.value }}
      />
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="start"
          sideOffset={10}
          collisionPadding={12}
          aria-label={`Change ${colour.name}`}
          className="z-40 w-60 rounded-md border border-line bg-raised p-3 shadow-xl"
        >
          <span aria-hidden="true" className="text-xs text-quiet">
            Name
          </span>
          <NameField
            label="Name"
            value={colour.name}
            onChange={(name) => edit(renameColour(colour.id, name))}
            className="mt-1 h-8 w-full rounded-md border border-edge bg-white px-2"
          />
          <p role="status" className="text-xs text-ember empty:hidden">
            {namesake ? "Another colour has this name too." : ""}
          </p>
          <HexColorPicker
            color={colour.value}
            onChange={(value) => show(becoming(value))}
            onPointerDown={keepWhenLetGo}
            onKeyUp={keep}
            className="mt-3 !w-full"
          />
          <div className="mt-3 flex items-center gap-2">
            <HexColorInput
              prefixed
              color={colour.value}
              onChange={change}
              aria-label="Colour as hexadecimal"
              className="h-8 w-24 rounded-md border border-edge bg-white px-2 tabular-nums"
            />
            <p className="flex-1 text-xs text-quiet">{uses === 1 ? "1 use" : `${uses} uses`} follow</p>
          </div>
          <Removal colour={colour} uses={uses} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Takes a colour away at once when nothing is painted in it, otherwise by giving its places another. */
function Removal({ colour, uses }: { colour: Colour; uses: number }) {
  const tin = useDesk((s) => s.drawing.tin);
  const { edit } = useDeskStore().getState();
  const others = ranked(tin).filter(({ id }) => id !== colour.id);
  const [by, setBy] = useState(others[0]?.id);
  const chosen = others.find(({ id }) => id === by) ?? others[0];
  if (!chosen) return <p className="mt-3 text-xs text-quiet">The last colour of the tin stays.</p>;
  return (
    <div className="mt-3 grid grid-cols-1 gap-2 border-t border-line pt-3">
      {uses > 0 && (
        <label className="grid gap-1 text-xs text-quiet">
          Paint {uses === 1 ? "its place" : `its ${uses} places`} in
          <select
            value={chosen.id}
            onChange={(event) => setBy(event.target.value)}
            className="h-8 min-w-0 rounded-md border border-edge bg-white px-1 text-sm text-text"
          >
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      <button
        type="button"
        onClick={() => edit(removeColour(colour.id, colour.name, chosen.id))}
        className="flex h-8 items-center justify-center gap-1.5 rounded-md border border-edge px-2 hover:bg-well"
      >
        <Trash2 size={14} aria-hidden />
        <span className="truncate">Remove {colour.name}</span>
      </button>
    </div>
  );
}
