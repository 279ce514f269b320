/** Versions of the drawing on the desk: kept when asked for, and by themselves before a step that changes much. */
import type { Patch } from "immer";
import { type Drawing, widthInInches } from "#core/drawing/drawing.ts";
import { FIELD_NAMES } from "#core/drawing/fields.ts";
import type { Edit } from "#core/drawing/history.ts";
import type { Scene } from "#core/scene/scene.ts";
import { keepVersion } from "../../keep/versions.ts";
import type { Pictures } from "../../work/pictures.ts";

/** Pixels of a version's picture. */
const WIDE = 480;
/** A step that changes as many things at once is one that people come to regret. */
const MANY = 24;
/** Between two versions that are kept by themselves. */
const REST_MS = 3 * 60_000;

/** How many strokes, colours and other things a step touches. */
const touched = (patches: readonly Patch[]): number =>
  new Set(patches.map(({ path }) => path.slice(0, 2).join("/"))).size;

export interface Kept {
  readonly id: string;
  readonly drawing: Drawing;
  readonly scene: Scene;
  readonly pictures: Pictures;
}

/** Throws where there is no room for it. */
export async function makeVersion(
  { id, drawing, scene, pictures }: Kept,
  name: string,
  own?: true,
): Promise<void> {
  const inches = widthInInches(drawing.page);
  const request = { as: "png", name: "version", ppi: WIDE / inches, widthInches: inches } as const;
  const made = await pictures.files(scene, request, () => {}).catch(() => undefined);
  await keepVersion(id, drawing, { name, own, picture: made?.[0]?.blob ?? null });
}

/** Keeps what was there before a step that changes much; now and then, and without a word where there is no room. */
export class BeforeRisks {
  private last = 0;

  /** `before` is asked for what there was only where it is kept. */
  mind(before: () => Kept, label: string, patches: readonly Patch[]): void {
    const now = Date.now();
    if (touched(patches) < MANY || now - this.last < REST_MS) return;
    this.last = now;
    void makeVersion(before(), `Before: ${label}`, true).catch(() => {});
  }
}

/** A drawing as it was in a version; as one step, so that it can be undone. */
export const goBackTo = (version: Drawing, name: string): Edit => ({
  label: `Go back to ${name}`,
  opens: true,
  change: (draft) => {
    for (const field of FIELD_NAMES) if (field !== "name") Object.assign(draft, { [field]: version[field] });
  },
});
