/**
 * The desk's side of soft forms: gives what is known of them, asks for what is not, and says when more is. One question is
 * out at a time; while it is, the last lamp to come counts and those before it are passed over.
 */
import * as Comlink from "comlink";
import type { Drawing, Form, Lamp } from "#core/drawing/drawing.ts";
import { memoryOfPacked, type Packed, pack, unpack } from "#core/drawing/packed.ts";
import type { Box } from "#core/geometry/point.ts";
import type { FormTone } from "#core/light/form-tones.ts";
import { lampOn } from "#core/light/lamp.ts";
import type { FormSource } from "#core/scene/flat-of.ts";
import type { KeyedForm } from "#core/scene/formed.ts";
import type { FormAnswer, FormRequest } from "./form-work.ts";

interface Known extends Wanted {
  readonly lamp: Lamp;
  readonly page: Box;
  readonly tones: readonly FormTone[];
  /** The round in which somebody wanted it last. */
  wantedIn: number;
}

/** Forms that nobody has asked for in this many rounds are forgotten: their pockets are gone, or not lit any more. */
const REMEMBERED = 8;

interface Wanted {
  readonly formed: KeyedForm;
  readonly form: Form;
}

type Lit = Pick<Drawing, "lamp" | "page">;

export interface AskForms {
  readonly tones: (request: Packed<FormRequest>) => Promise<Packed<FormAnswer>>;
}

export class FormLink implements FormSource {
  /** By the keys of pockets. */
  private readonly known = new Map<number, Known>();
  private wanted = new Map<number, Wanted>();
  private lit: Lit | undefined;
  /** The outlines that the other side has. */
  private readonly told = new Map<string, KeyedForm>();
  private asking: Promise<void> | undefined;
  private round = 0;

  constructor(
    private readonly work: AskForms,
    private readonly onFresh: () => void,
  ) {}

  tonesOf(pocket: number, formed: KeyedForm, form: Form, lit: Lit): readonly FormTone[] {
    const known = this.known.get(pocket);
    if (known) known.wantedIn = this.round;
    if (known && isOf(known, formed, form, lit)) return known.tones;
    this.lit = lit;
    this.wanted.set(pocket, { formed, form });
    this.asking ??= Promise.resolve().then(() => this.ask());
    return known?.tones ?? NONE;
  }

  /** Once nothing is asked for any more. */
  async settled(): Promise<void> {
    while (this.asking) await this.asking;
  }

  private async ask(): Promise<void> {
    const { wanted, lit } = this;
    this.wanted = new Map();
    if (lit) {
      const answer = await this.send(wanted, lit).then(unpack, () => []);
      this.take(wanted, lit, new Map(answer));
    }
    this.asking = undefined;
    this.onFresh();
  }

  private send(wanted: ReadonlyMap<number, Wanted>, lit: Lit): Promise<Packed<FormAnswer>> {
    const fresh = new Map<string, KeyedForm>();
    for (const { formed } of wanted.values())
      if (this.told.get(formed.key) !== formed) fresh.set(formed.key, formed);
    for (const [key, formed] of fresh) this.told.set(key, formed);
    const request = pack<FormRequest>({
      lamp: lampOn(lit),
      fresh: [...fresh].map(([key, { rings, box, area }]) => [key, { rings, box, area }]),
      live: [...this.told.keys()],
      wanted: [...wanted].map(([pocket, { formed, form }]) => [pocket, formed.key, form]),
    });
    return this.work.tones(Comlink.transfer(request, memoryOfPacked(request)));
  }

  /** What got no answer has no tones: it is not asked for again until something changes. */
  private take(
    wanted: ReadonlyMap<number, Wanted>,
    { lamp, page }: Lit,
    answer: ReadonlyMap<number, readonly FormTone[]>,
  ): void {
    this.round++;
    for (const [key, asked] of wanted)
      this.known.set(key, {
        ...asked,
        lamp,
        page: page.box,
        tones: answer.get(key) ?? NONE,
        wantedIn: this.round,
      });
    this.forget();
  }

  private forget(): void {
    const live = new Set([...this.wanted.values()].map(({ formed }) => formed.key));
    for (const [pocket, { formed, wantedIn }] of this.known)
      if (wantedIn < this.round - REMEMBERED) this.known.delete(pocket);
      else live.add(formed.key);
    for (const key of this.told.keys()) if (!live.has(key)) this.told.delete(key);
  }
}

const NONE: readonly FormTone[] = [];

const isOf = (known: Known, formed: KeyedForm, form: Form, { lamp, page }: Lit): boolean =>
  known.formed === formed && known.form === form && known.lamp === lamp && known.page === page.box;
