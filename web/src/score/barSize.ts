import { useSyncExternalStore } from "react";

/** How large bars are shown, on the ribbon and on the staff: kept in this browser, for every song. */
export const SIZES = ["large", "normal", "song"] as const;
export type BarSize = (typeof SIZES)[number];

export const SIZE_NAMES: Record<BarSize, string> = { large: "large", normal: "normal", song: "whole song" };

const KEPT = "zapateo.bars";
const NARROW = "(max-width: 639px)";
const listeners = new Set<() => void>();

function barSize(): BarSize {
  const kept = localStorage.getItem(KEPT);
  return SIZES.find((each) => each === kept) ?? "normal";
}

export function sizeBars(size: BarSize): void {
  localStorage.setItem(KEPT, size);
  for (const listener of listeners) listener();
}

/** The next of them, and round again. */
export function nextBarSize(): void {
  sizeBars(SIZES[(SIZES.indexOf(barSize()) + 1) % SIZES.length] ?? "normal");
}

function listen(listener: () => void): () => void {
  const narrow = window.matchMedia?.(NARROW);
  listeners.add(listener);
  narrow?.addEventListener("change", listener);
  return () => {
    listeners.delete(listener);
    narrow?.removeEventListener("change", listener);
  };
}

export function useBarSize(): BarSize {
  return useSyncExternalStore(listen, barSize);
}

/** So many bars are engraved at a time: two on a narrow screen. */
export const barsOnStaff = (): number => (window.matchMedia?.(NARROW).matches ? 2 : barSize() === "large" ? 4 : 8);

export function useBarsOnStaff(): number {
  return useSyncExternalStore(listen, barsOnStaff);
}
