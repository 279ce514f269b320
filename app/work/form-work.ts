/** Works out soft forms: holds the outlines it was told, and answers what the lamp makes of them. */
import type { Form } from "#core/drawing/drawing.ts";
import { type Packed, pack, unpack } from "#core/drawing/packed.ts";
import type { Formed } from "#core/light/form-shade.ts";
import { type FormTone, tonesOfForm } from "#core/light/form-tones.ts";
import type { PlacedLamp } from "#core/light/lamp.ts";

export interface FormRequest {
  readonly lamp: PlacedLamp;
  /** Outlines that are new or have changed, by their keys. */
  readonly fresh: readonly (readonly [key: string, formed: Formed])[];
  /** Keys of all outlines there are, where some are fresh. */
  readonly live: readonly string[];
  /** By the keys of the pockets they are for. */
  readonly wanted: readonly (readonly [pocket: number, outline: string, form: Form])[];
}

export type FormAnswer = readonly (readonly [pocket: number, tones: readonly FormTone[]])[];

export class FormWork {
  private formed = new Map<string, Formed>();

  answer(request: Packed<FormRequest>): Packed<FormAnswer> {
    const { lamp, fresh, live, wanted } = unpack(request);
    for (const [key, formed] of fresh) this.formed.set(key, formed);
    if (fresh.length > 0) {
      const there = new Set(live);
      for (const key of this.formed.keys()) if (!there.has(key)) this.formed.delete(key);
    }
    // Pockets of one part may ask for the same.
    const made = new Map<string, readonly FormTone[]>();
    const tonesFor = (formed: Formed, key: string, form: Form): readonly FormTone[] => {
      const name = `${key} ${JSON.stringify(form)}`;
      const tones = made.get(name) ?? tonesOfForm(formed, form, lamp);
      made.set(name, tones);
      return tones;
    };
    return pack(
      wanted.flatMap(([pocket, key, form]): [number, readonly FormTone[]][] => {
        const formed = this.formed.get(key);
        return formed ? [[pocket, tonesFor(formed, key, form)]] : [];
      }),
    );
  }
}
