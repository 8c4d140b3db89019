import { create } from 'zustand';

/** Whether the desk has said that somebody must sign in: then the whole page asks for it, and goes on where it was. */
export const useSignedOut = create<{ isOut: boolean; set(isOut: boolean): void }>((set) => ({
  isOut: false,
  set: (isOut) => set({ isOut }),
}));
