/** Plates as a PDF: a page each, a grey picture as large as it is printed, the page without its margin as the trim. */
import { PDFDocument, PDFName, PDFNumber } from "pdf-lib";
import type { Size } from "../../geometry/point.ts";

export interface GreyPage {
  readonly size: Size;
  /** One byte a pixel, filtered as PNG has them, compressed, in one piece. */
  readonly pixels: Uint8Array;
}

export interface PlatesRequest {
  readonly title: string;
  /** Of the page with its margin. */
  readonly widthInches: number;
  readonly marginInches: number;
}

const POINTS_PER_INCH = 72;
/** The predictors of PNG. */
const PREDICTOR = 15;

export async function greyPages(pages: readonly GreyPage[], request: PlatesRequest): Promise<Uint8Array> {
  const document = await PDFDocument.create({ updateMetadata: false });
  document.setTitle(request.title);
  document.setProducer("Fern Pocket");
  for (const page of pages) addPage(document, page, request);
  return document.save();
}

function addPage(
  document: PDFDocument,
  { size, pixels }: GreyPage,
  { widthInches, marginInches }: PlatesRequest,
): void {
  const { context } = document;
  const width = widthInches * POINTS_PER_INCH;
  const height = (width * size.height) / size.width;
  const margin = marginInches * POINTS_PER_INCH;
  const image = context.stream(pixels, {
    Type: "XObject",
    Subtype: "Image",
    Width: size.width,
    Height: size.height,
    ColorSpace: "DeviceGray",
    BitsPerComponent: 8,
    Filter: "FlateDecode",
    DecodeParms: { Predictor: PREDICTOR, Colors: 1, BitsPerComponent: 8, Columns: size.width },
  });
  const page = document.addPage([width, height]);
  page.setTrimBox(margin, margin, width - 2 * margin, height - 2 * margin);
  const resources = context.obj({ XObject: { Plate: context.register(image) } });
  page.node.set(PDFName.of("Resources"), resources);
  const scale = [width, 0, 0, height, 0, 0].map((n) => PDFNumber.of(n).toString()).join(" ");
  page.node.set(PDFName.of("Contents"), context.register(context.flateStream(`${scale} cm\n/Plate Do`)));
}
