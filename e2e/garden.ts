/** Line art that nobody here drew: four published icons on one page, in groups, every second one turned. */
import { readFileSync } from "node:fs";
import { readSvg } from "../core/formats/svg-read.ts";
import { pocketsIn } from "./desk.ts";

const NAMES = ["turtle", "grape", "rabbit", "carrot"];

const inner = (name: string): string =>
  readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8")
    .replace(/^[\s\S]*?<svg[^>]*>/, "")
    .replace("</svg>", "");

export const GARDEN = `<svg xmlns="http://www.w3.org/2000/svg" width="120mm" height="120mm" viewBox="0 0 60 60" fill="none" stroke="#222" stroke-width="1.4" stroke-linecap="round" stroke-linejoin="round">${NAMES.map(
  (name, i) =>
    `<g id="${name}" transform="translate(${(i % 2) * 30 + 3} ${Math.floor(i / 2) * 30 + 3})${i % 2 ? " rotate(8 12 12)" : ""}">${inner(name)}</g>`,
).join("")}</svg>`;

/** Its page, in page units. */
export const GARDEN_PAGE = readSvg(GARDEN).page.box;

/** Its pockets as the desk finds them, largest first. */
export const GARDEN_POCKETS = pocketsIn(GARDEN);
