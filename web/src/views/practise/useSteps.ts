import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { AskedNote } from "../../api/client";
import { useMarked, useShown, useSound } from "../../song/desk";
import type { NoteSource } from "../../sound/noteInput";
import { useLatest } from "../../ui/useLatest";
import { onsets } from "./practise";

export type Step = { at: number; ms: number };

/** Step by step: nothing moves until the right keys are down; wrong ones are named, and how long each step took is kept. */
export function useSteps(on: boolean, source: NoteSource, notes: AskedNote[], place: string) {
  const { setStruck } = useMarked();
  const { setOnKey } = useShown();
  const { sing, strike } = useSound();
  const groups = useMemo(() => onsets(notes), [notes]);
  const [at, setAt] = useState(0);
  const [wrong, setWrong] = useState<number | null>(null);
  const [took, setTook] = useState<Step[]>([]);
  const down = useRef(new Set<number>());
  const since = useRef(0);
  const group = on ? groups[at] : undefined;

  useEffect(() => {
    if (!on) return;
    setAt(0);
    setTook([]);
    setWrong(null);
    since.current = performance.now();
  }, [on]);
  useEffect(() => {
    if (group?.[0]) setStruck(group[0].stroke);
  }, [group, setStruck]);

  const move = useCallback(
    (by: number) => {
      setAt((now) => Math.max(0, Math.min(groups.length - 1, now + by)));
      setWrong(null);
      down.current.clear();
      since.current = performance.now();
    },
    [groups.length],
  );
  /** Heard and shown without being played: hand by hand, with the arrow keys. */
  const show = useCallback(
    (by: number) => {
      move(by);
      const next = groups[Math.max(0, Math.min(groups.length - 1, at + by))];
      if (next?.[0]) strike(next[0].stroke);
    },
    [at, groups, move, strike],
  );
  const hear = useLatest((midi: number, pressed: boolean) => {
    sing(midi, pressed);
    if (!pressed) {
      down.current.delete(midi);
      if (wrong === midi) setWrong(null);
      return;
    }
    if (!group) return;
    if (!group.some((note) => note.midi === midi)) {
      setWrong(midi);
      return;
    }
    down.current.add(midi);
    if (group.every((note) => down.current.has(note.midi))) {
      setTook((before) => [...before, { at, ms: Math.round(performance.now() - since.current) }]);
      if (at + 1 < groups.length) move(1);
      else {
        keepRound(place, [...took, { at, ms: Math.round(performance.now() - since.current) }]);
        move(-at);
        setTook([]);
      }
    }
  });
  useEffect(() => {
    if (!on) return;
    const close = source.open({ down: (midi) => hear(midi, true), up: (midi) => hear(midi, false) });
    setOnKey((midi: number, pressed: boolean) => hear(midi, pressed));
    return () => {
      close();
      setOnKey(null);
    };
  }, [on, source, hear, setOnKey]);
  const slowest = [...took].sort((one, other) => other.ms - one.ms)[0];
  const rounds = on ? roundsOf(place) : [];
  return { rounds, at, group, groups: groups.length, wrong, took, slowest, show };
}

const KEPT_ROUNDS = 20;

/** Seconds each way through a place took, the last ones, kept in this browser. */
function roundsOf(place: string): number[] {
  try {
    return JSON.parse(localStorage.getItem(`zapateo.steps.${place}`) ?? "[]") as number[];
  } catch {
    return [];
  }
}

function keepRound(place: string, took: Step[]): void {
  const seconds = Math.round(took.reduce((sum, step) => sum + step.ms, 0) / 100) / 10;
  localStorage.setItem(`zapateo.steps.${place}`, JSON.stringify([...roundsOf(place), seconds].slice(-KEPT_ROUNDS)));
}
