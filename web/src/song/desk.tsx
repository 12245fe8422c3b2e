import { type Context, createContext, type ReactNode, useContext, useRef } from "react";
import type { Asked, Doubles } from "../api/asking";
import type {
  Arrangement,
  ChartView,
  Choices,
  Colour,
  Measures,
  NamedChoices,
  Refused,
  Song,
  Tone,
} from "../api/client";
import type { Aim } from "../keyboard/AimKey";
import type { Sound } from "../sound/usePlayer";
import type { DraftDesk } from "./useDraft";

/** The left hand's span until hands are measured, in millimetres. */
export const USUAL_SPAN = 201;

export function spanOf(hand: Measures | undefined): number {
  return hand?.left?.spanMm ?? USUAL_SPAN;
}

/** A figure's file that is not kept yet. */
export type TriedFigure = { id: string; file: string; right: boolean };

/** Other choices to go back and forth to, and the figure that was heard with them. */
export type Compared = NamedChoices & { figure: string };

/** What is worked on: the draft and its chart. */
export type Work = {
  song: Song;
  desk: DraftDesk;
  chart: ChartView | undefined;
  chartError: Refused | null;
  /** The chart as last sent to be read; a moment behind the typing. */
  settledChart: string;
  /** What is arranged at the moment. */
  asked: Asked;
  /** A figure that is being written, heard and shown on the whole song in place of the chosen one. */
  tried: TriedFigure | null;
  setTried: (figure: TriedFigure | null) => void;
  /** Colours that are heard and shown in place of those that are kept, while an ear tries one. */
  triedColours: Colour[] | null;
  setTriedColours: (colours: Colour[] | null) => void;
  /** The other choices of A and B, one key press away. */
  compared: Compared | null;
  setCompared: (other: Compared | null) => void;
  /** Puts the other one in place of this one, and this one in its place. */
  compare: () => void;
};

/** What comes of it. */
export type Arranged = {
  arrangement: Arrangement | undefined;
  arrangementError: Refused | null;
  /** The tempo that is played, in the song's beats a minute. */
  bpm: number;
};

/** What is taken, pointed at and asked about. */
export type Marked = {
  selection: [number, number];
  select: (from: number, to: number) => void;
  struck: number | null;
  setStruck: (stroke: number | null) => void;
  /** Strokes that are pointed at, such as those that make a bar hard. */
  pointed: number[];
  setPointed: (strokes: number[]) => void;
  /** Takes a level by a key press; null is as chosen. */
  onLevel: React.RefObject<((level: number | null) => void) | null>;
};

/** What is shown or heard in place of the draft, and on the keyboard. */
export type Shown = {
  /** A chart that is heard and shown in place of the draft and not kept, while an ear tries it. */
  trial: string | null;
  setTrial: (chart: string | null) => void;
  /** Keys shown on the keyboard, such as the notes of a scale. */
  setShown: (tones: Tone[] | null) => void;
  /** Notes to improvise on, lit on the keyboard while it plays too. */
  setAims: (aims: Aim[]) => void;
  /** Who hears the keys of the screen's keyboard while a melody is played in. */
  setOnKey: (heard: ((midi: number, down: boolean) => void) | null) => void;
  doubles: Doubles;
  setDoubles: (doubles: Doubles) => void;
  /** Choices that are heard and shown in place of the draft's and not kept: those of an evening. */
  setTriedChoices: (choices: Choices | null) => void;
  /** In the song's beats a minute; null for its own. */
  setTempo: (bpm: number | null) => void;
};

/** All that the views of a song work with; where the music is stands in a store of its own. */
export type Desk = Work & Arranged & Marked & Shown & { sound: Sound };

const contexts = {
  work: createContext<Work | null>(null),
  arranged: createContext<Arranged | null>(null),
  marked: createContext<Marked | null>(null),
  shown: createContext<Shown | null>(null),
  sound: createContext<Sound | null>(null),
};

/** Laid out in parts, so that a view renders again only for what it works with. */
export function DeskOf({ desk, children }: { desk: Desk; children: ReactNode }) {
  return (
    <contexts.sound value={desk.sound}>
      <contexts.work
        value={usePart<Work>(desk, [
          "song",
          "desk",
          "chart",
          "chartError",
          "settledChart",
          "asked",
          "tried",
          "setTried",
          "triedColours",
          "setTriedColours",
          "compared",
          "setCompared",
          "compare",
        ])}
      >
        <contexts.arranged value={usePart<Arranged>(desk, ["arrangement", "arrangementError", "bpm"])}>
          <contexts.marked
            value={usePart<Marked>(desk, [
              "selection",
              "select",
              "struck",
              "setStruck",
              "pointed",
              "setPointed",
              "onLevel",
            ])}
          >
            <contexts.shown
              value={usePart<Shown>(desk, [
                "trial",
                "setTrial",
                "setShown",
                "setAims",
                "setOnKey",
                "doubles",
                "setDoubles",
                "setTriedChoices",
                "setTempo",
              ])}
            >
              {children}
            </contexts.shown>
          </contexts.marked>
        </contexts.arranged>
      </contexts.work>
    </contexts.sound>
  );
}

/** The same object while all of its fields are the same. */
function usePart<T extends object>(desk: T, names: (keyof T)[]): T {
  const last = useRef<T | null>(null);
  if (last.current === null || names.some((name) => last.current?.[name] !== desk[name]))
    last.current = Object.fromEntries(names.map((name) => [name, desk[name]])) as T;
  return last.current;
}

function useFound<T>(context: Context<T | null>): T {
  const found = useContext(context);
  if (found === null) throw new Error("outside of a song");
  return found;
}

export const useWork = (): Work => useFound(contexts.work);
export const useArranged = (): Arranged => useFound(contexts.arranged);
export const useMarked = (): Marked => useFound(contexts.marked);
export const useShown = (): Shown => useFound(contexts.shown);
export const useSound = (): Sound => useFound(contexts.sound);
