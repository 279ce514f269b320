/** All of the light that is worked out beside the page: soft forms, and rings of inward gradients. */
import type { LightSource } from "#core/scene/flat-of.ts";
import { type AskForms, FormLink } from "./form-link.ts";
import { type AskRings, RingLink } from "./ring-link.ts";

export class LightLink implements LightSource {
  private readonly forms: FormLink;
  private readonly rings: RingLink;

  constructor(work: AskForms & AskRings, onFresh: () => void) {
    this.forms = new FormLink(work, onFresh);
    this.rings = new RingLink(work, onFresh);
  }

  tonesOf(...asked: Parameters<LightSource["tonesOf"]>): ReturnType<LightSource["tonesOf"]> {
    return this.forms.tonesOf(...asked);
  }

  ringsOf(...asked: Parameters<LightSource["ringsOf"]>): ReturnType<LightSource["ringsOf"]> {
    return this.rings.ringsOf(...asked);
  }

  /** Once nothing is asked for any more. */
  async settled(): Promise<void> {
    await Promise.all([this.forms.settled(), this.rings.settled()]);
  }
}
