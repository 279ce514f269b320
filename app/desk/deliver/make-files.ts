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
import { CONTACT, EVERY, isMade, SEEN, SHARE_WORDS, SHEETS_OF, type TakeHome } from "./request.ts";

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
  request: TakeHome,
  onProgress: Progress,
): Promise<MadeFile[] | undefined> {
  // All that the lamp makes is there first.
  await desk.getState().light.settled();
  const state = desk.getState();
  const jobs = await jobsFor(state, request);
  const made: MadeFile[] = [];
  for (const [k, job] of jobs.entries()) {
    if (isEmpty(job.source) && pieceOf(state, request) !== "")
      throw new Error(`There is nothing to save: ${pieceOf(state, request)} is empty in this drawing.`);
    const files = await filesFor(job, state, request, (share) => onProgress((k + share) / jobs.length));
    if (!files) return undefined;
    made.push(...files);
  }
  return made;
}

/** The file shown as its preview where there are several: the first, or the sheet with all. */
export const firstSource = async (state: Desk, request: TakeHome): Promise<Source> =>
  request.way === CONTACT
    ? contactSource(state, request)
    : sourceIn(state, request, request.way === EVERY ? SEEN : request.way, "");

interface Job {
  readonly kind: FileKind;
  readonly source: Source;
}

async function jobsFor(state: Desk, request: TakeHome): Promise<Job[]> {
  const kinds = request.kinds.filter((kind) => isMade(kind, request));
  if (request.way === CONTACT) {
    const source = await contactSource(state, request);
    return kinds.map((kind) => ({ kind, source }));
  }
  const { drawing } = state;
  const ways = request.way === EVERY ? ranked(drawing.colourways) : [];
  return kinds.flatMap((kind): Job[] =>
    ways.length > 0 && !FILE_KINDS[kind].holdsWays
      ? ways.map(({ id, name }) => ({ kind, source: sourceIn(state, request, id, name) }))
      : [{ kind, source: sourceIn(state, request, request.way === EVERY ? SEEN : request.way, "") }],
  );
}

/** In the colourway that is named, or the one that is seen. */
const inWay = (drawing: Drawing, way: string): Drawing =>
  way === SEEN ? drawing : { ...drawing, shown: way };

function sceneIn({ drawing, derived, scene }: Desk, way: string, request: TakeHome): Scene {
  const whole = way === SEEN ? scene : sceneOf(inWay(drawing, way), derived);
  return chosenScene(whole, chosenBy(request));
}

const chosenBy = ({ part, share }: TakeHome): Chosen => ({
  part: part || undefined,
  sheets: SHEETS_OF[share],
});

function sourceIn(state: Desk, request: TakeHome, way: string, more: string): Source {
  return {
    more: `${more} ${pieceOf(state, request)}`.trim(),
    drawing: inWay(state.drawing, way),
    scene: sceneIn(state, way, request),
    page: state.drawing.page,
  };
}

const isEmpty = ({ scene }: Source): boolean =>
  scene.parts.every(({ sheets }) => sheets.every(({ items }) => items.length === 0));

/** What a file is of, where it is not the whole drawing. */
const pieceOf = ({ drawing }: Desk, { part, share }: TakeHome): string =>
  [drawing.parts[part]?.name ?? "", share === "all" ? "" : SHARE_WORDS[share]].filter(Boolean).join(" ");

async function contactSource(state: Desk, request: TakeHome): Promise<Source> {
  const { drawing, derived } = state;
  const sheet = contactOf(drawing, derived, chosenBy(request), await letteringIn("print"));
  return { more: "contact sheet", drawing, ...sheet };
}

/** Written here, or painted by the worker of pictures; undefined where it was stopped. */
async function filesFor(
  { kind, source }: Job,
  { derived, pictures }: Desk,
  request: TakeHome,
  onProgress: Progress,
): Promise<MadeFile[] | undefined> {
  const { drawing, scene, page, more } = source;
  if (!isText(kind))
    return pictures.files(
      scene,
      {
        as: kind,
        name: plainFileName(drawing.name, more),
        ppi: request.ppi,
        widthInches: widthInInches(page),
        bleed: bleedOf(page),
        ...(request.inks || FILE_KINDS[kind].byInk ? { inks: inkNames(drawing, scene) } : {}),
      },
      onProgress,
    );
  const { ending, type, variant = "" } = FILE_KINDS[kind];
  const isWhole = request.share === "all" && request.part === "" && request.way !== CONTACT;
  const bytes = textFile(kind, { drawing, derived, scene, page, isWhole }, request);
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
