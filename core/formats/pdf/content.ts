/** The operators of a PDF content stream (ISO 32000-1, 8.5): paths in page units, whatever the page is scaled to. */
import type { Matrix } from "../../geometry/matrix.ts";
import { type PathSink, walkChain } from "../../geometry/walk.ts";
import type { Chain, LineArea } from "../../scene/items.ts";

const CAPS = { butt: 0, round: 1, square: 2 } as const;
const JOINS = { miter: 0, round: 1, bevel: 2 } as const;

export class Content implements PathSink {
  private readonly parts: string[] = [];

  /** Decimals of page units. */
  constructor(private readonly digits: number) {}

  get text(): string {
    return this.parts.join("\n");
  }

  /** Numbers, then an operator. */
  op(operator: string, ...numbers: readonly number[]): void {
    this.parts.push([...numbers.map((n) => decimal(n, this.digits)), operator].join(" "));
  }

  /** Shares from 0 to 1, then an operator: a colour is as exact on a large page as on a small one. */
  colour(operator: "rg" | "RG", shares: readonly number[]): void {
    this.parts.push([...shares.map((n) => decimal(n, COLOUR_DIGITS)), operator].join(" "));
  }

  /** A resource by its name, then an operator. */
  use(name: string, operator: string): void {
    this.parts.push(`/${name} ${operator}`);
  }

  /** What is written in between is forgotten after it: clips, colours, states. */
  within(write: () => void): void {
    this.op("q");
    write();
    this.op("Q");
  }

  /** A matrix is finer than a place. */
  transform(matrix: Matrix): void {
    this.parts.push(`${matrix.map((n) => decimal(n, MATRIX_DIGITS)).join(" ")} cm`);
  }

  moveTo(x: number, y: number): void {
    this.op("m", x, y);
  }

  lineTo(x: number, y: number): void {
    this.op("l", x, y);
  }

  bezierCurveTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): void {
    this.op("c", ax, ay, bx, by, x, y);
  }

  closePath(): void {
    this.op("h");
  }

  path(chains: readonly Chain[], closed: boolean): void {
    for (const chain of chains) walkChain(this, chain, closed);
  }

  clip(chains: readonly Chain[], evenOdd = false): void {
    this.path(chains, true);
    this.op(evenOdd ? "W*" : "W");
    this.op("n");
  }

  box({ x, y, width, height }: { x: number; y: number; width: number; height: number }): void {
    this.op("re", x, y, width, height);
  }

  stroke({ points, closed, width, cap, join, miterLimit, dash, dashOffset }: LineArea): void {
    this.op("w", width);
    this.op("J", CAPS[cap]);
    this.op("j", JOINS[join]);
    if (join === "miter") this.op("M", Math.max(1, miterLimit));
    if (dash.length > 0)
      this.parts.push(
        `[${dash.map((n) => decimal(n, this.digits)).join(" ")}] ${decimal(dashOffset, this.digits)} d`,
      );
    this.path([points], closed);
    this.op("S");
  }
}

const MATRIX_DIGITS = 9;
const COLOUR_DIGITS = 5;

/** Shortest decimal with at most `digits` places; PDF knows no exponents. */
function decimal(value: number, digits: number): string {
  const text = value.toFixed(digits);
  const plain = text.includes(".") ? text.replace(/\.?0+$/, "") : text;
  return plain === "-0" ? "0" : plain;
}
