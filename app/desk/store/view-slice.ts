import { fitView, isSameView, viewOn, zoomAt } from "../../painting/view.ts";
import type { Desk, GetDesk, SetSlice, ViewSlice } from "./desk-state.ts";

const fitScale = ({ drawing, matSize }: Desk): number => fitView(drawing.page.box, matSize).scale;

export const viewSlice = (set: SetSlice<ViewSlice>, get: GetDesk): ViewSlice => ({
  view: { scale: 1, x: 0, y: 0 },
  lookedFrom: null,
  matSize: { width: 0, height: 0 },
  showBridges: true,
  checkGround: false,
  look: "colour",
  compared: null,
  moveView: (view) => set({ view }),
  zoom: (at, factor) => set({ view: zoomAt(get().view, at, factor, fitScale(get())) }),
  resizeMat: (matSize) => {
    const { matSize: before, view, drawing } = get();
    // The page as it is fitted at first stays fitted, as when a tablet is turned.
    const fits = before.width === 0 || isSameView(view, fitView(drawing.page.box, before));
    set(fits ? { matSize, view: fitView(drawing.page.box, matSize) } : { matSize });
  },
  bringIntoSight: (at, size) => {
    const { view, lookedFrom, matSize } = get();
    const to = viewOn(view, at, matSize, size, fitScale(get()));
    if (to === view) return;
    set({ view: to, lookedFrom: { from: lookedFrom?.to === view ? lookedFrom.from : view, to } });
  },
  lookBack: () => {
    const { view, lookedFrom } = get();
    set({ view: lookedFrom?.to === view ? lookedFrom.from : view, lookedFrom: null });
  },
  showAs: (change) => set(change),
});
