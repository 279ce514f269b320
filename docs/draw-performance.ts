/** Draws the chart and the tables of docs/performance.md from the figures that benches have kept: part of `npm run docs:draw`. */
import { readFileSync, writeFileSync } from "node:fs";
import { ascending } from "d3-array";
import { scaleLog } from "d3-scale";
import { type Area, type Figure, isReached, keptFigures, short } from "../bench/judge.ts";

const AREAS: Readonly<Record<Area, string>> = {
  engine: "The engine",
  opening: "Opening",
  hand: "Under the hand",
  picture: "The picture",
};

const FERN = "#2c6b3f";
const EMBER = "#a4440b";
const QUIET = "#6f6a64";

const WIDTH = 960;
const LABELS = 470;
const ROW = 18;
const TOP = 40;
/** How many times beyond or short of an aim the chart goes. */
const FARTHEST = 64;

/** How many times its aim a figure reaches: 1 and more is reached. */
const shareOf = ({ measured, aim, more }: Figure): number => (more ? measured / aim : aim / measured);

function chartOf(figures: readonly Figure[]): string {
  const x = scaleLog([1 / FARTHEST, FARTHEST], [LABELS, WIDTH - 30]).clamp(true);
  const height = TOP + figures.length * ROW + 12;
  const ticks = [1 / 32, 1 / 8, 1 / 2, 1, 2, 8, 32].map((share) => {
    const label = share === 1 ? "its aim" : share < 1 ? `1/${1 / share}` : `${share} x`;
    return `<g fill="${QUIET}"><path stroke="${share === 1 ? QUIET : "#e4e0da"}" d="M${x(share).toFixed(1)} ${TOP - 8}V${height - 8}"/><text x="${x(share).toFixed(1)}" y="${TOP - 14}" text-anchor="middle">${label}</text></g>`;
  });
  const rows = figures.map((figure, k) => {
    const y = TOP + k * ROW + 6;
    const end = x(shareOf(figure)).toFixed(1);
    const colour = isReached(figure) ? FERN : EMBER;
    const mark = isReached(figure)
      ? `<circle cx="${end}" cy="${y}" r="4" fill="${colour}"/>`
      : `<path d="M${Number(end) - 4} ${y - 4}h8v8h-8z" fill="${colour}"/>`;
    return `<g><text x="${LABELS - 14}" y="${y + 4}" text-anchor="end" fill="#221b18">${figure.what}</text><path stroke="${colour}" stroke-width="2" d="M${x(1).toFixed(1)} ${y}H${end}"/>${mark}</g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" width="${WIDTH}" height="${height}" font-family="sans-serif" font-size="11"><rect width="${WIDTH}" height="${height}" fill="#fff"/>
${[...ticks, ...rows].join("\n")}
</svg>
`;
}

const rowOf = (figure: Figure): string => {
  const { what, measured, unit, aim, more, limit, pace } = figure;
  const beyond = limit ? `${short(limit.measured)} ${unit} (${limit.what})` : "";
  return `| ${what} | ${short(measured)} ${unit} | ${more ? "at least" : "at most"} ${aim} ${unit} | ${beyond} | ${pace ? pace.toFixed(1) : ""} | ${isReached(figure) ? "reached" : "**no**"} |`;
};

const sectionOf = (area: Area, figures: readonly Figure[]): string =>
  [
    `## ${AREAS[area]}`,
    "",
    "| | Measured | Aim | Limit | Pace | |",
    "|---|---|---|---|---|---|",
    ...figures.map(rowOf),
    "",
  ].join("\n");

const PAGE = "docs/performance.md";
const [BEGIN, END] = ["<!-- drawn from here -->", "<!-- to here -->"];

export function drawPerformance(): void {
  const figures = keptFigures().toSorted((a, b) => ascending(a.what, b.what));
  const areas = (Object.keys(AREAS) as Area[]).map((area) => figures.filter((one) => one.area === area));
  writeFileSync("docs/figures/performance.svg", chartOf(areas.flat()));
  const sections = areas.filter((own) => own.length > 0).map((own) => sectionOf(own[0].area, own));
  const page = readFileSync(PAGE, "utf8");
  const [before, after] = [page.slice(0, page.indexOf(BEGIN) + BEGIN.length), page.slice(page.indexOf(END))];
  writeFileSync(PAGE, `${before}\n\n${sections.join("\n")}\n${after}`);
}
