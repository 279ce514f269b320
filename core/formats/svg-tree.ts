/**
 * An SVG file's elements as a plain tree. The XML goes through a streaming parser that runs nothing and fetches
 * nothing. Entities a file declares for itself are taken as plain text, so that none can grow out of another.
 */
import { SaxesParser, type SaxesTagPlain } from "saxes";
import { FileProblem } from "./file-problem.ts";

export interface SvgElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: SvgElement[];
  readonly parent: SvgElement | null;
  /** Text directly inside. */
  text: string;
}

export interface SvgTree {
  readonly root: SvgElement;
  readonly byId: ReadonlyMap<string, SvgElement>;
  readonly count: number;
}

const CHUNK = 2 ** 16;
const DEEPEST = 500;

/** `onRead` hears how much of the text has been read, 0 to 1. */
export function treeOf(text: string, onRead: (share: number) => void = () => {}): SvgTree {
  const parser = new SaxesParser();
  const byId = new Map<string, SvgElement>();
  let root: SvgElement | undefined;
  let open: SvgElement | null = null;
  let depth = 0;
  let count = 0;
  /** What the file writes before the names of SVG's elements. */
  let prefix = "";
  parser.on("error", (error) => {
    throw new FileProblem("broken", `The file's XML is broken (${plain(error.message)}).`);
  });
  parser.on("doctype", (doctype) => Object.assign(parser.ENTITIES, entitiesIn(doctype)));
  parser.on("opentag", (tag) => {
    if (++depth > DEEPEST) throw new FileProblem("broken", "The file's groups lie too deep in one another.");
    if (!root) prefix = prefixOf(tag);
    const element = elementOf(tag, prefix, open);
    if (open) open.children.push(element);
    else root ??= element;
    const { id } = element.attributes;
    if (id !== undefined && !byId.has(id)) byId.set(id, element);
    open = element;
    count++;
  });
  parser.on("closetag", () => {
    open = open?.parent ?? null;
    depth--;
  });
  const addText = (part: string) => {
    if (open) open.text += part;
  };
  parser.on("text", addText);
  parser.on("cdata", addText);
  for (let from = 0; from < text.length; from += CHUNK) {
    parser.write(text.slice(from, from + CHUNK));
    onRead(Math.min(1, (from + CHUNK) / text.length));
  }
  parser.close();
  if (!root) throw new FileProblem("broken", "The file has no elements.");
  return { root, byId, count };
}

const SVG = "http://www.w3.org/2000/svg";

function prefixOf({ attributes }: SaxesTagPlain): string {
  const bound = Object.keys(attributes).find((name) => name.startsWith("xmlns:") && attributes[name] === SVG);
  return bound === undefined ? "" : `${bound.slice("xmlns:".length)}:`;
}

const elementOf = (tag: SaxesTagPlain, prefix: string, parent: SvgElement | null): SvgElement => ({
  name: prefix && tag.name.startsWith(prefix) ? tag.name.slice(prefix.length) : tag.name,
  attributes: tag.attributes as Record<string, string>,
  children: [],
  parent,
  text: "",
});

const plain = (message: string): string =>
  message.replace(/^(undefined:)?(\d+):(\d+): /, "line $2: ").replace(/\.$/, "");

const LONGEST_ENTITY = 2000;

function entitiesIn(doctype: string): Record<string, string> {
  const found: Record<string, string> = {};
  for (const [, name, , value] of doctype.matchAll(/<!ENTITY\s+([\w.-]+)\s+(["'])(.*?)\2\s*>/gs))
    if (value.length <= LONGEST_ENTITY) found[name] = value;
  return found;
}

/** All text inside an element, its descendants' too. */
export const textOf = (element: SvgElement): string =>
  `${element.text} ${element.children.map(textOf).join(" ")}`.replace(/\s+/g, " ").trim();

/** What a link names inside this file; undefined when it leads elsewhere. */
export const linkOf = ({ attributes }: SvgElement): string | undefined =>
  attributes.href ?? attributes["xlink:href"];
