/** What a demo looks like on its card in the drawer: drawn once, so that nobody waits for it. */
import { Resvg } from "@resvg/resvg-js";
import { readDrawingFile } from "../../core/formats/drawing-file.ts";
import { writeSvg } from "../../core/formats/svg-write.ts";
import { DrawingReader } from "../../core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "../../core/scene/scene.ts";

const WIDTH = 480;

/** As PNG, from the bytes of a demo's file. */
export async function pictureOf(file: string, bytes: Buffer): Promise<Buffer> {
  const svg = await svgOf(file, bytes);
  return Buffer.from(new Resvg(svg, { fitTo: { mode: "width", value: WIDTH } }).render().asPng());
}

async function svgOf(file: string, bytes: Buffer): Promise<string> {
  if (file.endsWith(".svg")) return bytes.toString("utf8");
  if (file.endsWith(".png"))
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><image width="100" height="100" href="data:image/png;base64,${bytes.toString("base64")}"/></svg>`;
  const drawing = await readDrawingFile(bytes.toString("utf8"));
  const { pockets } = new DrawingReader().read(drawing);
  return writeSvg(sceneOf(drawing, derive(drawing, pockets)));
}
