/** Works out soft forms: holds the outlines it was told, and answers what the lamp makes of them. */
import type { Form } from "#core/drawing/drawing.ts";
import { type Packed, pack, unpack } from "#core/drawing/packed.ts";
import type { Formed } from "#core/light/form-shade.ts";
import { type FormTone, tonesOfForm } from "#core/light/form-tones.ts";
import type { PlacedLamp } from "#core/light/lamp.ts";

export interface FormRequest {
  readonly lamp: PlacedLamp;
  /** Outlines not told before, or not as they were, by the keys of their pockets. */
  readonly fresh: readonly (readonly [key: number, formed: Formed])[];
  /** Keys of all outlines there are, where some are fresh. */
  readonly live: readonly number[];
  readonly wanted: readonly (readonly [key: number, form: Form])[];
}

export type FormAnswer = readonly (readonly [key: number, tones: readonly FormTone[]])[];

export class FormWork {
  private formed = new Map<number, Formed>();

  answer(request: Packed<FormRequest>): Packed<FormAnswer> {
    const { lamp, fresh, live, wanted } = unpack(request);
    for (const [key, formed] of fresh) this.formed.set(key, formed);
    if (fresh.length > 0) {
      const there = new Set(live);
      for (const key of this.formed.keys()) if (!there.has(key)) this.formed.delete(key);
    }
    return pack(
      wanted.flatMap(([key, form]): [number, readonly FormTone[]][] => {
        const formed = this.formed.get(key);
        return formed ? [[key, tonesOfForm(formed, form, lamp)]] : [];
      }),
    );
  }
}
