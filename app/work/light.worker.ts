/** Soft forms are worked out here, so that the hand that moves the lamp is never kept waiting. */
import * as Comlink from "comlink";
import { memoryOfPacked, type Packed } from "#core/drawing/packed.ts";
import { type FormAnswer, type FormRequest, FormWork } from "./form-work.ts";

const forms = new FormWork();

const work = {
  tones(request: Packed<FormRequest>): Packed<FormAnswer> {
    const answer = forms.answer(request);
    return Comlink.transfer(answer, memoryOfPacked(answer));
  },
};

export type LightWork = typeof work;

Comlink.expose(work);
