/**
 * Says of a figure whether it reaches its aim. With KEEP_FIGURES=1 it is also kept for the table of docs/performance.md
 * (`npm run docs:draw`).
 */
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { slowness } from "../testing/long-runs.ts";

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
  /** How many times slower than a quiet machine this one was just then (testing/long-runs.ts); of times alone. */
  readonly pace?: number;
}

export const isReached = ({ measured, aim, more }: Figure): boolean =>
  more ? measured >= aim : measured <= aim;

const TIMES = ["ms", "s"];
/** One look at the machine may meet a moment of its own. */
const LOOKS = 3;

const paceNow = (): number =>
  Array.from({ length: LOOKS }, slowness).sort((a, b) => a - b)[Math.floor(LOOKS / 2)];

export function judge(one: Omit<Figure, "pace">): void {
  const figure: Figure = TIMES.includes(one.unit) ? { ...one, pace: paceNow() } : one;
  const { what, measured, unit, aim, more, limit, pace = 1 } = figure;
  const beyond = limit ? `; ${limit.what} ${short(limit.measured)} ${unit}` : "";
  console.log(
    `  ${what.padEnd(44)} ${short(measured)} ${unit} (aim ${more ? "at least" : "at most"} ${aim}${beyond}): ${isReached(figure) ? "reached" : "MISS"}${pace > 1 ? `, the machine ${pace.toFixed(1)} times slower than quiet` : ""}`,
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
