import { createContext, useContext } from "react";
import type { Measures } from "../api/client";
import type { Sound } from "../sound/usePlayer";
import type { OpenSong, OpenState } from "./openSong";
import { useStored } from "./store";

/** The left hand's span until hands are measured, in millimetres. */
export const USUAL_SPAN = 201;

export function spanOf(hand: Measures | undefined): number {
  return hand?.left?.spanMm ?? USUAL_SPAN;
}

/** The song a view works on. */
export const OpenSongContext = createContext<OpenSong | null>(null);
export const SoundContext = createContext<Sound | null>(null);

function useFound<T>(context: React.Context<T | null>): T {
  const found = useContext(context);
  if (found === null) throw new Error("outside of a song");
  return found;
}

export const useOpenSong = (): OpenSong => useFound(OpenSongContext);
export const useSound = (): Sound => useFound(SoundContext);

/** A hook for one part of the song: a view renders again only for what is in it. */
const part =
  <K extends keyof OpenState, M extends keyof OpenSong>(fields: K[], methods: M[]) =>
  (): Pick<OpenState, K> & Pick<OpenSong, M> => {
    const open = useOpenSong();
    const state = useStored(open, (now) => picked(now, fields));
    return { ...state, ...picked(open, methods) };
  };

function picked<T extends object, K extends keyof T>(from: T, names: K[]): Pick<T, K> {
  return Object.fromEntries(names.map((name) => [name, from[name]])) as Pick<T, K>;
}

/** What is worked on: the draft and its chart. */
export const useWork = part(
  ["desk", "chart", "chartError", "settledChart", "asked", "triedColours", "compared"],
  ["song", "setTried", "setTriedColours", "setCompared", "compare"],
);
/** What comes of it. */
export const useArranged = part(["arrangement", "arrangementError", "bpm"], []);
/** What is taken, pointed at and asked about. */
export const useMarked = part(["selection", "struck", "pointed"], ["select", "setStruck", "setPointed"]);
/** What is shown or heard in place of the draft, and on the keyboard. */
export const useShown = part(
  ["trial", "doubles"],
  ["setTrial", "setShown", "setAims", "setOnKey", "setDoubles", "setTriedChoices", "setTempo"],
);
/** How it is played. */
export const useTransport = part(
  ["arrangement", "selection", "looping", "bpm", "tempo", "levelShown"],
  ["setLooping", "setTempo", "takeLevel"],
);
/** What is lit on the keyboard, and who hears it. */
export const useKeyboard = part(["arrangement", "selection", "struck", "hand", "shown", "aims", "onKey"], []);
/** What stands over the song. */
export const useHeading = part(["desk", "chart", "hand"], ["song", "setHelp"]);
