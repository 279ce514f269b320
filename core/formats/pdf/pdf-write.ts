/**
 * Writes a scene as PDF 1.7: paths, gradients as shadings, blend modes and opacity as they are; what is soft has its edge as
 * a grey picture, and its colour still as paint. Fonts none.
 */
import { PDFDocument, PDFName, type PDFRef } from "pdf-lib";
import { type Box, grow } from "../../geometry/point.ts";
import { boxOfItem, common } from "../../scene/item-box.ts";
import type { Area, Chain, Effects, Item, ItemPaint, ScenePart, SceneSheet } from "../../scene/items.ts";
import type { Tone } from "../../scene/palette.ts";
import type { Scene } from "../../scene/scene.ts";
import { digitsFor } from "../svg-path.ts";
import type { Content } from "./content.ts";
import { PdfFile, rgbOf } from "./pdf-file.ts";
import { softMask } from "./soft-mask.ts";

export interface PdfRequest {
  /** Of the page, without bleed. */
  readonly widthInches: number;
  /** Beyond the page on every side. */
  readonly bleedInches?: number;
  /** Of what cannot be but a picture. */
  readonly ppi: number;
  /** What a printing ink for a tone is called; without, colours are sRGB. */
  readonly inkOf?: (tone: Tone) => string;
}

const POINTS_PER_INCH = 72;

/** The bytes of a file; the same scene and request give the same. */
export async function writePdf(scene: Scene, request: PdfRequest): Promise<Uint8Array> {
  const document = await PDFDocument.create({ updateMetadata: false });
  document.setTitle(scene.title);
  document.setProducer("Fern Pocket");
  addPage(document, scene, request);
  return document.save();
}

function addPage(document: PDFDocument, scene: Scene, request: PdfRequest): void {
  const { box } = scene;
  const scale = (request.widthInches * POINTS_PER_INCH) / box.width;
  const bleed = (request.bleedInches ?? 0) * POINTS_PER_INCH;
  const seen = grow(box, bleed / scale);
  const file = new PdfFile(document.context, seen, digitsFor(Math.max(box.width, box.height)));
  const painter = new PdfPainter(file, seen, request, scale);
  const art = file.named(painter.art(scene));
  const content = file.content();
  // The page's own y runs up.
  content.transform([scale, 0, 0, -scale, bleed - box.x * scale, bleed + (box.y + box.height) * scale]);
  content.use(art, "Do");
  const [width, height] = [box.width * scale + 2 * bleed, box.height * scale + 2 * bleed];
  const page = document.addPage([width, height]);
  page.setTrimBox(bleed, bleed, width - 2 * bleed, height - 2 * bleed);
  page.setBleedBox(0, 0, width, height);
  const { context } = document;
  page.node.set(PDFName.of("Resources"), file.resources);
  page.node.set(PDFName.of("Contents"), context.register(context.flateStream(content.text)));
  page.node.set(PDFName.of("Group"), context.obj({ S: "Transparency", CS: "DeviceRGB", I: true, K: false }));
}

class PdfPainter {
  constructor(
    private readonly file: PdfFile,
    private readonly seen: Box,
    private readonly request: PdfRequest,
    /** Points a page unit. */
    private readonly scale: number,
  ) {}

  art({ parts }: Scene): PDFRef {
    const out = this.file.content();
    this.parts(
      out,
      parts.filter(({ hidden }) => !hidden),
    );
    return this.file.group(out);
  }

  /** What lies behind a part is trimmed to where the part does not hide it. */
  private parts(out: Content, parts: readonly ScenePart[]): void {
    const front = parts[parts.length - 1];
    if (!front) return;
    const behind = parts.slice(0, -1);
    if (behind.length > 0)
      out.within(() => {
        if (front.hides.length > 0) this.clipAround(out, front.hides);
        this.parts(out, behind);
      });
    for (const sheet of front.sheets) if (!sheet.hidden) this.sheet(out, sheet);
  }

  private clipAround(out: Content, hides: readonly Chain[]): void {
    out.box(grow(this.seen, this.seen.width));
    out.clip(hides, true);
  }

  /** A faint sheet is painted whole first, unless something on it blends with what lies below: then its items are faint. */
  private sheet(out: Content, { items, opacity, blends }: SceneSheet): void {
    const all = (to: Content, share: number) => {
      for (const item of items) if (!item.hidden) this.item(to, item, share);
    };
    if (opacity >= 1 || blends) {
      all(out, opacity);
      return;
    }
    const sheet = this.file.content();
    all(sheet, 1);
    const name = this.file.named(this.file.group(sheet));
    out.within(() => {
      out.use(this.file.state({ opacity }), "gs");
      out.use(name, "Do");
    });
  }

  private item(out: Content, item: Item, sheetOpacity: number): void {
    const { area, paint, effects } = item;
    const { clip, seam, blend } = effects;
    const opacity = (effects.opacity ?? 1) * sheetOpacity;
    const mask = this.maskOf(item);
    out.within(() => {
      if (clip) out.clip(clip);
      if (opacity < 1 || blend) out.use(this.file.state({ opacity, blend }), "gs");
      if (seam) this.seam(out, seam, paint);
      if (mask === NOTHING) return;
      if (mask) out.use(this.file.named(this.masked(item, mask)), "Do");
      else this.area(out, area, paint);
    });
  }

  private area(out: Content, area: Area, paint: ItemPaint): void {
    if (area.kind === "line") {
      this.ink(out, toneFor(paint), "S");
      out.stroke(area);
      return;
    }
    this.ready(out, paint);
    out.path(area.chains, true);
    out.op(area.evenOdd ? "f*" : "f");
  }

  /** Colour or gradient for what is filled next. */
  private ready(out: Content, paint: ItemPaint): void {
    if (paint.kind === "tone") {
      this.ink(out, paint.tone, "f");
      return;
    }
    out.use("Pattern", "cs");
    out.use(this.file.gradient(paint).pattern, "scn");
  }

  /** What says how much of an item shows: its edge where that is soft, its gradient where it is see-through, or both. */
  private maskOf({ area, paint, effects }: Item): SeenThrough | undefined {
    const through = paint.kind === "gradient" ? this.file.gradient(paint).mask : undefined;
    const { blur } = effects;
    if (!blur || area.kind !== "region") return through && { masks: [through] };
    const own = boxOfItem({ area, effects });
    const box = own && common(own, this.seen);
    if (!box || box.width === 0 || box.height === 0) return NOTHING;
    const soft = this.file.masked(softMask(area, blur, box, this.pixelsFor(blur)), box);
    return { box, masks: through ? [soft, through] : [soft] };
  }

  /**
   * A group of its own: some programs forget how a masked thing is to be blended. Where it is soft its colour is painted all
   * over its box.
   */
  private masked(
    { area, paint }: Pick<Item, "area" | "paint">,
    { box, masks: [mask, ...more] }: SeenThrough,
  ): PDFRef {
    const out = this.file.content();
    out.use(this.file.state({ mask }), "gs");
    if (more.length > 0) out.use(this.file.named(this.masked({ area, paint }, { box, masks: more })), "Do");
    else if (box) {
      this.ready(out, paint);
      out.box(box);
      out.op("f");
    } else this.area(out, area, paint);
    return this.file.group(out);
  }

  private seam(out: Content, { chains, width }: NonNullable<Effects["seam"]>, paint: ItemPaint): void {
    this.ink(out, toneFor(paint), "S");
    out.op("w", width);
    out.op("J", 0);
    out.op("j", 0);
    out.path(chains, false);
    out.op("S");
  }

  /** Pixels a page unit: as requested, or as few as a blur of that width needs. */
  private pixelsFor(blur: number): number {
    return Math.min((this.request.ppi * this.scale) / POINTS_PER_INCH, FINE / blur);
  }

  private ink(out: Content, tone: Tone, how: "f" | "S"): void {
    const { inkOf } = this.request;
    if (!inkOf) {
      out.colour(how === "f" ? "rg" : "RG", rgbOf(tone.value));
      return;
    }
    out.use(this.file.separation(tone, inkOf(tone)), how === "f" ? "cs" : "CS");
    out.op(how === "f" ? "scn" : "SCN", 1);
  }
}

interface SeenThrough {
  /** All that is soft, in page units. */
  readonly box?: Box;
  readonly masks: readonly PDFRef[];
}

/** For what lies off the page. */
const NOTHING: SeenThrough = { masks: [] };

/** Pixels to a standard deviation beyond which a blurred edge is no smoother. */
const FINE = 16;

const toneFor = (paint: ItemPaint): Tone => (paint.kind === "tone" ? paint.tone : paint.base);
