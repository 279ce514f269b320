/**
 * Draws one SVG from standard input as a PNG to standard output, in a process of its own: the engine is native code,
 * and what people send may end it. The tree is read first; what would reach for files or ask for too much is refused
 * with a sentence on standard error and exit code 3.
 */
import { buffer } from "node:stream/consumers";
import { Resvg } from "@resvg/resvg-js";
import { SaxesParser } from "saxes";

const MOST_ELEMENTS = 200_000;
const MOST_DEPTH = 200;
const MOST_PIXELS = 16e6;

class Refusal extends Error {}

/** Throws a Refusal for a tree that is broken, too large or too deep, or that wants a picture from elsewhere. */
function checkTree(svg: string): void {
  const parser = new SaxesParser({ xmlns: true, position: false });
  let elements = 0;
  let depth = 0;
  parser.on("error", () => {
    throw new Refusal("The print shop stand-in could not read this SVG.");
  });
  parser.on("doctype", () => {
    throw new Refusal("The print shop stand-in takes no SVG with a document type.");
  });
  parser.on("opentag", ({ local, attributes }) => {
    if (++elements > MOST_ELEMENTS || ++depth > MOST_DEPTH)
      throw new Refusal("This SVG has more parts, or nests them deeper, than the print shop stand-in takes.");
    if (local !== "image" && local !== "feImage") return;
    for (const { local: name, value } of Object.values(attributes))
      if (name === "href" && !/^\s*(data:|#)/i.test(value))
        throw new Refusal("The print shop stand-in takes pictures only from within the SVG.");
  });
  parser.on("closetag", () => {
    depth--;
  });
  parser.write(svg).close();
}

function draw(svg: string, width: number): Uint8Array {
  checkTree(svg);
  const picture = new Resvg(svg, {
    fitTo: { mode: "width", value: width },
    font: { loadSystemFonts: false },
    logLevel: "off",
  });
  const height = Math.ceil((width * picture.height) / picture.width);
  if (!(width * height <= MOST_PIXELS))
    throw new Refusal("The proof would have more than 16 million pixels. Make the page less tall or wide.");
  if (picture.imagesToResolve().length > 0)
    throw new Refusal("The print shop stand-in takes pictures only from within the SVG.");
  return picture.render().asPng();
}

try {
  const svg = (await buffer(process.stdin)).toString("utf8");
  process.stdout.write(draw(svg, Number(process.argv[2])));
} catch (error) {
  const ours = error instanceof Refusal;
  process.stderr.write(ours ? error.message : "The print shop stand-in could not read this SVG.");
  process.exitCode = 3;
}
