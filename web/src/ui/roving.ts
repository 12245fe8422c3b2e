import type { KeyboardEvent } from "react";

const STEPS: Record<string, (at: number, last: number) => number> = {
  ArrowUp: (at) => at - 1,
  ArrowDown: (at) => at + 1,
  Home: () => 0,
  End: (_at, last) => last,
};

/** In a list that is one stop of the Tab key: arrows go from one of its things to the next. */
export function rove(event: KeyboardEvent<HTMLElement>, things: string): void {
  const step = STEPS[event.key];
  if (!step || event.altKey || event.ctrlKey || event.metaKey) return;
  const all = [...event.currentTarget.querySelectorAll<HTMLElement>(things)];
  const at = all.indexOf(event.target as HTMLElement);
  const next = at < 0 ? undefined : all[Math.min(all.length - 1, Math.max(0, step(at, all.length - 1)))];
  if (!next) return;
  event.preventDefault();
  next.focus();
}
