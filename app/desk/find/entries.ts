/** All that Find finds: tools, what keys do, settings, sections, windows, pages of Help, colours, parts, lines, drawings. */
import { ranked } from "#core/drawing/drawing.ts";
import { partsOf } from "#core/drawing/parts.ts";
import { HELP_PAGES } from "../../help/pages.ts";
import { setPrefs } from "../../prefs/prefs-store.ts";
import { pressOf, showCombo } from "../keys/combo.ts";
import { KEYS } from "../keys/keys.ts";
import { comboFor, type OwnKeys } from "../keys/own-keys.ts";
import { type KeyDesk, pressKey } from "../keys/press-key.ts";
import { chooseLines } from "../lines/line-actions.ts";
import { lineRows } from "../lines/line-rows.ts";
import { choosePart } from "../parts/part-actions.ts";
import { STAGES } from "../stages/index.ts";
import type { Desk, DeskStore, WindowName } from "../store/desk-state.ts";
import { goToSection, goToSetting, goToTool } from "./go-to.ts";
import { OTHER_WORDS } from "./other-words.ts";

export interface FindEntry {
  /** Unlike that of any other. */
  readonly id: string;
  readonly word: string;
  /** Where it stands, or what it is. */
  readonly where: string;
  /** Other words that it is known by. */
  readonly also?: string;
  /** As people read it. */
  readonly keys?: string;
  /** #rrggbb */
  readonly swatch?: string;
  readonly run: () => void;
}

export function entriesOf(keyDesk: KeyDesk, own: OwnKeys): readonly FindEntry[] {
  const { desk } = keyDesk;
  return [
    ...tools(desk, own),
    ...actions(keyDesk, own),
    ...settings(desk),
    ...sections(desk),
    ...windows(desk),
    ...choices(),
    ...help(desk),
    ...things(desk),
  ];
}

const also = (word: string): string | undefined => OTHER_WORDS[word];

const tools = (desk: DeskStore, own: OwnKeys): FindEntry[] =>
  STAGES.flatMap((stage) =>
    stage.tools.map((tool, i) => ({
      id: `tool ${stage.name} ${tool.name}`,
      word: tool.word,
      where: `tool on ${stage.name}`,
      also: `${tool.hint} ${also(tool.word) ?? ""}`,
      keys: toolKey(i, own),
      run: () => goToTool(desk, stage.name, tool.name),
    })),
  );

/** What takes up the tool at a place of the tray. */
function toolKey(place: number, own: OwnKeys): string | undefined {
  const entry = KEYS.find(({ name }) => name === `tool-${place + 1}`);
  return entry && showCombo(comboFor(entry, own));
}

/** What keys do: those that are held have no meaning here, nor those whose tool is not in the hand. */
const actions = (keyDesk: KeyDesk, own: OwnKeys): FindEntry[] =>
  KEYS.filter(({ held, where, name }) => !held && !where && !/^(find|tool-)/.test(name)).map((entry) => ({
    id: `key ${entry.name}`,
    word: entry.does,
    where: "action",
    also: entry.also,
    keys: showCombo(comboFor(entry, own)),
    run: () => void pressKey(keyDesk, pressOf(entry.combo), true),
  }));

function settings(desk: DeskStore): FindEntry[] {
  return STAGES.flatMap((stage) =>
    stage.tools.flatMap((tool) =>
      Object.keys(tool.settings ?? (tool === stage.tools[0] ? stage.settings : undefined) ?? {})
        .filter((name) => name !== "hint")
        .map((name) => ({
          id: `setting ${stage.name} ${tool.name} ${name}`,
          word: name,
          where: `${tool.word}, on ${stage.name}`,
          also: also(name),
          run: () => goToSetting(desk, stage.name, tool.name, name),
        })),
    ),
  );
}

function sections(desk: DeskStore): FindEntry[] {
  const seen = new Set<string>();
  return STAGES.flatMap((stage) =>
    stage.sections.flatMap(({ name, title }) => {
      if (seen.has(name)) return [];
      seen.add(name);
      const word = title(desk.getState());
      return [
        {
          id: `section ${name}`,
          word,
          where: "in the press",
          also: also(word),
          run: () => goToSection(desk, stage.name, name),
        },
      ];
    }),
  );
}

const WINDOWS: Readonly<Record<Exclude<WindowName, "find">, string>> = {
  help: "Help",
  versions: "Versions",
  keys: "Keys",
  settings: "Settings",
  picture: "Colours from a picture",
  colourways: "Colourways side by side",
  compare: "Before and after the light",
};

const windows = (desk: DeskStore): FindEntry[] =>
  Object.entries(WINDOWS).map(([name, word]) => ({
    id: `window ${name}`,
    word,
    where: "window",
    also: also(word),
    run: () => desk.getState().openWindow(name as WindowName),
  }));

const help = (desk: DeskStore): FindEntry[] =>
  HELP_PAGES.map(({ name, title, also: others }) => ({
    id: `help ${name}`,
    word: title,
    where: "page of Help",
    also: others,
    run: () => desk.getState().openHelp(name),
  }));

const choices = (): FindEntry[] => [
  {
    id: "dark",
    word: "Dark frame",
    where: "setting",
    also: "night theme mode",
    run: () => setPrefs({ frame: "dark" }),
  },
  {
    id: "light",
    word: "Light frame",
    where: "setting",
    also: "day theme mode",
    run: () => setPrefs({ frame: "light" }),
  },
  {
    id: "left",
    word: "For the left hand",
    where: "setting",
    also: "mirror",
    run: () => setPrefs({ hand: "left" }),
  },
  {
    id: "right",
    word: "For the right hand",
    where: "setting",
    also: "mirror",
    run: () => setPrefs({ hand: "right" }),
  },
  {
    id: "text",
    word: "Larger text",
    where: "setting",
    also: "font size accessibility",
    run: () => setPrefs({ textSize: 1.3 }),
  },
];

/** Colours, parts and lines by their names. */
function things(desk: DeskStore): FindEntry[] {
  const state = desk.getState();
  const { tin, parts } = state.drawing;
  const colours = ranked(tin).map(
    ({ id, name, value, group }): FindEntry => ({
      id: `colour ${id}`,
      word: name,
      where: "colour",
      also: group,
      swatch: value,
      run: () => state.takePaint({ colour: id, step: 0 }),
    }),
  );
  const all = partsOf({ parts }).map(
    ({ id, name }): FindEntry => ({
      id: `part ${id}`,
      word: name,
      where: "part",
      run: () => choosePart(desk, id),
    }),
  );
  return [...colours, ...(all.length > 1 ? all : []), ...lines(desk, state)];
}

const MOST_LINES = 500;

const lines = (desk: DeskStore, state: Desk): FindEntry[] =>
  lineRows(state)
    .slice(0, MOST_LINES)
    .map(({ key, name, kind, lines: own }) => ({
      id: `line ${key}`,
      word: name,
      where: kind === "group" ? "group of lines" : "line",
      run: () => {
        goToTool(desk, "Lines", "arrange");
        const ids = own.map(({ id }) => id);
        chooseLines(desk, ids, false);
      },
    }));
