import { useCallback, useEffect, useRef, useState } from "react";
import { requestOf } from "../../api/asking";
import { api, type Judgement, take } from "../../api/client";
import { useArranged, useMarked, useShown, useSound, useWork } from "../../song/desk";
import { msOf, type NoteSource, type When } from "../../sound/noteInput";
import type { Volumes } from "../../sound/player";
import { isPlaying, playing, usePlaying } from "../../sound/playing";
import type { Metronome } from "../../sound/schedule";
import { useLatest } from "../../ui/useLatest";
import { keyName, type Layer, type PedalMove, type Struck } from "./practise";

/** Ready; counted in and played; being judged; judged; or nobody listened and the player says how it went. */
export type PassState = "ready" | "playing" | "judging" | "judged" | "asks" | "failed";

/** A key that comes so long before the first beat belongs to no pass. */
const EARLY_MS = -400;

export type Asked = { layer: Layer; tempo: number; metronome: Metronome; volumes: Volumes; left: ReadonlySet<string> };

/** One pass over the taken bars: counted in, heard, judged in the end. */
export function usePass(
  source: NoteSource,
  asked: Asked,
  onJudged: (judged: Judgement, seconds: number) => void,
  onPedal: () => void,
): {
  state: PassState;
  judged: Judgement | null;
  says: string;
  notes: number;
  start: () => void;
  stop: () => void;
  forget: () => void;
  say: () => void;
} {
  const { asked: arranged } = useWork();
  const { arrangement } = useArranged();
  const { selection } = useMarked();
  const { setOnKey, setShown } = useShown();
  const sound = useSound();
  const [state, setState] = useState<PassState>("ready");
  const [judged, setJudged] = useState<Judgement | null>(null);
  const [says, setSays] = useState("");
  const [notes, setNotes] = useState(0);
  const struck = useRef<Struck[]>([]);
  const pedal = useRef<PedalMove[]>([]);
  const held = useRef(new Map<number, Struck>());
  const closing = useRef<(whole?: boolean) => void>(() => undefined);
  const onKeys = useRef(new Set<number>());
  const { elapsed, sing, stop: hush, record } = sound;
  const on = state === "playing";

  const hear = useCallback(
    (midi: number, down: boolean, when: When = { ago: 0 }, velocity = 64) => {
      // Before anything else: what sounds may take its time.
      const ms = msOf(when, elapsed);
      sing(midi, down);
      if (down) onKeys.current.add(midi);
      else onKeys.current.delete(midi);
      setShown([...onKeys.current].map((key) => ({ midi: key, name: keyName(key), role: "" })));
      if (ms === null) return;
      if (!down) {
        const note = held.current.get(midi);
        if (note) note.held = Math.max(1, ms - note.ms);
        held.current.delete(midi);
      } else if (ms >= EARLY_MS) {
        const note = { ms, held: 1, midi, velocity };
        held.current.set(midi, note);
        struck.current.push(note);
        setNotes(struck.current.length);
      }
    },
    [elapsed, sing, setShown],
  );

  const press = useLatest(onPedal);
  useEffect(() => {
    const close = source.open({
      down: (midi, when, velocity) => hear(midi, true, when, velocity ?? 64),
      up: (midi, when) => hear(midi, false, when),
      pedal: (down, when) => {
        const ms = msOf(when, elapsed);
        if (on && ms !== null) pedal.current.push({ ms, down });
        else if (!on && down) press();
      },
    });
    if (!on) {
      // Between passes only the pedal is heard: the computer's keys have their own work then.
      if (source.id === "keys") close();
      return source.id === "keys" ? undefined : close;
    }
    setOnKey(hear);
    closing.current = close;
    return () => {
      close();
      setOnKey(null);
      onKeys.current.clear();
      setShown(null);
    };
  }, [on, source, hear, setOnKey, setShown, elapsed, press]);

  const finishing = useRef(false);
  const done = useLatest(onJudged);
  const finish = useCallback(async () => {
    if (finishing.current) return;
    finishing.current = true;
    const now = elapsed();
    closing.current(true);
    for (const note of held.current.values()) note.held = Math.max(1, (now ?? note.ms + 300) - note.ms);
    held.current.clear();
    hush();
    if (struck.current.length === 0) {
      setState("asks");
      return;
    }
    setState("judging");
    try {
      const found = await take(
        api.POST("/api/practice/judge", {
          body: {
            ...requestOf(arranged),
            bars: `${selection[0]}-${selection[1]}`,
            layer: asked.layer,
            tempo: asked.tempo,
            notes: struck.current,
            ...(pedal.current.length > 0 ? { pedal: pedal.current } : {}),
          },
        }),
      );
      setJudged(found);
      setState("judged");
      done(found, Math.max(1, Math.round((now ?? 0) / 1000)));
    } catch (error) {
      setSays(error instanceof Error ? error.message : String(error));
      setState("failed");
    }
  }, [arranged, selection, asked.layer, asked.tempo, elapsed, hush, done]);

  // A pass ends with its bars, or when the music is stopped.
  const sounds = usePlaying(isPlaying);
  const outside = usePlaying(
    (head) => head.playing && !head.counting && (head.bar > selection[1] || head.bar < selection[0]),
  );
  const was = useRef(false);
  useEffect(() => {
    if (on && (outside || (was.current && !sounds))) void finish();
    was.current = on && sounds;
  }, [on, outside, sounds, finish]);

  const start = useCallback(() => {
    if (!arrangement) return;
    struck.current = [];
    pedal.current = [];
    held.current.clear();
    finishing.current = false;
    was.current = false;
    setNotes(0);
    setSays("");
    setState("playing");
    const quarter = (asked.tempo * arrangement.tempo.beatTicks) / 960;
    record({ bpmOfQuarter: quarter, metronome: asked.metronome, volumes: asked.volumes, left: asked.left });
  }, [arrangement, asked.tempo, asked.metronome, asked.volumes, asked.left, record]);
  const playingNow = useRef(false);
  useEffect(() => {
    playingNow.current = on;
  }, [on]);
  // Leaving the view ends it.
  const quiet = useLatest(() => {
    if (playingNow.current) hush();
  });
  useEffect(() => () => quiet(), [quiet]);
  const forget = useCallback(() => {
    if (playingNow.current) hush();
    setJudged(null);
    setState("ready");
  }, [hush]);
  /** Left in the middle it is no pass; in its last bar it is one. */
  const stop = useCallback(() => {
    const head = playing.head();
    if (!head.counting && head.bar >= selection[1]) void finish();
    else forget();
  }, [finish, forget, selection]);

  const say = useCallback(() => setState("ready"), []);
  return { state, judged, says, notes, start, stop, forget, say };
}
