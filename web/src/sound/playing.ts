import { useSyncExternalStore } from "react";

export type Playhead = { playing: boolean; counting: boolean; bar: number; tick: number; strokes: number[] };

/** Where the music is, outside of React's tree: whoever shows it subscribes to just what it shows. */
const SILENT: Playhead = { playing: false, counting: false, bar: -1, tick: -1, strokes: [] };
const NONE: number[] = [];

let head = SILENT;
const listeners = new Set<() => void>();

export const playing = {
  head: (): Playhead => head,
  move(next: Playhead): void {
    head = next;
    for (const listener of [...listeners]) listener();
  },
  rest(): void {
    playing.move(SILENT);
  },
  subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};

/** What a component shows of it; it renders again only when that is something else. */
export function usePlaying<T>(select: (head: Playhead) => T): T {
  return useSyncExternalStore(playing.subscribe, () => select(head));
}

export const isPlaying = (now: Playhead): boolean => now.playing;
/** The bar that sounds, −1 while nothing does. */
export const playedBar = (now: Playhead): number => (now.playing ? now.bar : -1);
export const playedStrokes = (now: Playhead): number[] => (now.playing ? now.strokes : NONE);
