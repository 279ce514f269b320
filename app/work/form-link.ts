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
import type { Pocket } from "#core/pockets/pockets.ts";
import type { FormSource } from "#core/scene/flat-of.ts";
import type { FormAnswer, FormRequest } from "./form-work.ts";

interface Known {
  readonly pocket: Pocket;
  readonly form: Form;
  readonly lamp: Lamp;
  readonly page: Box;
  readonly tones: readonly FormTone[];
}

interface Wanted {
  readonly pocket: Pocket;
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
  private readonly told = new Map<number, Pocket>();
  private asking: Promise<void> | undefined;

  constructor(
    private readonly work: AskForms,
    private readonly onFresh: () => void,
  ) {}

  tonesOf(pocket: Pocket, form: Form, lit: Lit): readonly FormTone[] {
    const known = this.known.get(pocket.key);
    if (known && isOf(known, pocket, form, lit)) return known.tones;
    this.lit = lit;
    this.wanted.set(pocket.key, { pocket, form });
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
    const fresh = [...wanted].filter(([key, { pocket }]) => this.told.get(key) !== pocket);
    for (const [key, { pocket }] of fresh) this.told.set(key, pocket);
    const request = pack<FormRequest>({
      lamp: lampOn(lit),
      fresh: fresh.map(
        ([
          key,
          {
            pocket: { rings, box, area },
          },
        ]) => [key, { rings, box, area }],
      ),
      live: [...this.told.keys()],
      wanted: [...wanted].map(([key, { form }]) => [key, form]),
    });
    return this.work.tones(Comlink.transfer(request, memoryOfPacked(request)));
  }

  /** What got no answer has no tones: it is not asked for again until something changes. */
  private take(
    wanted: ReadonlyMap<number, Wanted>,
    { lamp, page }: Lit,
    answer: ReadonlyMap<number, readonly FormTone[]>,
  ): void {
    for (const [key, asked] of wanted)
      this.known.set(key, { ...asked, lamp, page: page.box, tones: answer.get(key) ?? NONE });
  }
}

const NONE: readonly FormTone[] = [];

const isOf = (known: Known, pocket: Pocket, form: Form, { lamp, page }: Lit): boolean =>
  known.pocket === pocket && known.form === form && known.lamp === lamp && known.page === page.box;
