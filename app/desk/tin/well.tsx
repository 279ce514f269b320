import clsx from "clsx";
import { useRef, useState } from "react";
import { renameColour } from "#core/drawing/colour-edits.ts";
import type { Colour } from "#core/drawing/drawing.ts";
import { NameField } from "../../ui/name-field.tsx";
import { usesOf } from "../pockets/stats.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { ColourEditor } from "./colour-editor.tsx";
import { Grip } from "./grip.tsx";
import { useRow } from "./use-row.ts";

interface Props {
  readonly colour: Colour;
  readonly chosen: boolean;
  /** Whether Tab stops here. */
  readonly reached: boolean;
  readonly isNew: boolean;
}

/** One colour of the tin: click to take it up, open it to change it everywhere; its uses light up meanwhile. A new one is named first. */
export function Well({ colour, chosen, reached, isNew }: Props) {
  const tabIndex = reached ? 0 : -1;
  const uses = useDesk((s) => usesOf(s).get(colour.id) ?? 0);
  const { takePaint, edit, hover } = useDeskStore().getState();
  const [naming, setNaming] = useState(isNew);
  const button = useRef<HTMLButtonElement>(null);
  const named = (byKey: boolean) => {
    setNaming(false);
    if (byKey) requestAnimationFrame(() => button.current?.focus());
  };
  const { row, grip, isDragging } = useRow(colour.id);
  const light = (on: boolean) => hover.getState().overColour(on ? colour.id : null);
  return (
    <li
      {...row}
      data-colour={colour.id}
      onPointerEnter={() => light(true)}
      onPointerLeave={() => light(false)}
      className={clsx(
        "group flex items-center rounded-md touch:gap-apart",
        chosen && "bg-fern-soft",
        isDragging && "relative z-10 bg-raised shadow-md",
      )}
    >
      <ColourEditor colour={colour} uses={uses} tabIndex={tabIndex} />
      {naming ? (
        <NameField
          label="Name of the colour"
          value={colour.name}
          onChange={(name) => edit(renameColour(colour.id, name))}
          onDone={named}
          className="h-target min-w-0 flex-1 rounded border border-edge bg-field px-1"
        />
      ) : (
        <button
          ref={button}
          type="button"
          data-well-button="name"
          tabIndex={tabIndex}
          aria-pressed={chosen}
          onClick={() => takePaint({ colour: colour.id, step: 0 })}
          onDoubleClick={() => setNaming(true)}
          onKeyDown={({ key }) => key === "F2" && setNaming(true)}
          onFocus={() => light(true)}
          onBlur={() => light(false)}
          className="flex h-target min-w-0 flex-1 items-center justify-between gap-1 rounded-md pr-1 text-left"
        >
          <span className={clsx("truncate", chosen && "font-semibold")}>{colour.name}</span>
          <span className="text-xs text-quiet tabular-nums" title={`Used in ${uses} places`}>
            {uses || ""}
          </span>
        </button>
      )}
      <Grip name={colour.name} {...grip} tabIndex={tabIndex} />
    </li>
  );
}
