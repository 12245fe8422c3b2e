import { useOutletContext } from "react-router";
import type { Arrangement, ChartView, Measures, NamedChoices, Refused, Song, Tone } from "../api/client";
import type { Asked } from "../api/queries";
import type { Aim } from "../keyboard/AimKey";
import type { Sound } from "../sound/usePlayer";
import type { DraftDesk } from "./useDraft";

/** The left hand's span until hands are measured, in millimetres. */
export const USUAL_SPAN = 201;

export function spanOf(hand: Measures | undefined): number {
  return hand?.left?.spanMm ?? USUAL_SPAN;
}

/** Whether double sharps and flats in chord tones are written, or the plain keys they lie on. */
export type Doubles = "thirds" | "simple";

/** A figure's file that is not kept yet. */
export type TriedFigure = { id: string; file: string };

/** Other choices to go back and forth to, and the figure that was heard with them. */
export type Compared = NamedChoices & { figure: string };

/** What every view of a song works with. */
export type Desk = {
  song: Song;
  desk: DraftDesk;
  chart: ChartView | undefined;
  chartError: Refused | null;
  arrangement: Arrangement | undefined;
  arrangementError: Refused | null;
  /** The chart as last sent to be read; a moment behind the typing. */
  settledChart: string;
  /** What is arranged at the moment. */
  asked: Asked;
  /** A figure that is being written, heard and shown on the whole song in place of the chosen one. */
  tried: TriedFigure | null;
  setTried: (figure: TriedFigure | null) => void;
  /** The other choices of A and B, one key press away. */
  compared: Compared | null;
  setCompared: (other: Compared | null) => void;
  /** Puts the other one in place of this one, and this one in its place. */
  compare: () => void;
  selection: [number, number];
  select: (from: number, to: number) => void;
  sound: Sound;
  struck: number | null;
  /** Strokes that are pointed at, such as those that make a bar hard. */
  pointed: number[];
  setPointed: (strokes: number[]) => void;
  /** Takes a level by a key press; null is as chosen. */
  onLevel: React.RefObject<((level: number | null) => void) | null>;
  /** The tempo that is played, in the song's beats a minute. */
  bpm: number;
  setStruck: (stroke: number | null) => void;
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
};

export function useDesk(): Desk {
  return useOutletContext<Desk>();
}
