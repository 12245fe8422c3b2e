import { useSyncExternalStore } from "react";

/** How many fingers stand on the staff: kept in this browser, for every song. */
export const SHOWN = ["few", "all", "none"] as const;
export type FingersShown = (typeof SHOWN)[number];

const KEPT = "zapateo.fingers";
const listeners = new Set<() => void>();

export function fingersShown(): FingersShown {
  const kept = localStorage.getItem(KEPT);
  return SHOWN.find((each) => each === kept) ?? "few";
}

export function showFingers(shown: FingersShown): void {
  localStorage.setItem(KEPT, shown);
  for (const listener of listeners) listener();
}

export function useFingersShown(): FingersShown {
  return useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, fingersShown);
}
