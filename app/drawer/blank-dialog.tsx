import { Dialog } from "radix-ui";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { pixelsOf, UNITS } from "#core/drawing/drawing.ts";
import { blankDrawing } from "#core/drawing/new-drawing.ts";
import { plainText } from "#core/drawing/plain-text.ts";
import { addDrawing } from "../keep/shelf.ts";
import { Button } from "../ui/button.tsx";
import { NumberField } from "../ui/number-field.tsx";

interface Fields {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly unit: (typeof UNITS)[number];
  readonly ppi: number;
}

const START: Fields = { name: "New drawing", width: 100, height: 100, unit: "mm", ppi: 300 };
const MM_PER_INCH = 25.4;
/** Of a page, in either unit. */
const SIDE = { min: 0.1, max: 10_000 };

/** A blank page with its printed size, known before the first line. */
export function BlankDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const [fields, setFields] = useState(START);
  const change = (part: Partial<Fields>) => setFields((now) => ({ ...now, ...part }));
  const { page } = blankDrawing(fields.name, fields);
  const pixels = pixelsOf(page, page.ppi);

  const turnTo = (unit: Fields["unit"]) => {
    if (unit === fields.unit) return;
    const k = unit === "in" ? 1 / MM_PER_INCH : MM_PER_INCH;
    const rounded = (n: number) => Math.round(n * k * 100) / 100;
    change({ unit, width: rounded(fields.width), height: rounded(fields.height) });
  };
  const begin = async (event: FormEvent) => {
    event.preventDefault();
    const { id } = await addDrawing(blankDrawing(plainText(fields.name) || "Untitled", fields));
    await navigate(`/desk/${id}?stage=Lines`);
  };
  return (
    <Dialog.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/4 left-1/2 z-50 w-104 -translate-x-1/2 rounded-md border border-line bg-raised p-6 shadow-xl"
        >
          <Dialog.Title className="font-display text-xl">Blank page</Dialog.Title>
          <form onSubmit={begin} className="mt-4 grid gap-4">
            <label className="grid gap-1">
              Name
              <input
                value={fields.name}
                maxLength={80}
                onChange={(event) => change({ name: event.target.value })}
                className={FIELD}
              />
            </label>
            <div className="grid grid-cols-3 gap-3">
              <NumberField
                above
                label="Width"
                value={fields.width}
                {...SIDE}
                onChange={(width) => change({ width })}
              />
              <NumberField
                above
                label="Height"
                value={fields.height}
                {...SIDE}
                onChange={(height) => change({ height })}
              />
              <label className="grid gap-1">
                Unit
                <select
                  value={fields.unit}
                  onChange={(event) => turnTo(event.target.value as Fields["unit"])}
                  className={FIELD}
                >
                  {UNITS.map((unit) => (
                    <option key={unit} value={unit}>
                      {unit === "in" ? "inches" : "millimetres"}
                    </option>
                  ))}
                </select>
              </label>
            </div>
            <div className="flex items-end gap-3">
              <NumberField
                above
                label="Pixels per inch"
                value={fields.ppi}
                min={1}
                max={2400}
                digits={0}
                onChange={(ppi) => change({ ppi })}
              />
              <p className="pb-1.5 text-quiet tabular-nums">
                {pixels.width} × {pixels.height} pixels
              </p>
            </div>
            <div className="flex justify-end gap-2">
              <button type="button" onClick={onClose} className="h-large rounded-md px-3 hover:bg-well">
                Cancel
              </button>
              <Button main size="large" type="submit">
                Begin drawing
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const FIELD = "h-large w-full rounded-md border border-edge bg-field px-3 tabular-nums";
