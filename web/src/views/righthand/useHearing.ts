import { useCallback, useEffect, useRef } from "react";
import type { Lick } from "../../api/client";
import type { Sound } from "../../sound/usePlayer";

/** Plays a lick by itself at the tempo of the moment; another one takes its place. */
export function useHearing(sound: Sound, ticksPerMinute: number): (lick: Lick) => void {
  const timers = useRef<number[]>([]);
  const held = useRef(new Set<number>());
  const { sing, ready } = sound;
  const hush = useCallback(() => {
    for (const timer of timers.current) window.clearTimeout(timer);
    timers.current = [];
    for (const midi of held.current) sing(midi, false);
    held.current.clear();
  }, [sing]);
  useEffect(() => hush, [hush]);
  return useCallback(
    (lick: Lick) => {
      hush();
      ready()
        .then(() => {
          const msPerTick = 60_000 / ticksPerMinute;
          const at = (tick: number, midi: number, down: boolean) =>
            timers.current.push(
              window.setTimeout(() => {
                if (down) held.current.add(midi);
                else held.current.delete(midi);
                sing(midi, down);
              }, tick * msPerTick),
            );
          for (const note of lick.notes)
            for (const midi of note.midi) {
              at(note.tick, midi, true);
              at(note.tick + note.ticks * 0.95, midi, false);
            }
        })
        .catch(() => undefined);
    },
    [hush, ready, sing, ticksPerMinute],
  );
}
