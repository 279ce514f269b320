/**
 * The cascade of an SVG file: presentation attributes, style sheets by specificity and order, inline styles, and what
 * children inherit (CSS Cascading and Inheritance 4). Custom properties are followed.
 */
import { selectAll } from "css-select";
import * as csstree from "css-tree";
import { parse as parseSelector, type Selector } from "css-what";
import { isColour, isPaint } from "./svg-colour.ts";
import type { SvgElement, SvgTree } from "./svg-tree.ts";
import { anyLength } from "./svg-units.ts";

/** Property values by name, as written. */
export type Style = Readonly<Record<string, string>>;

/** Properties an element does not hand down. */
const OWN_ONLY = new Set([
  "opacity",
  "display",
  "clip-path",
  "mask",
  "filter",
  "transform",
  "transform-origin",
  "vector-effect",
  "mix-blend-mode",
  "overflow",
]);

const PRESENTATION = new Set([
  ...OWN_ONLY,
  "fill",
  "fill-rule",
  "fill-opacity",
  "stroke",
  "stroke-width",
  "stroke-linecap",
  "stroke-linejoin",
  "stroke-miterlimit",
  "stroke-dasharray",
  "stroke-dashoffset",
  "stroke-opacity",
  "color",
  "visibility",
  "clip-rule",
  "marker-start",
  "marker-mid",
  "marker-end",
  "marker",
  "stop-color",
  "stop-opacity",
  "paint-order",
  "font-size",
]);

/** Values that make no sense count as not written (CSS Syntax 3, section 8.2). Those with variables are known only later. */
const MAKES_SENSE: Readonly<Record<string, (value: string) => boolean>> = {
  fill: isPaint,
  stroke: isPaint,
  color: isColour,
  "stop-color": isColour,
  "stroke-width": (value) => (anyLength(value, 1) ?? -1) >= 0,
};

const isHeld = (property: string, value: string): boolean =>
  value === "inherit" || hasVariables(value) || (MAKES_SENSE[property]?.(value) ?? true);

interface Declared {
  readonly value: string;
  /** Which of two declarations of a property holds: the heavier, and of the same weight the later. */
  readonly weight: number;
}

type Declarations = Map<string, Declared>;

const IMPORTANT = 2 ** 40;
const INLINE = 2 ** 36;

export class StyleSheet {
  private readonly declared = new Map<SvgElement, Declarations>();
  /** Styles by the one above and by what is written in an element that no rule chooses. */
  private readonly known = new WeakMap<Style, Map<string, Style>>();

  constructor({ root }: SvgTree) {
    let order = 0;
    for (const text of sheetsIn(root))
      for (const { selector, declarations } of rulesIn(text))
        this.addRule(root, selector, declarations, ++order);
  }

  private addRule(
    root: SvgElement,
    selector: string,
    declarations: csstree.Declaration[],
    order: number,
  ): void {
    for (const single of selectorsIn(selector)) {
      const weight = specificityOf(single) * 2 ** 12 + order;
      for (const element of chosenBy(single, root)) {
        const own = this.declared.get(element) ?? new Map<string, Declared>();
        this.declared.set(element, own);
        for (const declaration of declarations) declare(own, declaration, weight);
      }
    }
  }

  /** The style of an element inside one of the given style: the same object for all that are styled alike. */
  styleOf(element: SvgElement, above: Style): Style {
    if (this.declared.has(element)) return this.cascaded(element, above);
    const written = writtenIn(element);
    const known = this.known.get(above) ?? new Map<string, Style>();
    this.known.set(above, known);
    const style = known.get(written) ?? this.cascaded(element, above);
    known.set(written, style);
    return style;
  }

  private cascaded(element: SvgElement, above: Style): Style {
    const style: Record<string, string> = {};
    for (const name in above) if (!OWN_ONLY.has(name)) style[name] = above[name];
    for (const [name, value] of Object.entries(element.attributes))
      if (PRESENTATION.has(name) && isHeld(name, value)) style[name] = value;
    const declared = new Map(this.declared.get(element));
    if (element.attributes.style)
      for (const declaration of declarationsIn(element.attributes.style))
        declare(declared, declaration, INLINE);
    for (const [name, { value }] of declared) style[name] = value;
    for (const name in style) {
      const written = style[name];
      const value = hasVariables(written) ? withVariables(written, style) : written;
      const held = value === written || isHeld(name, value);
      style[name] = held && value !== "inherit" ? value : (above[name] ?? "");
    }
    return withOwnFont(style, above);
  }
}

/** All of an element's attributes that style it. */
function writtenIn({ attributes }: SvgElement): string {
  let written = "";
  for (const name in attributes)
    if (name === "style" || PRESENTATION.has(name)) written += `${name}\n${attributes[name]}\n`;
  return written;
}

/** Properties whose lengths may be of the font's size. */
const IN_FONTS = ["stroke-width", "stroke-dasharray", "stroke-dashoffset"];
const FONT_SIZE = 16;
const EM = /([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(em|ex)\b/gi;

/** Lengths in multiples of the font size, as pixels; an inherited length refers to the font where it was written. */
function withOwnFont(style: Record<string, string>, above: Style): Record<string, string> {
  const before = Number(above["font-size"]) || FONT_SIZE;
  const inPixels = (size: number) => (text: string) =>
    text.replace(EM, (_, n: string, unit: string) =>
      String(Number(n) * size * (unit.toLowerCase() === "ex" ? 0.5 : 1)),
    );
  const size = anyLength(inPixels(before)(style["font-size"] ?? ""), before) ?? before;
  if (style["font-size"] !== undefined) style["font-size"] = String(size);
  for (const name of IN_FONTS) if (style[name]) style[name] = inPixels(size)(style[name]);
  return style;
}

function declare(
  own: Declarations,
  { property, value, important }: csstree.Declaration,
  weight: number,
): void {
  // What could not be parsed is left as it is written.
  if (value.type === "Raw" && !property.startsWith("--")) return;
  const text = csstree.generate(value);
  if (!isHeld(property, text)) return;
  // In CSS, unlike in the attribute, numbers of a transform are parted by commas.
  const isStrict = property === "transform" && !hasVariables(text);
  if (isStrict && csstree.lexer.matchProperty(property, value).error) return;
  const now = { value: text, weight: weight + (important ? IMPORTANT : 0) };
  const before = own.get(property);
  if (!before || before.weight <= now.weight) own.set(property, now);
}

const VARIABLE = /var\(\s*(--[^\s,()]+)\s*(?:,([^()"'\n]*))?\)/g;

const hasVariables = (value: string): boolean =>
  value.includes("var(") && !value.replace(VARIABLE, "").includes("var(");

const withVariables = (value: string, style: Style): string =>
  value.replace(VARIABLE, (_, name: string, otherwise?: string) => style[name] ?? otherwise?.trim() ?? "");

function sheetsIn(element: SvgElement): string[] {
  const own = element.name === "style" ? [element.text] : [];
  return [...own, ...element.children.flatMap(sheetsIn)];
}

interface Rule {
  readonly selector: string;
  readonly declarations: csstree.Declaration[];
}

function rulesIn(text: string): Rule[] {
  const rules: Rule[] = [];
  const sheet = csstree.parse(text, { onParseError: () => {} });
  csstree.walk(sheet, {
    visit: "Rule",
    enter(rule) {
      const outer = this.atrule;
      if (outer && !isHeeded(outer)) return;
      if (rule.prelude.type === "Raw") return;
      rules.push({ selector: csstree.generate(rule.prelude), declarations: declarationsOf(rule.block) });
    },
  });
  return rules;
}

/** Rules for print or another condition that is not met on a screen are left out. */
function isHeeded({ name, prelude }: csstree.Atrule): boolean {
  // Whatever a file asks for is there: it is only not met where it asks that something be not.
  if (name === "supports") return !/(^|\band\s+|\(\s*)not\b/.test(prelude ? csstree.generate(prelude) : "");
  return name === "media" && /^(all|screen)?$/.test(prelude ? csstree.generate(prelude).trim() : "");
}

const declarationsOf = (block: csstree.Block): csstree.Declaration[] =>
  block.children.toArray().filter((node) => node.type === "Declaration");

function declarationsIn(style: string): csstree.Declaration[] {
  const list = csstree.parse(style, { context: "declarationList", onParseError: () => {} });
  return list.type === "DeclarationList"
    ? list.children.toArray().filter((node) => node.type === "Declaration")
    : [];
}

function selectorsIn(text: string): Selector[][] {
  try {
    return parseSelector(text);
  } catch {
    return [];
  }
}

/**
 * None where the selector asks for something that only a browser knows, or that is unknown: such a rule does not
 * apply.
 */
function chosenBy(selector: Selector[], root: SvgElement): SvgElement[] {
  try {
    return selectAll([selector], [root], { adapter: ADAPTER, xmlMode: true });
  } catch {
    return [];
  }
}

/** Ids, classes and names as one number (Selectors 4, section 17). */
function specificityOf(selector: readonly Selector[]): number {
  let [ids, classes, names] = [0, 0, 0];
  for (const part of selector) {
    if (part.type === "attribute") part.name === "id" && part.action === "equals" ? ids++ : classes++;
    else if (part.type === "pseudo") classes++;
    else if (part.type === "tag" || part.type === "pseudo-element") names++;
  }
  return (ids * 64 + classes) * 64 + names;
}

const ADAPTER = {
  isTag: (_: SvgElement): _ is SvgElement => true,
  getAttributeValue: ({ attributes }: SvgElement, name: string) => attributes[name],
  getChildren: ({ children }: SvgElement) => children,
  getName: ({ name }: SvgElement) => name,
  getParent: ({ parent }: SvgElement) => parent,
  getSiblings: (element: SvgElement) => element.parent?.children ?? [element],
  getText: ({ text }: SvgElement) => text,
  hasAttrib: ({ attributes }: SvgElement, name: string) => name in attributes,
  removeSubsets: (nodes: SvgElement[]) => nodes.filter((node) => !nodes.some((other) => holds(other, node))),
};

function holds(outer: SvgElement, element: SvgElement): boolean {
  for (let above = element.parent; above; above = above.parent) if (above === outer) return true;
  return false;
}
