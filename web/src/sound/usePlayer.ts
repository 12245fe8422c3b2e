import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Arrangement } from "../api/client";
import type { Out, Player, Volumes } from "./player";
import { playing } from "./playing";
import type { Metronome } from "./schedule";
import { type StandInPiano, standInPiano } from "./standInPiano";

/**
 * What one pass is played at, in place of the song's own tempo, clicks and loudness; what is left to the player does
 * not sound.
 */
export type PassOf = { bpmOfQuarter: number; metronome: Metronome; volumes: Volumes; left: ReadonlySet<string> };

const NOTHING_LEFT: ReadonlySet<string> = new Set();

export type Sound = {
  state: "closed" | "loading" | "ready" | "failed";
  toggle: () => void;
  stop: () => void;
  strike: (stroke: number) => void;
  goOn: () => void;
  /** Plays the chosen bars once after a bar of clicks, for a melody to be played in over them. */
  record: (how?: PassOf) => void;
  elapsed: () => number | null;
  sing: (midi: number, down: boolean) => void;
  /** Resolves when the piano can sound. */
  ready: () => Promise<unknown>;
  /** The instrument outside that plays, where one does. */
  out: Out;
  setOut: (out: Out) => void;
  volumes: Volumes;
  setVolumes: (volumes: Volumes) => void;
  metronome: Metronome;
  setMetronome: (metronome: Metronome) => void;
  countIn: boolean;
  setCountIn: (on: boolean) => void;
};

declare global {
  interface Window {
    /** What the piano was last asked to sound, see Player.heard, and what stands in for a digital one. */
    zapateo?: { player: Player; piano: StandInPiano };
  }
}

/** The piano of one song: opened at the first sound, fed with every new arrangement. */
export function usePlayer(
  arrangement: Arrangement | undefined,
  selection: [number, number],
  looping: boolean,
  bpmOfQuarter: number,
): Sound {
  const [player, setPlayer] = useState<Player | null>(null);
  const [state, setState] = useState<Sound["state"]>("closed");
  const [volumes, setVolumes] = useState<Volumes>({ left: 0.8, right: 0.8, click: 0.6 });
  const [metronome, setMetronome] = useState<Metronome>("off");
  const [countIn, setCountIn] = useState(false);
  const [out, setOut] = useState<Out>({ sink: null, hereToo: false, delayMs: 0 });
  /** Whether what plays goes through once, whatever is looped. */
  const once = useRef(false);
  /** Until something else is played. */
  const pass = useRef<PassOf | null>(null);
  const opening = useRef<Promise<Player> | null>(null);

  const open = useCallback(async (): Promise<Player> => {
    setState((now) => (now === "ready" ? now : "loading"));
    opening.current ??= import("./player").then((module) => module.Player.open());
    try {
      const opened = await opening.current;
      window.zapateo = { player: opened, piano: standInPiano };
      setPlayer(opened);
      setState("ready");
      return opened;
    } catch (error) {
      opening.current = null;
      setState("failed");
      throw error;
    }
  }, []);

  useEffect(() => {
    if (player && arrangement) player.set(arrangement);
  }, [player, arrangement]);
  useEffect(() => player?.setLoop(looping && !once.current ? selection : null), [player, looping, selection]);
  useEffect(() => player?.setTempo(pass.current?.bpmOfQuarter ?? bpmOfQuarter), [player, bpmOfQuarter]);
  useEffect(() => player?.setMetronome(pass.current?.metronome ?? metronome), [player, metronome]);
  useEffect(() => player?.setVolumes(pass.current?.volumes ?? volumes), [player, volumes]);
  useEffect(() => player?.setOut(out), [player, out]);
  useEffect(() => {
    if (!player) return;
    return () => {
      player.dispose();
      playing.rest();
    };
  }, [player]);

  const toggle = useCallback(() => {
    if (!arrangement) return;
    open()
      .then((opened) => {
        if (opened.playhead().playing) {
          opened.stop();
          return;
        }
        once.current = false;
        pass.current = null;
        opened.set(arrangement);
        opened.setLoop(looping ? selection : null);
        opened.setMetronome(metronome);
        opened.setVolumes(volumes);
        opened.leave(NOTHING_LEFT);
        opened.setOut(out);
        opened.play(selection[0], bpmOfQuarter, countIn);
      })
      .catch(() => undefined);
  }, [arrangement, bpmOfQuarter, countIn, looping, metronome, open, out, selection, volumes]);

  const record = useCallback(
    (how?: PassOf) => {
      if (!arrangement) return;
      pass.current = how ?? null;
      open()
        .then((opened) => {
          once.current = true;
          opened.set(arrangement);
          opened.setLoop(null);
          opened.setMetronome(how?.metronome ?? "beats");
          opened.setVolumes(how?.volumes ?? volumes);
          opened.leave(how?.left ?? NOTHING_LEFT);
          opened.setOut(out);
          opened.play(selection[0], how?.bpmOfQuarter ?? bpmOfQuarter, true);
        })
        .catch(() => undefined);
    },
    [arrangement, bpmOfQuarter, open, out, selection, volumes],
  );
  const elapsed = useCallback(() => player?.elapsed() ?? null, [player]);
  const sing = useCallback((midi: number, down: boolean) => player?.sing(midi, down), [player]);

  const strike = useCallback(
    (stroke: number) => {
      if (!arrangement) return;
      open()
        .then((opened) => {
          pass.current = null;
          opened.set(arrangement);
          opened.setVolumes(volumes);
          opened.strike(stroke);
        })
        .catch(() => undefined);
    },
    [arrangement, open, volumes],
  );

  const stop = useCallback(() => player?.stop(), [player]);
  const goOn = useCallback(() => player?.goOn(), [player]);
  return useMemo(
    () => ({
      state,
      toggle,
      stop,
      strike,
      goOn,
      record,
      elapsed,
      sing,
      ready: open,
      out,
      setOut,
      volumes,
      setVolumes,
      metronome,
      setMetronome,
      countIn,
      setCountIn,
    }),
    [state, toggle, stop, strike, goOn, record, elapsed, sing, open, out, volumes, metronome, countIn],
  );
}
