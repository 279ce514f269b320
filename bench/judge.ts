/**
 * Says of a figure whether it reaches its aim. With KEEP_FIGURES=1 it is also kept for the table of docs/performance.md
 * (`npm run docs:draw`).
 */
import { existsSync, readFileSync, writeFileSync } from "node:fs";

const FIGURES = "docs/figures/performance.json";

export type Area = "engine" | "opening" | "hand" | "picture";

export interface Figure {
  readonly area: Area;
  readonly what: string;
  readonly measured: number;
  readonly unit: string;
  readonly aim: number;
  /** Whether more than the aim is better; otherwise less is. */
  readonly more?: boolean;
  /** What bounds it from beyond, in the same unit, where that was measured in the same run. */
  readonly limit?: { readonly what: string; readonly measured: number };
}

export const isReached = ({ measured, aim, more }: Figure): boolean =>
  more ? measured >= aim : measured <= aim;

export function judge(figure: Figure): void {
  const { what, measured, unit, aim, more, limit } = figure;
  const beyond = limit ? `; ${limit.what} ${short(limit.measured)} ${unit}` : "";
  console.log(
    `  ${what.padEnd(44)} ${short(measured)} ${unit} (aim ${more ? "at least" : "at most"} ${aim}${beyond}): ${isReached(figure) ? "reached" : "MISS"}`,
  );
  if (process.env.KEEP_FIGURES) keep(figure);
}

export const short = (value: number): string =>
  Math.abs(value) >= 100 ? value.toFixed(0) : value.toFixed(Math.abs(value) >= 10 ? 1 : 2);

export const keptFigures = (): Figure[] =>
  existsSync(FIGURES) ? JSON.parse(readFileSync(FIGURES, "utf8")) : [];

function keep(figure: Figure): void {
  const others = keptFigures().filter(({ area, what }) => area !== figure.area || what !== figure.what);
  writeFileSync(FIGURES, `${JSON.stringify([...others, figure], undefined, 2)}\n`);
}
