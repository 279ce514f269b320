/**
 * What a PDF's content refers to by name: states, groups, gradients, colour spaces, each once (ISO 32000-1). The file's
 * structure is pdf-lib's.
 */
import { type PDFContext, PDFDict, PDFName, PDFNumber, type PDFObject, PDFRef } from "pdf-lib";
import type { Blend } from "../../drawing/drawing.ts";
import type { Box } from "../../geometry/point.ts";
import type { GradientPaint } from "../../scene/items.ts";
import type { Tone } from "../../scene/palette.ts";
import { Content } from "./content.ts";
import type { Mask } from "./soft-mask.ts";

const KINDS = ["ExtGState", "XObject", "Pattern", "ColorSpace"] as const;
type Kind = (typeof KINDS)[number];

/** The blend modes of ISO 32000-1, 11.3.5. */
const BLENDS: Readonly<Record<Blend, string>> = {
  normal: "Normal",
  multiply: "Multiply",
  screen: "Screen",
  overlay: "Overlay",
  darken: "Darken",
  lighten: "Lighten",
  "soft-light": "SoftLight",
  "hard-light": "HardLight",
  "color-dodge": "ColorDodge",
  "color-burn": "ColorBurn",
};

export interface State {
  readonly opacity?: number;
  readonly blend?: Blend;
  /** A group whose brightness says how much shows. */
  readonly mask?: PDFRef;
}

export class PdfFile {
  readonly resources: PDFRef;
  private readonly tables: Record<Kind, PDFDict>;
  private readonly names = new Map<string, string>();
  private readonly gradients = new Map<GradientPaint, { pattern: string; mask?: PDFRef }>();

  constructor(
    readonly context: PDFContext,
    /** All that can be seen, in page units. */
    private readonly seen: Box,
    private readonly digits: number,
  ) {
    const tables = KINDS.map((kind) => [kind, PDFDict.withContext(context)] as const);
    this.tables = Object.fromEntries(tables) as Record<Kind, PDFDict>;
    this.resources = context.register(context.obj(this.tables));
  }

  content(): Content {
    return new Content(this.digits);
  }

  /** The name of a state, the same for the same. */
  state({ opacity = 1, blend = "normal", mask }: State): string {
    return this.known("ExtGState", `${opacity} ${blend} ${mask ?? ""}`, () =>
      this.context.obj({
        Type: "ExtGState",
        ca: opacity,
        CA: opacity,
        BM: BLENDS[blend],
        SMask: mask
          ? this.context.obj({ Type: "Mask", S: "Luminosity", G: mask, BC: [0] })
          : PDFName.of("None"),
      }),
    );
  }

  /** A named separation that looks as the tone does where its ink is not at hand. */
  separation({ variable, value }: Tone, name: string): string {
    const alternate = { FunctionType: 2, Domain: [0, 1], C0: [1, 1, 1], C1: [...rgbOf(value)], N: 1 };
    return this.known("ColorSpace", variable, () =>
      this.context.obj(["Separation", asciiName(name), "DeviceRGB", this.context.obj(alternate)]),
    );
  }

  /** A transparency group, painted as one. */
  group(content: Content, { space = "DeviceRGB", isolated = true } = {}): PDFRef {
    const { x, y, width, height } = this.seen;
    return this.context.register(
      this.context.flateStream(content.text, {
        Type: "XObject",
        Subtype: "Form",
        BBox: [x, y, x + width, y + height].map((n) => PDFNumber.of(n)),
        Resources: this.resources,
        Group: this.context.obj({ S: "Transparency", CS: space, I: isolated, K: false }),
      }),
    );
  }

  /** The name by which a group is painted. */
  named(group: PDFRef): string {
    return this.known("XObject", `${group}`, () => group);
  }

  /** The name of a gradient, and where it is see-through a group that says how much of it shows. */
  gradient(paint: GradientPaint): { readonly pattern: string; readonly mask?: PDFRef } {
    const before = this.gradients.get(paint);
    if (before) return before;
    const stops = paint.stops.map(({ at, tone, opacity }) => ({
      at,
      colour: rgbOf(tone.value),
      shows: [opacity * (tone.opacity ?? 1)],
    }));
    const pattern = this.pattern(
      paint,
      "DeviceRGB",
      stops.map(({ at, colour }) => ({ at, value: colour })),
    );
    const see = stops.some(({ shows }) => shows[0] < 1);
    const made = see
      ? {
          pattern,
          mask: this.gradientMask(
            paint,
            stops.map(({ at, shows }) => ({ at, value: shows })),
          ),
        }
      : { pattern };
    this.gradients.set(paint, made);
    return made;
  }

  /** A group that shows a grey picture in a box, for a mask. */
  masked({ columns, rows, values }: Mask, { x, y, width, height }: Box): PDFRef {
    const image = this.context.register(
      this.context.flateStream(values, {
        Type: "XObject",
        Subtype: "Image",
        Width: columns,
        Height: rows,
        ColorSpace: "DeviceGray",
        BitsPerComponent: 8,
        Interpolate: true,
      }),
    );
    const content = this.content();
    // Rows of a picture run down, and so do page units.
    content.transform([width, 0, 0, -height, x, y + height]);
    content.use(this.named(image), "Do");
    return this.group(content, { space: "DeviceGray" });
  }

  private gradientMask(paint: GradientPaint, stops: readonly Stop[]): PDFRef {
    const content = this.content();
    content.use("Pattern", "cs");
    content.use(this.pattern(paint, "DeviceGray", stops), "scn");
    content.box(this.seen);
    content.op("f");
    return this.group(content, { space: "DeviceGray" });
  }

  private pattern(paint: GradientPaint, space: string, stops: readonly Stop[]): string {
    const { shape, focus } = paint;
    const shading = {
      ShadingType: shape === "linear" ? 2 : 3,
      ColorSpace: space,
      Coords: shape === "linear" ? [0, 0, 1, 0] : [focus, 0, 0, 0, 0, 1],
      Function: this.between(stops),
      Extend: [true, true],
    };
    const name = `g${this.names.size}`;
    return this.known("Pattern", name, () =>
      this.context.obj({
        Type: "Pattern",
        PatternType: 2,
        Matrix: [...paint.space],
        Shading: this.context.obj(shading),
      }),
    );
  }

  /** A function from 0 to 1 through stops, straight between them (ISO 32000-1, 7.10.4). */
  private between(stops: readonly Stop[]): PDFDict {
    const [first] = stops;
    const last = stops[stops.length - 1];
    const all = [
      ...(first.at > 0 ? [{ ...first, at: 0 }] : []),
      ...stops,
      ...(last.at < 1 ? [{ ...last, at: 1 }] : []),
    ];
    const spans = all.slice(1).flatMap((to, k) => (to.at > all[k].at ? [{ from: all[k], to }] : []));
    const functions = spans.map(({ from, to }) =>
      this.context.obj({ FunctionType: 2, Domain: [0, 1], C0: [...from.value], C1: [...to.value], N: 1 }),
    );
    if (functions.length === 1) return functions[0] as PDFDict;
    return this.context.obj({
      FunctionType: 3,
      Domain: [0, 1],
      Functions: functions,
      Bounds: spans.slice(1).map(({ from }) => from.at),
      Encode: spans.flatMap(() => [0, 1]),
    }) as PDFDict;
  }

  private known(kind: Kind, key: string, make: () => PDFObject): string {
    const whole = `${kind} ${key}`;
    const before = this.names.get(whole);
    if (before) return before;
    const name = `${kind[0]}${this.names.size}`;
    this.names.set(whole, name);
    const made = make();
    this.tables[kind].set(PDFName.of(name), made instanceof PDFRef ? made : this.context.register(made));
    return name;
  }
}

interface Stop {
  /** 0 to 1. */
  readonly at: number;
  readonly value: readonly number[];
}

/** Red, green and blue from 0 to 1. */
export const rgbOf = (value: string): [number, number, number] => [
  Number.parseInt(value.slice(1, 3), 16) / 255,
  Number.parseInt(value.slice(3, 5), 16) / 255,
  Number.parseInt(value.slice(5, 7), 16) / 255,
];

/** Names are bytes: what is not ASCII is written as the bytes of its UTF-8, as readers expect. */
const asciiName = (name: string): PDFName =>
  PDFName.of(
    encodeURIComponent(name.replaceAll("#", "")).replace(/%([0-9A-F]{2})/g, (_, hex: string) => `#${hex}`),
  );
