import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { AskedNote, Round } from "../../api/client";
import { useRounds } from "../../api/practice";
import { useMarked, useShown, useSound } from "../../song/desk";
import type { NoteSource } from "../../sound/noteInput";
import { useLatest } from "../../ui/useLatest";
import { type Layer, onsets, today } from "./practise";
import { writeSteps } from "./unsent";

export type Step = { at: number; ms: number };
/** Where one goes step by step; bars as the chart numbers them. */
export type StepPlace = { song: string; first: number; last: number; layer: Layer };

const NONE: Round[] = [];

/**
 * Step by step: nothing moves until the right keys are down; wrong ones are named, and how long each step took is kept.
 */
export function useSteps(on: boolean, source: NoteSource, notes: AskedNote[], place: StepPlace) {
  const queries = useQueryClient();
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
      const round = [...took, { at, ms: Math.round(performance.now() - since.current) }];
      if (at + 1 < groups.length) {
        setTook(round);
        move(1);
      } else {
        void writeSteps({ ...place, id: crypto.randomUUID(), day: today(), ms: round.map((step) => step.ms) }).then(
          () => queries.invalidateQueries({ queryKey: ["practice-steps"] }),
        );
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
  const rounds = useRounds(place, on).data ?? NONE;
  return { rounds, at, group, groups: groups.length, wrong, took, slowest, show };
}
