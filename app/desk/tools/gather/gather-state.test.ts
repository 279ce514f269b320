import { afterEach, expect, it, vi } from "vitest";
import { pocketAt } from "#core/scene/scene.ts";
import { makePart } from "../../parts/part-actions.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { openDesk, settled, svg } from "../../store/testing.ts";
import { gatheredPockets, gatherPockets, turnRound } from "./gather-state.ts";

vi.mock("../../../work/clients.ts", async () => (await import("../../../work/testing.ts")).inThread());

let desk: DeskStore;
afterEach(() => desk.getState().close());

it("keeps what is gathered while the lines change: by itself, or by what lies there then", async () => {
  desk = await openDesk(svg('<path d="M20 30H80V70H20Z"/><path d="M50 30V70"/>'));
  const state = () => desk.getState();
  const at = (x: number) => pocketAt(state().derived.pockets, [x, 50])!;
  const [left, right] = [at(35), at(65)];
  gatherPockets(desk, [left], "alone");
  const making = makePart(desk, { pockets: [right] });
  gatherPockets(desk, [left, right], "alone");
  await making;
  // Asked for before the pockets of the first part are there.
  const again = makePart(desk, { pockets: [left] });
  await again;
  await settled();
  expect(Object.keys(state().drawing.parts)).toHaveLength(3);
  expect(at(65).key).not.toBe(right.key);
  expect(gatheredPockets(state())).toEqual(expect.arrayContaining([at(35), at(65)]));
  turnRound(desk);
  expect(gatheredPockets(state())).toEqual([]);
});
