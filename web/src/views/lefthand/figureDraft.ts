import type { Bar, Figure, FigureDraft, FigureStroke } from "../../api/client";
import { type EditedStroke, inOrder } from "../../steps/edited";

export type EditedFigure = Omit<
  Figure,
  "strokes" | "variations" | "version" | "voicings" | "hands" | "meters" | "manner" | "atLevels"
> & {
  manner: Omit<Figure["manner"], "hasLine">;
  meter: string;
  barTicks: number;
  beatTicks: number;
  strokes: EditedStroke[];
  /** All its bars, the one that is open left empty. */
  bars: { meter: string; strokes: EditedStroke[] | null }[];
  variations: { when: string; bar: { meter: string; strokes: EditedStroke[] } }[];
};

/** A figure of the book, opened in one of its metres to be changed. */
export function edited(figure: Figure, meter: string, song?: SongMeter): EditedFigure {
  const bar = figure.strokes.find((each) => each.meter === meter) ?? figure.strokes[0];
  const { hasLine: _hasLine, ...manner } = figure.manner;
  return {
    ...figure,
    manner,
    meter: bar?.meter ?? meter,
    barTicks: bar?.barTicks ?? song?.barTicks ?? 3840,
    beatTicks: bar?.beatTicks ?? song?.beatTicks ?? 960,
    strokes: (bar?.strokes ?? []).map(plain),
    bars: bar
      ? figure.strokes.map((each) => ({ meter: each.meter, strokes: each === bar ? null : each.strokes.map(plain) }))
      : [{ meter, strokes: null }],
    variations: figure.variations.map(({ when, bar: varied }) => ({
      when,
      bar: { meter: varied.meter, strokes: varied.strokes.map(plain) },
    })),
  };
}

function plain({ hand, roles, tick, length, rolled, accent }: FigureStroke): EditedStroke {
  return { hand, roles, tick, length, rolled, accent };
}

/** As the server is asked about it; {@code id} is that of the figure it replaces, none for a new one. */
export function draftOf(figure: EditedFigure, id: string | undefined): FigureDraft {
  const { name, family, use, feel, level, minTempo, maxTempo, chords, suits, accepts, registers, manner } = figure;
  const strokes = inOrder(figure.strokes);
  return {
    ...(id ? { id } : {}),
    ...{ name, family, use, feel, level, minTempo, maxTempo, chords, suits, accepts, registers },
    manner: { ...manner, hasLine: false },
    bars: figure.bars.map((bar) => ({ meter: bar.meter, strokes: (bar.strokes ?? strokes).map(sent) })),
    variations: figure.variations.map(({ when, bar }) => ({ when, bar: { ...bar, strokes: bar.strokes.map(sent) } })),
  };
}

function sent({ length, ...stroke }: EditedStroke) {
  return { ...stroke, ...(length === null ? {} : { length }) };
}

/** How the step line marks a stroke, as the server last said it. */
export function markOf(stroke: EditedStroke, said: Figure | null): FigureStroke["mark"] {
  const all = said?.strokes.flatMap((bar) => bar.strokes) ?? [];
  return (
    all.find((each) => each.roles === stroke.roles && each.hand === stroke.hand)?.mark ??
    (stroke.tick === 0 ? "heel" : "toe")
  );
}

/** A metre of the song, with what it counts. */
export type SongMeter = { meter: string; barTicks: number; beatTicks: number };

/** The metre of a bar; a short one is counted as a whole one. */
export function songMeter(bars: Bar[], at: number): SongMeter {
  const bar = bars[at];
  const same = bars.filter((each) => each.meter === bar?.meter);
  return {
    meter: bar?.meter ?? "4/4",
    barTicks: Math.max(0, ...same.map((each) => each.ticks)) || 3840,
    beatTicks: bar?.beatTicks ?? 960,
  };
}

/** The figure with another of its metres opened; the song's, if it is not written for that, begins with what fits. */
export function inMeter(now: EditedFigure, figure: Figure, meter: string, song: SongMeter): EditedFigure {
  const own = edited(figure, meter);
  const kept = { ...now, meter };
  if (figure.meters.includes(meter))
    return { ...kept, barTicks: own.barTicks, beatTicks: own.beatTicks, strokes: own.strokes, bars: own.bars };
  return {
    ...kept,
    barTicks: song.barTicks,
    beatTicks: song.beatTicks,
    strokes: now.strokes.filter((stroke) => stroke.tick < song.barTicks),
    bars: [
      ...figure.strokes.map((bar) => ({ meter: bar.meter, strokes: bar.strokes.map(plain) })),
      { meter, strokes: null },
    ],
  };
}
