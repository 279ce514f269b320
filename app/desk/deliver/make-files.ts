/** Makes the files that are asked for, each from the one scene. */
import { contactOf } from "#core/deliver/contact-sheet.ts";
import { inkNames } from "#core/deliver/ink-names.ts";
import { FILE_KINDS, type FileKind } from "#core/deliver/kinds.ts";
import { isText, textFile } from "#core/deliver/text-files.ts";
import { bleedOf, type Drawing, type Page, ranked, widthInInches } from "#core/drawing/drawing.ts";
import { type Chosen, chosenScene } from "#core/scene/chosen-scene.ts";
import { type Scene, sceneOf } from "#core/scene/scene.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { letteringIn } from "./lettering.ts";
import { CONTACT, EVERY, isMade, SEEN, SHARE_WORDS, SHEETS_OF, type TakeHome } from "./wish.ts";

export interface MadeFile {
  readonly name: string;
  readonly blob: Blob;
}

/** Hears how much is made, 0 to 1. */
export type Progress = (share: number) => void;

/** What one file is made of. */
export interface Source {
  /** Added to its name. */
  readonly more: string;
  readonly drawing: Drawing;
  readonly scene: Scene;
  readonly page: Page;
}

/** Undefined where it was stopped. */
export async function makeFiles(
  desk: DeskStore,
  wish: TakeHome,
  onProgress: Progress,
): Promise<MadeFile[] | undefined> {
  // All that the lamp makes is there first.
  await desk.getState().light.settled();
  const state = desk.getState();
  const jobs = await jobsFor(state, wish);
  const made: MadeFile[] = [];
  for (const [k, job] of jobs.entries()) {
    if (isEmpty(job.source) && pieceOf(state, wish) !== "")
      throw new Error(`There is nothing to save: ${pieceOf(state, wish)} is empty in this drawing.`);
    const files = await filesFor(job, state, wish, (share) => onProgress((k + share) / jobs.length));
    if (!files) return undefined;
    made.push(...files);
  }
  return made;
}

/** What is seen of it where several are made: the first, or the sheet with all. */
export const firstSource = async (state: Desk, wish: TakeHome): Promise<Source> =>
  wish.way === CONTACT
    ? contactSource(state, wish)
    : sourceIn(state, wish, wish.way === EVERY ? SEEN : wish.way, "");

interface Job {
  readonly kind: FileKind;
  readonly source: Source;
}

async function jobsFor(state: Desk, wish: TakeHome): Promise<Job[]> {
  const kinds = wish.kinds.filter((kind) => isMade(kind, wish));
  if (wish.way === CONTACT) {
    const source = await contactSource(state, wish);
    return kinds.map((kind) => ({ kind, source }));
  }
  const { drawing } = state;
  const ways = wish.way === EVERY ? ranked(drawing.colourways) : [];
  return kinds.flatMap((kind): Job[] =>
    ways.length > 0 && !FILE_KINDS[kind].holdsWays
      ? ways.map(({ id, name }) => ({ kind, source: sourceIn(state, wish, id, name) }))
      : [{ kind, source: sourceIn(state, wish, wish.way === EVERY ? SEEN : wish.way, "") }],
  );
}

/** In the colourway that is named, or the one that is seen. */
const inWay = (drawing: Drawing, way: string): Drawing =>
  way === SEEN ? drawing : { ...drawing, shown: way };

function sceneIn({ drawing, derived, scene }: Desk, way: string, wish: TakeHome): Scene {
  const whole = way === SEEN ? scene : sceneOf(inWay(drawing, way), derived);
  return chosenScene(whole, chosenBy(wish));
}

const chosenBy = ({ part, share }: TakeHome): Chosen => ({
  part: part || undefined,
  sheets: SHEETS_OF[share],
});

function sourceIn(state: Desk, wish: TakeHome, way: string, more: string): Source {
  return {
    more: `${more} ${pieceOf(state, wish)}`.trim(),
    drawing: inWay(state.drawing, way),
    scene: sceneIn(state, way, wish),
    page: state.drawing.page,
  };
}

const isEmpty = ({ scene }: Source): boolean =>
  scene.parts.every(({ sheets }) => sheets.every(({ items }) => items.length === 0));

/** What a file is of, where it is not the whole drawing. */
const pieceOf = ({ drawing }: Desk, { part, share }: TakeHome): string =>
  [drawing.parts[part]?.name ?? "", share === "all" ? "" : SHARE_WORDS[share]].filter(Boolean).join(" ");

async function contactSource(state: Desk, wish: TakeHome): Promise<Source> {
  const { drawing, derived } = state;
  const sheet = contactOf(drawing, derived, chosenBy(wish), await letteringIn("print"));
  return { more: "contact sheet", drawing, ...sheet };
}

/** Written here, or painted by the worker of pictures; undefined where it was stopped. */
async function filesFor(
  { kind, source }: Job,
  { derived, pictures }: Desk,
  wish: TakeHome,
  onProgress: Progress,
): Promise<MadeFile[] | undefined> {
  const { drawing, scene, page, more } = source;
  if (!isText(kind))
    return pictures.files(
      scene,
      {
        as: kind,
        name: plainFileName(drawing.name, more),
        ppi: wish.ppi,
        widthInches: widthInInches(page),
        bleed: bleedOf(page),
        ...(wish.inks || FILE_KINDS[kind].byInk ? { inks: inkNames(drawing, scene) } : {}),
      },
      onProgress,
    );
  const { ending, type, variant = "" } = FILE_KINDS[kind];
  const isWhole = wish.share === "all" && wish.part === "" && wish.way !== CONTACT;
  const bytes = textFile(kind, { drawing, derived, scene, page, isWhole }, wish);
  return [
    {
      name: `${plainFileName(drawing.name, `${more} ${variant}`)}${ending}`,
      blob: new Blob([bytes as Uint8Array<ArrayBuffer>], { type }),
    },
  ];
}

/** `more` is added to the name of a drawing. */
export function plainFileName(name: string, more = ""): string {
  const plain = `${name} ${more}`
    .replace(/[^\p{L}\p{N} _-]+/gu, "")
    .trim()
    .replace(/\s+/g, "-");
  return plain || "drawing";
}
