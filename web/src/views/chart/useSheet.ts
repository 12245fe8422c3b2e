import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { type BarMove, type ChartView, type Edit, editChart, Refused, type WrittenBar } from "../../api/client";
import { useArranged, useMarked, useShown, useWork } from "../../song/desk";
import { movedDraft } from "../../song/moved";

/** How degrees are written under the chords. */
export type Degrees = "roman" | "numbers" | "none";

export type Sheet = {
  bars: WrittenBar[];
  /** First and last chosen written bar, null for none. */
  chosen: [number, number] | null;
  choose: (from: number, to: number) => void;
  /** The chosen chord of the first chosen bar. */
  chord: number;
  setChord: (chord: number) => void;
  /** Whether it could be made. */
  edit: (edit: Edit) => Promise<boolean>;
  /** A whole new text made of the one that stands when the edits before it are done. */
  inTurn: (make: (chart: string) => Promise<{ text: string; moved?: BarMove[] } | null>) => Promise<boolean>;
  /** Puts a whole new text in place, as one step. */
  put: (text: string) => Promise<boolean>;
  /** Loops played bars without choosing others. */
  loop: (from: number, to: number) => void;
  /** Whether readings are being heard: Enter and the digits are theirs then. */
  listening: boolean;
  setListening: (on: boolean) => void;
  trouble: string | null;
  setTrouble: (trouble: string | null) => void;
  clip: string[];
  setClip: (bars: string[]) => void;
};

/**
 * The written bars that are chosen, and what can be done with them; the chosen bars are also those that are played and
 * looped.
 */
export function useSheet(chart: ChartView | undefined): Sheet {
  const { desk } = useWork();
  const { arrangement } = useArranged();
  const { selection, select } = useMarked();
  const { setTrial } = useShown();
  const bars = useMemo(() => chart?.written.flatMap((section) => section.bars) ?? [], [chart]);
  const [own, setOwn] = useState<[number, number] | null>(null);
  const [chord, setChord] = useState(0);
  const [listening, setListening] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [clip, setClip] = useState<string[]>([]);
  const sent = useRef("");
  const last = (arrangement?.bars.length ?? 1) - 1;
  const whole = selection[0] === 0 && selection[1] === last && last > 0;

  // Bars chosen elsewhere, with the arrow keys or on the ribbon, are chosen here too.
  const key = `${selection[0]}-${selection[1]}`;
  useEffect(() => {
    if (sent.current === key) return;
    sent.current = key;
    setOwn(null);
    setChord(0);
  }, [key]);

  const chosen = useMemo<[number, number] | null>(() => {
    const from = own ?? (whole ? null : writtenRun(bars, selection));
    return from && from[0] < bars.length ? [from[0], Math.min(bars.length - 1, from[1])] : null;
  }, [own, whole, bars, selection]);

  const choose = useCallback(
    (from: number, to: number) => {
      const first = Math.max(0, Math.min(from, to));
      const end = Math.min(bars.length - 1, Math.max(from, to));
      setOwn([first, end]);
      setChord(0);
      const start = bars[first]?.played[0];
      const stop = bars[end]?.played.find((index) => start !== undefined && index >= start);
      if (start !== undefined && stop !== undefined) {
        sent.current = `${start}-${stop}`;
        select(start, stop);
      }
    },
    [bars, select],
  );

  const loop = useCallback(
    (from: number, to: number) => {
      const run = [Math.max(0, from), Math.min(last, to)] as const;
      setOwn((before) => before ?? chosen);
      sent.current = `${run[0]}-${run[1]}`;
      select(run[0], run[1]);
    },
    [chosen, last, select],
  );

  const { edit: queue } = desk;
  // Edits may follow one another faster than they are answered: each builds on what the one before has made.
  const inTurn = useCallback(
    async (make: (chart: string) => Promise<{ text: string; moved?: BarMove[] } | null>) => {
      try {
        await queue(async (draft) => {
          const next = await make(draft.chart);
          setTrouble(null);
          if (!next || next.text === draft.chart) return null;
          setTrial(null);
          return next.moved && next.moved.length > 0
            ? { chart: next.text, ...movedDraft(draft, next.moved) }
            : { chart: next.text };
        });
        return true;
      } catch (error) {
        setTrouble(error instanceof Refused ? error.message : String(error));
        return false;
      }
    },
    [queue, setTrial],
  );
  const edit = useCallback((change: Edit) => inTurn((chart) => editChart(chart, change)), [inTurn]);
  const put = useCallback((text: string) => inTurn(async () => ({ text })), [inTurn]);

  return {
    bars,
    chosen,
    choose,
    chord,
    setChord,
    edit,
    inTurn,
    put,
    loop,
    listening,
    setListening,
    trouble,
    setTrouble,
    clip,
    setClip,
  };
}

/** The written bars that are played somewhere in a run of played ones. */
export function writtenRun(bars: WrittenBar[], [from, to]: [number, number]): [number, number] | null {
  const inside = bars.filter((bar) => bar.played.some((index) => index >= from && index <= to)).map((bar) => bar.bar);
  return inside.length > 0 ? [Math.min(...inside), Math.max(...inside)] : null;
}

/** Rows of a section: as the text has them up to eight bars, longer ones in fours. */
export function rowsOf(bars: WrittenBar[]): WrittenBar[][] {
  const lines: WrittenBar[][] = [];
  for (const bar of bars) {
    const line = lines.at(-1);
    if (line && line[0]?.place.line === bar.place.line) line.push(bar);
    else lines.push([bar]);
  }
  // Rows of one bar each are a column that was typed down the page: the phrase is four bars all the same.
  const single = lines.length > 2 && lines.every((line) => line.length === 1);
  return single ? inFours(bars) : lines.flatMap((line) => (line.length > 8 ? inFours(line) : [line]));
}

function inFours(bars: WrittenBar[]): WrittenBar[][] {
  return Array.from({ length: Math.ceil(bars.length / 4) }, (_, row) => bars.slice(4 * row, 4 * row + 4));
}
