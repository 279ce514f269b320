import type { GetDesk, SetSlice, VoiceSlice } from "./desk-state.ts";

export const voiceSlice = (set: SetSlice<VoiceSlice>, get: GetDesk): VoiceSlice => ({
  said: "",
  reason: null,
  say: (said) => set({ said }),
  tell: (text, next) => set({ said: text, reason: { text, next, at: get().pointer.at } }),
  hush: () => {
    if (get().reason) set({ reason: null });
  },
});
