import { useEffect, useRef } from "react";
import { nextBarSize } from "../score/barSize";
import type { Metronome } from "../sound/schedule";
import type { Sound } from "../sound/usePlayer";
import { isTaken } from "../ui/keys";

type Actions = {
  selection: [number, number];
  bars: number;
  select: (from: number, to: number) => void;
  sound: Sound;
  toggleLoop: () => void;
  tempo: (by: number) => void;
  /** A beat of the tempo that is wanted. */
  tap: () => void;
  /** Half the song's tempo, and back. */
  half: () => void;
  undo: () => void;
  redo: () => void;
  help: () => void;
  compare: () => void;
  level: (level: number | null) => void;
};

const NEXT: Record<Metronome, Metronome> = {
  off: "beats",
  beats: "two-and-four",
  "two-and-four": "off",
  bars: "off",
  "every-other": "off",
};

/** The keys of the house; they rest while someone types or has a list or a dialog open. */
export function useKeys(actions: Actions): void {
  const latest = useRef(actions);
  latest.current = actions;
  useEffect(() => {
    let clicked = false;
    const click = () => {
      clicked = true;
    };
    const press = (event: KeyboardEvent) => {
      if (event.key === "Tab") clicked = false;
      const target = event.target as HTMLElement;
      if (event.defaultPrevented || event.altKey || isTaken(event)) return;
      if (act(event, latest.current, target, clicked)) event.preventDefault();
    };
    window.addEventListener("pointerdown", click, true);
    window.addEventListener("keydown", press);
    return () => {
      window.removeEventListener("pointerdown", click, true);
      window.removeEventListener("keydown", press);
    };
  }, []);
}

function act(event: KeyboardEvent, actions: Actions, target: HTMLElement, clicked: boolean): boolean {
  const { selection, bars, select } = actions;
  if (event.ctrlKey || event.metaKey) {
    if (event.key.toLowerCase() === "z") {
      (event.shiftKey ? actions.redo : actions.undo)();
      return true;
    }
    return false;
  }
  const step = (by: number) => {
    if (event.shiftKey) select(selection[0], Math.min(bars - 1, Math.max(selection[0], selection[1] + by)));
    else {
      const size = selection[1] - selection[0];
      const whole = size === bars - 1;
      const at = whole ? (by > 0 ? 0 : bars - 1) : Math.min(bars - 1, Math.max(0, selection[0] + by));
      select(at, whole ? at : Math.min(bars - 1, at + size));
    }
  };
  switch (event.key) {
    case " ":
      // Reached by the Tab key a button is pressed by Space; one that was clicked has had its turn.
      if (target.closest("button, a") && !clicked) return false;
      actions.sound.toggle();
      return true;
    case "ArrowLeft":
      step(-1);
      return true;
    case "ArrowRight":
      step(1);
      return true;
    case "PageUp":
      step(-4);
      return true;
    case "PageDown":
      step(4);
      return true;
    case "l":
    case "L":
      actions.toggleLoop();
      return true;
    case "v":
    case "V":
      actions.sound.goOn();
      return true;
    case "m":
    case "M":
      actions.sound.setMetronome(NEXT[actions.sound.metronome]);
      return true;
    case "+":
    case "=":
      actions.tempo(1);
      return true;
    case "-":
      actions.tempo(-1);
      return true;
    case ">":
      actions.tempo(5);
      return true;
    case "<":
      actions.tempo(-5);
      return true;
    case "t":
    case "T":
      actions.tap();
      return true;
    case "h":
    case "H":
      actions.half();
      return true;
    case "b":
    case "B":
      nextBarSize();
      return true;
    case "a":
    case "A":
      actions.compare();
      return true;
    case "1":
    case "2":
    case "3":
    case "4":
    case "5":
      actions.level(Number(event.key));
      return true;
    case "0":
      actions.level(null);
      return true;
    case "?":
      actions.help();
      return true;
    default:
      return false;
  }
}
