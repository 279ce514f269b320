import { describe, expect, it } from "vitest";
import type { Form } from "#core/drawing/drawing.ts";
import { setLamp } from "#core/drawing/light-edits.ts";
import { defaultPage, newDrawing } from "#core/drawing/new-drawing.ts";
import { LineReader } from "#core/pockets/line-reader.ts";
import { formTones } from "#core/scene/form-items.ts";
import { formedBy } from "#core/scene/formed.ts";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { type AskForms, FormLink } from "./form-link.ts";
import { FormWork } from "./form-work.ts";

const form: Form = { tones: 2, deeper: 1, roundness: 1, reach: 0.6, shine: 0.3 };
const crate = (x: number, id: string) =>
  strokeOf(id, x, [
    [x, 10],
    [x + 30, 10],
    [x + 30, 40],
    [x, 40],
    [x, 10],
  ]);
const drawing = newDrawing("Crates", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [
  crate(10, "a"),
  crate(60, "b"),
]);
const pockets = new LineReader().read(drawing);

function linked(ask?: AskForms["tones"]) {
  const work = new FormWork();
  const asked: number[] = [];
  let fresh = 0;
  const tones: AskForms["tones"] = async (request) => {
    asked.push(request.frame.wanted.length);
    return work.answer(structuredClone(request));
  };
  const link = new FormLink({ tones: ask ?? tones }, () => {
    fresh++;
  });
  const all = (of = drawing) =>
    pockets.map((pocket) =>
      link.tonesOf(pocket.key, formedBy(pocket, form, { pockets, pourOf: [] }, drawing), form, of),
    );
  return { link, asked, all, told: () => fresh };
}

describe("soft forms worked out elsewhere", () => {
  it("are those that are worked out here, once they are there", async () => {
    const { link, all, asked, told } = linked();
    expect(all()).toEqual([[], []]);
    await link.settled();
    expect(all()).toEqual(
      pockets.map((pocket) =>
        formTones(formedBy(pocket, form, { pockets, pourOf: [] }, drawing), form, drawing),
      ),
    );
    expect(all()[0]).toBe(all()[0]);
    expect([asked, told()]).toEqual([[2], 1]);
  });

  it("stay as they were while the lamp moves, and of many moves the last is asked for", async () => {
    const { link, all, asked } = linked();
    all();
    await link.settled();
    const before = all();
    const places = [0.2, 0.4, 0.9].map((x) => edited(drawing, setLamp({ at: [x, 0.1] })));
    for (const place of places) expect(all(place)).toEqual(before);
    await link.settled();
    const last = places[2];
    expect(all(last)).toEqual(
      pockets.map((pocket) =>
        formTones(formedBy(pocket, form, { pockets, pourOf: [] }, drawing), form, last),
      ),
    );
    expect(asked).toEqual([2, 2]);
  });

  it("are forgotten, here and there, once nobody has wanted them for long", async () => {
    const lives: number[] = [];
    const work = new FormWork();
    const { link } = linked(async (request) => {
      lives.push(request.frame.live.length);
      return work.answer(structuredClone(request));
    });
    const formed = formedBy(pockets[0], form, { pockets, pourOf: [] }, drawing);
    for (let key = 1; key < 60; key++) {
      link.tonesOf(-key, { ...formed, key: `gone ${key}` }, form, drawing);
      expect(
        link.tonesOf(
          pockets[1].key,
          formedBy(pockets[1], form, { pockets, pourOf: [] }, drawing),
          form,
          drawing,
        ),
      ).toHaveLength(key === 1 ? 0 : 3);
      await link.settled();
    }
    expect(Math.max(...lives)).toBeLessThan(14);
  });

  it("are none where they cannot be had, and are not asked for over and over", async () => {
    let tries = 0;
    const { link, all, told } = linked(() => {
      tries++;
      return Promise.reject(new Error("gone"));
    });
    all();
    await link.settled();
    expect(all()).toEqual([[], []]);
    await link.settled();
    expect([tries, told()]).toEqual([1, 1]);
  });
});
