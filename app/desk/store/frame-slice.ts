import type { Desk, FrameSlice, GetDesk, PanelName, SetSlice } from "./desk-state.ts";

const AS_PLANNED: FrameSlice["panels"] = { tin: null, press: null };

export const frameSlice = (set: SetSlice<FrameSlice>, get: GetDesk): FrameSlice => ({
  plan: { rail: 1, tray: 1, tools: "row", panels: "beside" },
  panels: AS_PLANNED,
  sections: [],
  window: null,
  helpPage: null,
  openWindow: (window) => set({ window }),
  openHelp: (helpPage) => set({ window: "help", helpPage }),
  layOut: (plan) => set(plan.panels === get().plan.panels ? { plan } : { plan, panels: AS_PLANNED }),
  showPanel: (panel, shown) => {
    const { panels, plan } = get();
    // Where they lie over the paper, one makes way for the other.
    const others = shown && plan.panels === "over" && plan.tools === "one" ? AS_PLANNED : panels;
    set({ panels: { ...others, [panel]: shown } });
  },
  foldSection: (name, open) =>
    set({ sections: [{ name, open }, ...get().sections.filter((section) => section.name !== name)] }),
});

export const isPanelShown = ({ panels, plan }: Pick<Desk, "panels" | "plan">, panel: PanelName): boolean =>
  panels[panel] ?? plan.panels !== "over";
