/** Versions: a drawing as it was at some time, kept by a person under a name, or by itself before a risky step. */
import type { Drawing } from "#core/drawing/drawing.ts";
import { newId } from "#core/drawing/new-id.ts";
import { drawingFileText, packedDrawingFile, readDrawingFile } from "#core/formats/drawing-file.ts";
import { database, type VersionRow } from "./database.ts";

/** Of those kept by themselves; older ones are forgotten, named ones never. */
const MOST_OWN = 12;

export interface NewVersion {
  readonly name: string;
  /** Whether it is kept by itself. */
  readonly own?: true;
  readonly picture: Blob | null;
}

/** Throws where there is no room for it. */
export async function keepVersion(
  id: string,
  drawing: Drawing,
  { name, own, picture }: NewVersion,
): Promise<void> {
  const row: VersionRow = {
    id: newId(),
    drawing: id,
    at: Date.now(),
    name,
    ...(own ? { own } : {}),
    file: packedDrawingFile(drawing),
    picture: picture && new Uint8Array(await picture.arrayBuffer()),
  };
  await database.versions.add(row);
  const others = (await versionsOf(id)).filter((version) => version.own);
  await database.versions.bulkDelete(others.slice(MOST_OWN).map((version) => version.id));
}

/** The latest first. */
export async function versionsOf(id: string): Promise<VersionRow[]> {
  const rows = await database.versions.where("drawing").equals(id).toArray();
  return rows.sort((a, b) => b.at - a.at);
}

/** Throws a FileProblem where it went bad. */
export const drawingOf = ({ file }: VersionRow): Drawing => readDrawingFile(drawingFileText(file));

export const renameVersion = async (id: string, name: string): Promise<void> => {
  await database.versions
    .where("id")
    .equals(id)
    .modify((row) => {
      Object.assign(row, { name });
      // What somebody has named is not forgotten by itself.
      Reflect.deleteProperty(row, "own");
    });
};

export async function forgetVersion(id: string): Promise<void> {
  await database.versions.delete(id);
}

export async function putVersionBack(row: VersionRow): Promise<void> {
  await database.versions.put(row);
}
