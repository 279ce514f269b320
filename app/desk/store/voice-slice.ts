import type { GetDesk, SetSlice, VoiceSlice } from "./desk-state.ts";

export const voiceSlice = (set: SetSlice<VoiceSlice>, get: GetDesk): VoiceSlice => ({
  said: "",
  reason: null,
  say: (said) => set({ said }),
  tell: (text) => set({ said: text, reason: { text, at: get().pointer.at } }),
  hush: () => {
    if (get().reason) set({ reason: null });
  },
});
