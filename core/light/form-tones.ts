/** The tones of a soft form as the lamp lights it: its shade, and where it shines. */
import type { Form } from "../drawing/drawing.ts";
import { type Formed, formShade, formShine } from "./form-shade.ts";
import type { PlacedLamp } from "./lamp.ts";

/** Closed chains of cubics, and how many steps deeper than its pocket they are. */
export interface FormTone {
  readonly chains: readonly (readonly number[])[];
  readonly deeper: number;
  /** Whether this is the lit tone, where the form faces the lamp. */
  readonly shines: boolean;
}

/** The lightest shade first and the shine last. */
export function tonesOfForm(formed: Formed, form: Form, lamp: PlacedLamp): FormTone[] {
  const { deeper, shine } = form;
  const shade = formShade(formed, lamp, form).map(
    (chains, k): FormTone => ({ chains, deeper: deeper * (k + 1), shines: false }),
  );
  const light: FormTone[] = shine
    ? [
        {
          chains: formShine(formed, lamp, { ...form, size: shine }),
          deeper: -Math.abs(deeper),
          shines: true,
        },
      ]
    : [];
  return [...shade, ...light].filter(({ chains }) => chains.length > 0);
}
