/** Soft forms and the rings of inward gradients are worked out here, so that the hand that moves lamp or gradient is never kept waiting. */
import * as Comlink from "comlink";
import { memoryOfPacked, type Packed, pack, unpack } from "#core/drawing/packed.ts";
import { ringsWithin } from "#core/lines/booleans.ts";
import type { Rings } from "#core/scene/flat-of.ts";
import { type FormAnswer, type FormRequest, FormWork } from "./form-work.ts";
import type { RingRequest } from "./ring-link.ts";

const forms = new FormWork();

const work = {
  tones(request: Packed<FormRequest>): Packed<FormAnswer> {
    const answer = forms.answer(request);
    return Comlink.transfer(answer, memoryOfPacked(answer));
  },

  rings(request: Packed<RingRequest>): Packed<Rings> {
    const { region, deep, count } = unpack(request);
    const answer = pack<Rings>(ringsWithin(region, deep, count));
    return Comlink.transfer(answer, memoryOfPacked(answer));
  },
};

export type LightWork = typeof work;

Comlink.expose(work);
