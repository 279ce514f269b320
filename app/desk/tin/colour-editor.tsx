import { Popover } from "radix-ui";
import type { ReactNode } from "react";
import { HexColorInput } from "react-colorful";
import { changeColour, orderTin, renameColour, setColourOpacity } from "#core/drawing/colour-edits.ts";
import type { Colour } from "#core/drawing/drawing.ts";
import { counted } from "#core/words.ts";
import { NameField } from "../../ui/name-field.tsx";
import { SliderRow } from "../../ui/slider-row.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { Likeness } from "./likeness.tsx";
import { OklchFields } from "./oklch-fields.tsx";
import { Removal } from "./removal.tsx";
import { ScreenDropper } from "./screen-dropper.tsx";
import { groupsIn, inGroup } from "./tin-rows.ts";

const FIELD = "h-target min-w-0 rounded-md border border-edge bg-field px-2";

interface Props {
  readonly colour: Colour;
  readonly uses: number;
  readonly tabIndex: number;
}

/** A colour's swatch, which opens to change it everywhere. */
export function ColourEditor({ colour, uses, tabIndex }: Props) {
  const { edit, show, keep, takePaint } = useDeskStore().getState();
  const { id, name, value, opacity = 1 } = colour;
  const becoming = (next: string) => changeColour(id, next.toLowerCase(), name);
  const change = (next: string) => {
    if (next.toLowerCase() !== value) edit(becoming(next));
  };
  return (
    <Popover.Root
      onOpenChange={(open) => {
        if (open) takePaint({ colour: id, step: 0 });
        else keep();
      }}
    >
      <Popover.Trigger
        data-well-button="swatch"
        tabIndex={tabIndex}
        aria-label={`Change ${name}`}
        title={`Change ${name}`}
        className="m-px h-target w-target shrink-0 rounded-full border-2 touch:m-0 border-raised shadow-[inset_0_2px_4px_rgb(0_0_0/0.25),0_0_0_1px_var(--color-edge)]"
        style={{ background: swatch(value, opacity) }}
      />
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="start"
          sideOffset={10}
          collisionPadding={12}
          aria-label={`Change ${name}`}
          className="z-40 grid max-h-[calc(100vh-24px)] w-70 grid-cols-[minmax(0,1fr)] gap-3 overflow-y-auto rounded-md border border-line bg-raised p-3 shadow-xl"
        >
          <div className="grid grid-cols-[3.5rem_1fr] items-center gap-x-2 gap-y-1.5">
            <Word>Name</Word>
            <NameField
              label="Name"
              value={name}
              onChange={(next) => edit(renameColour(id, next))}
              className={FIELD}
            />
            <GroupField colour={colour} />
          </div>
          <OklchFields id={id} value={value} onShow={(next) => show(becoming(next))} onDone={keep} />
          <div className="flex items-center gap-2">
            <HexColorInput
              prefixed
              color={value}
              onChange={change}
              aria-label="Colour as hexadecimal"
              className={`${FIELD} w-24 tabular-nums`}
            />
            <ScreenDropper onPick={change} />
            <p className="flex-1 text-right text-xs text-quiet">
              {counted(uses, "use follows", "uses follow")}
            </p>
          </div>
          <div className="grid grid-cols-[4.5rem_1fr] items-center gap-x-2">
            <SliderRow
              label="Opacity"
              value={opacity}
              onChange={(next) => show(setColourOpacity(id, Math.max(0.05, next), name))}
              onDone={keep}
            />
          </div>
          <Likeness colour={colour} />
          <Removal colour={colour} uses={uses} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const Word = ({ children }: { children: ReactNode }) => (
  <span aria-hidden="true" className="text-xs text-quiet">
    {children}
  </span>
);

/** The colour over a half white, half grey ground that shows through it. */
const swatch = (value: string, opacity: number): string => {
  const clear = `${value}${Math.round(opacity * 255)
    .toString(16)
    .padStart(2, "0")}`;
  return opacity < 1
    ? `linear-gradient(${clear}, ${clear}), linear-gradient(135deg, #fff 50%, #9a9a96 50%)`
    : value;
};

/** The name of the group it stands in; a new name makes a new group. */
function GroupField({ colour }: { colour: Colour }) {
  const tin = useDesk((s) => s.drawing.tin);
  const { edit } = useDeskStore().getState();
  return (
    <>
      <label htmlFor={`group-${colour.id}`} className="text-xs text-quiet">
        Group
      </label>
      <input
        id={`group-${colour.id}`}
        list={`groups-${colour.id}`}
        key={colour.group ?? ""}
        defaultValue={colour.group ?? ""}
        placeholder="none"
        maxLength={60}
        onBlur={({ target }) => {
          const group = target.value.trim() || undefined;
          if (group !== colour.group) edit(orderTin(inGroup(tin, colour.id, group)));
        }}
        onKeyDown={({ key, currentTarget }) => key === "Enter" && currentTarget.blur()}
        className={FIELD}
      />
      <datalist id={`groups-${colour.id}`}>
        {groupsIn(tin).map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </>
  );
}
