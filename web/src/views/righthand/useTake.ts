import { useCallback, useEffect, useRef, useState } from "react";
import { api, editChart, take } from "../../api/client";
import { useArranged, useMarked, useShown, useSound, useWork } from "../../song/desk";
import { msOf, type NoteSource, type When } from "../../sound/noteInput";
import { isPlaying, usePlaying } from "../../sound/playing";

type Struck = { ms: number; held: number; midi: number };

export type TakeState = {
  state: "ready" | "playing" | "reading" | "kept" | "empty" | "failed";
  notes: number;
  says: string;
};

/** A note that begins a moment before the first beat belongs to it. */
const EARLY_MS = -200;

/**
 * One take: it starts with a bar of clicks, hears what is played over the chosen bars, and puts it under them as their
 * melody.
 */
export function useTake(source: NoteSource): { take: TakeState; start: () => void; stop: () => void } {
  const { desk, chart } = useWork();
  const { arrangement, bpm } = useArranged();
  const { selection } = useMarked();
  const { setOnKey } = useShown();
  const sound = useSound();
  const [state, setState] = useState<TakeState>({ state: "ready", notes: 0, says: "" });
  const struck = useRef<Struck[]>([]);
  const held = useRef(new Map<number, Struck>());
  const closing = useRef<(whole?: boolean) => void>(() => undefined);
  /** The chosen bars are over, or the music is. */
  const ended = useRef(false);
  const recording = state.state === "playing";
  const { elapsed, sing, stop: hush, record } = sound;

  const hear = useCallback(
    (midi: number, down: boolean, when: When = { ago: 0 }) => {
      // Before anything else: what sounds may take its time.
      const ms = msOf(when, elapsed);
      sing(midi, down);
      if (ms === null) return;
      if (!down) {
        const note = held.current.get(midi);
        if (note) note.held = Math.max(1, ms - note.ms);
        held.current.delete(midi);
      } else if (ms >= EARLY_MS) {
        const note = { ms, held: 1, midi };
        held.current.set(midi, note);
        struck.current.push(note);
        setState((now) => ({ ...now, notes: struck.current.length }));
      }
    },
    [elapsed, sing],
  );

  useEffect(() => {
    if (!recording) return;
    const close = source.open({
      down: (midi, when) => hear(midi, true, when),
      up: (midi, when) => hear(midi, false, when),
    });
    setOnKey(hear);
    closing.current = close;
    return () => {
      close();
      setOnKey(null);
    };
  }, [recording, source, hear, setOnKey]);

  const finishing = useRef(false);
  const finish = useCallback(async () => {
    if (finishing.current) return;
    finishing.current = true;
    const bars = arrangement?.bars.slice(selection[0], selection[1] + 1) ?? [];
    const now = elapsed();
    closing.current(ended.current);
    for (const note of held.current.values()) note.held = Math.max(1, (now ?? note.ms + 200) - note.ms);
    held.current.clear();
    const notes = struck.current;
    hush();
    const first = bars[0];
    const at = chart?.written.flatMap((section) => section.bars).findIndex((bar) => bar.number === first?.number) ?? -1;
    if (notes.length === 0 || !first || at < 0) {
      setState({ state: "empty", notes: 0, says: "Nothing was played; the melody is as it was." });
      return;
    }
    setState({ state: "reading", notes: notes.length, says: "" });
    try {
      await desk.edit(async ({ chart, choices }) => {
        const read = await take(api.POST("/api/right-hand/take", { body: { chart, bpm, bar: selection[0], notes } }));
        const written = new Set<number>();
        const cells = read.bars.slice(
          0,
          bars.filter((bar) => !written.has(bar.number) && written.add(bar.number)).length,
        );
        const edited = await editChart(chart, { kind: "tune", bar: at, content: cells.join(" | ") });
        setState({ state: "kept", notes: notes.length, says: cells.join(" | ") });
        return { chart: edited.text, choices: { ...choices, right: { ...(choices.right ?? {}), style: "melody" } } };
      });
    } catch (error) {
      setState({ state: "failed", notes: notes.length, says: error instanceof Error ? error.message : String(error) });
    }
  }, [arrangement, chart, selection, elapsed, hush, desk, bpm]);

  // The take ends with the chosen bars, or when the music is stopped.
  const sounds = usePlaying(isPlaying);
  const outside = usePlaying(
    (head) => head.playing && !head.counting && (head.bar > selection[1] || head.bar < selection[0]),
  );
  const was = useRef(false);
  useEffect(() => {
    if (recording && (outside || (was.current && !sounds))) {
      ended.current = true;
      finish();
    }
    was.current = recording && sounds;
  }, [recording, outside, sounds, finish]);

  const start = useCallback(() => {
    struck.current = [];
    held.current.clear();
    finishing.current = false;
    ended.current = false;
    setState({ state: "playing", notes: 0, says: "" });
    record();
  }, [record]);
  return { take: state, start, stop: finish };
}
