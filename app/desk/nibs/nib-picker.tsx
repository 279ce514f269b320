import clsx from "clsx";
import { Plus, SlidersHorizontal } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { type Nib, ranked } from "#core/drawing/drawing.ts";
import { addNib } from "#core/drawing/line-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { EVEN_NIB } from "../tools/draw/new-stroke.ts";
import { NibEditor } from "./nib-editor.tsx";
import { NibPicture } from "./nib-picture.tsx";

interface Props {
  /** Id of the nib in hand; empty when the lines have several. */
  readonly value: string;
  readonly onChange: (id: string) => void;
}

/** The nibs of the drawing; each can be changed, and every stroke drawn with it follows. */
export function NibPicker({ value, onChange }: Props) {
  const nibs = useDesk((s) => s.drawing.nibs);
  const { edit } = useDeskStore().getState();
  const [open, setOpen] = useState(false);
  const [edited, setEdited] = useState<string | null>(null);
  const current: Nib | undefined = nibs[value];
  const shown = edited ? nibs[edited] : undefined;
  const add = () => {
    const id = newId();
    const profile = current?.profile ?? [0, 1, 1, 1];
    edit(
      addNib({ id, name: `Nib ${Object.keys(nibs).length + 1}`, profile, strands: current?.strands ?? 1 }),
    );
    onChange(id);
    setEdited(id);
  };
  return (
    <Popover.Root
      open={open}
      onOpenChange={(now) => {
        setOpen(now);
        setEdited(null);
      }}
    >
      <Popover.Trigger
        aria-label={`Nib: ${current?.name ?? "several"}`}
        title={`Nib: ${current?.name ?? "several"}`}
        className="flex h-target items-center justify-center rounded-md border border-edge px-2 hover:bg-well"
      >
        {current ? <NibPicture nib={current} className="h-5 w-12" /> : "several nibs"}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={10}
          collisionPadding={12}
          aria-label="Nibs"
          className="z-40 w-72 rounded-md border border-line bg-raised p-3 shadow-xl"
        >
          {shown ? (
            <NibEditor nib={shown} onBack={() => setEdited(null)} />
          ) : (
            <>
              <ul className="grid max-h-72 gap-0.5 overflow-y-auto">
                {ranked(nibs).map((nib) => (
                  <li
                    key={nib.id}
                    className={clsx("flex items-center rounded-md", nib.id === value && "bg-fern-soft")}
                  >
                    <button
                      type="button"
                      aria-pressed={nib.id === value}
                      onClick={() => {
                        onChange(nib.id);
                        setOpen(false);
                      }}
                      className="flex h-large flex-1 items-center gap-3 rounded-md px-2 text-left hover:bg-well"
                    >
                      <NibPicture nib={nib} />
                      <span className="truncate">{nib.name}</span>
                    </button>
                    {nib.id !== EVEN_NIB && (
                      <IconButton small label={`Change ${nib.name}`} onClick={() => setEdited(nib.id)}>
                        <SlidersHorizontal size={14} aria-hidden />
                      </IconButton>
                    )}
                  </li>
                ))}
              </ul>
              <Button className="mt-2 w-full" onClick={add}>
                <Plus size={15} aria-hidden /> A nib of your own
              </Button>
            </>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
