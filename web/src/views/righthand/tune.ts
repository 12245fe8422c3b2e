import type { Arrangement, Bar, ChartView, Stroke } from "../../api/client";

/** Where a note of the melody is written: bar from 0, the time it is played, ticks from its bar line. */
export type NotePlace = { bar: number; pass: number; tick: number };

/** Whether a stroke carries a note of the melody. */
export function isTune(stroke: Stroke): boolean {
  return stroke.origin === "tune" || stroke.origin === "under-tune";
}

/** Where a bar is written. */
export function barPlace(chart: ChartView, bar: Bar | undefined): NotePlace | null {
  const written = bar
    ? chart.written.flatMap((section) => section.bars).findIndex((each) => each.number === bar.number)
    : -1;
  return bar && written >= 0 ? { bar: written, pass: bar.round, tick: 0 } : null;
}

/** Where the melody note of a stroke is written; null where it is none. */
export function placeOf(arrangement: Arrangement, chart: ChartView, stroke: Stroke | undefined): NotePlace | null {
  const bar = stroke && arrangement.bars[stroke.bar];
  const place = bar && isTune(stroke) ? barPlace(chart, bar) : null;
  return place && stroke && bar ? { ...place, tick: stroke.written.tick - bar.tick } : null;
}

/** The stroke that plays a written note; -1 where it is not played. */
export function strokeAt(arrangement: Arrangement, chart: ChartView, place: NotePlace): number {
  const number = chart.written.flatMap((section) => section.bars)[place.bar]?.number;
  const bars = arrangement.bars.filter((each) => each.number === number);
  const bar = bars.find((each) => each.round === place.pass) ?? bars[0];
  return arrangement.strokes.findIndex(
    (stroke) => stroke.bar === bar?.index && isTune(stroke) && stroke.written.tick - bar.tick === place.tick,
  );
}

const VALUES: [ticks: number, name: string][] = [
  [3840, "whole"],
  [2880, "dotted half"],
  [1920, "half"],
  [1440, "dotted quarter"],
  [1280, "half triplet"],
  [960, "quarter"],
  [720, "dotted eighth"],
  [640, "quarter triplet"],
  [480, "eighth"],
  [360, "dotted sixteenth"],
  [320, "eighth triplet"],
  [240, "sixteenth"],
  [160, "sixteenth triplet"],
  [120, "thirty-second"],
];

/** A length as a player says it. */
export function lengthName(ticks: number): string {
  return VALUES.find(([value]) => value === ticks)?.[1] ?? `${Math.round((ticks / 960) * 100) / 100} quarters`;
}
