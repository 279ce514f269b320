import { ChevronRight, Ellipsis } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useRef } from "react";
import { removeUnused } from "#core/drawing/colour-edits.ts";
import { coloursMeant } from "#core/drawing/colours-meant.ts";
import { PALETTE_FILES, PALETTE_FORMATS, type PaletteFormat } from "#core/formats/palette-write.ts";
import { downloadFile } from "../../ui/download.ts";
import { MENU, MENU_ITEM } from "../../ui/menu.ts";
import { plainFileName } from "../deliver/make-files.ts";
import { OtherDrawings } from "../other-drawings.tsx";
import type { DeskStore } from "../store/desk-state.ts";
import { useDeskStore } from "../store/use-desk.ts";
import { bringFile, bringFromDrawing } from "./bring-palette.ts";

interface Props {
  readonly onPicture: () => void;
  readonly onColourways: () => void;
}

/** What can be done with the tin as a whole. */
export function TinMenu({ onPicture, onColourways }: Props) {
  const desk = useDeskStore();
  const file = useRef<HTMLInputElement>(null);
  const save = (format: PaletteFormat) => {
    const { write, ending } = PALETTE_FILES[format];
    const name = `${plainFileName(desk.getState().drawing.name)}.${ending}`;
    downloadFile(new Blob([write(desk.getState().drawing)], { type: "text/plain" }), name);
    desk.getState().say(`Saved ${name}`);
  };
  return (
    <>
      <input
        ref={file}
        type="file"
        tabIndex={-1}
        aria-label="Palette to bring in"
        accept=".json,.css,.txt,.hex,.tokens,application/json,text/css,text/plain"
        className="sr-only"
        onChange={({ target }) => {
          const [chosen] = target.files ?? [];
          target.value = "";
          if (chosen) void bringFile(desk, chosen);
        }}
      />
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          aria-label="More of the tin"
          title="More of the tin"
          className="grid h-small w-small place-items-center rounded-md hover:bg-well"
        >
          <Ellipsis size={16} aria-hidden />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className={MENU} align="start">
            <DropdownMenu.Item className={MENU_ITEM} onSelect={onColourways}>
              Colourways…
            </DropdownMenu.Item>
            <DropdownMenu.Item className={MENU_ITEM} onSelect={onPicture}>
              Colours from a picture…
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <DropdownMenu.Item className={MENU_ITEM} onSelect={() => file.current?.click()}>
              Bring in a palette…
            </DropdownMenu.Item>
            <FromDrawing />
            <DropdownMenu.Sub>
              <SubTrigger word="Save the palette as" />
              <DropdownMenu.Portal>
                <DropdownMenu.SubContent className={MENU}>
                  {PALETTE_FORMATS.map((format) => (
                    <DropdownMenu.Item key={format} className={MENU_ITEM} onSelect={() => save(format)}>
                      {PALETTE_FILES[format].word}
                    </DropdownMenu.Item>
                  ))}
                </DropdownMenu.SubContent>
              </DropdownMenu.Portal>
            </DropdownMenu.Sub>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <DropdownMenu.Item className={MENU_ITEM} onSelect={() => clearUnused(desk)}>
              Remove unused colours
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}

function clearUnused(desk: DeskStore): void {
  const { drawing, edit, tell } = desk.getState();
  const meant = coloursMeant(drawing);
  if (Object.keys(drawing.tin).every((id) => meant.has(id))) tell("Every colour of the tin is used.");
  else edit(removeUnused(drawing));
}

const SubTrigger = ({ word }: { word: string }) => (
  <DropdownMenu.SubTrigger className={MENU_ITEM}>
    <span className="flex-1">{word}</span>
    <ChevronRight size={14} aria-hidden />
  </DropdownMenu.SubTrigger>
);

function FromDrawing() {
  const desk = useDeskStore();
  return (
    <DropdownMenu.Sub>
      <SubTrigger word="Take from another drawing" />
      <DropdownMenu.Portal>
        <DropdownMenu.SubContent className={`${MENU} max-h-80 overflow-y-auto`}>
          <OtherDrawings onChoose={(id) => void bringFromDrawing(desk, id)} />
        </DropdownMenu.SubContent>
      </DropdownMenu.Portal>
    </DropdownMenu.Sub>
  );
}
