import type { Arranged, Arrangement, Bar, ChartRead, ChartView, Stroke } from "./client";

type NoteTold = NonNullable<Arranged["notes"]>[number];

/** How the letters of an answer's marks are read. */
const MARKS: Record<string, Stroke["mark"]> = { h: "heel", t: "toe", l: "lead" };

/**
 * An arrangement with all that its answer leaves out where it is as usual; the descriptions of the fields say what that
 * is.
 */
export function filled(answer: Arranged): Arrangement {
  const bars: Bar[] = [];
  for (const bar of answer.bars) {
    const before = bars.at(-1);
    bars.push({
      ...bar,
      meter: bar.meter ?? before?.meter ?? "4/4",
      beatTicks: bar.beatTicks ?? before?.beatTicks ?? 960,
      bpm: bar.bpm ?? before?.bpm ?? answer.tempo.bpm,
      part: bar.part ?? "chart",
      choices: bar.choices
        ? { ...bar.choices, chosen: bar.choices.chosen ?? before?.choices.chosen ?? {} }
        : (before?.choices ?? { figure: "", voicing: "", register: "", feel: "straight", chosen: {} }),
      chords: bar.chords.map((chord) => ({ ...chord, change: chord.change ?? 0 })),
      round: bar.round ?? 1,
      holds: bar.holds ?? [],
      pins: bar.pins ?? [],
      borrowed: bar.borrowed ?? [],
      vamp: bar.vamp ?? null,
      parts: bar.parts ?? [],
      meeting: bar.meeting ?? null,
    });
  }
  const { notes: _notes, marks: _marks, velocities: _velocities, ...told } = answer;
  return { ...told, bars, parts: answer.parts ?? [], strokes: strokesOf(answer, bars, answer.pedal) };
}

/** The strokes of an answer that told only those of some bars, by the bars and the pedal of the whole. */
export function filledStrokes(answer: Arranged, whole: Arrangement): Stroke[] {
  return strokesOf(answer, whole.bars, whole.pedal);
}

/**
 * Marks and velocities of an answer stand in rows, in the order of its strokes and notes; notes themselves are told
 * once.
 */
function strokesOf(answer: Arranged, bars: Bar[], pedal: Arranged["pedal"]): Stroke[] {
  let told = 0;
  return answer.strokes.map((stroke, at) => {
    const notes = stroke.notes ?? (stroke.noted ?? []).flatMap((place) => answer.notes?.[place] ?? []);
    const velocities = answer.velocities.slice(told, told + notes.length);
    told += notes.length;
    return filledStroke(stroke, notes, bars, pedal, MARKS[answer.marks[at] ?? ""] ?? "toe", velocities);
  });
}

/** A chart with all that its answer leaves out. */
export function filledChart(answer: ChartRead): ChartView {
  const written = answer.written.map((section) => ({
    ...section,
    bars: section.bars.map((bar) => ({
      ...bar,
      cut: bar.cut ?? false,
      key: bar.key ?? null,
      bpm: bar.bpm ?? null,
      opens: bar.opens ?? false,
      endings: bar.endings ?? [],
      closes: bar.closes ?? null,
      pins: bar.pins ?? [],
      words: bar.words ?? [],
      tune: bar.tune ?? false,
      guessed: bar.guessed ?? false,
      chords: bar.chords.map((chord) => ({
        ...chord,
        above: chord.above ?? null,
        early: chord.early ?? false,
        held: chord.held ?? false,
        common: chord.common ?? [],
        movement: chord.movement ?? null,
        otherName: chord.otherName ?? null,
        respelled: chord.respelled ?? null,
      })),
    })),
  }));
  return { ...answer, written };
}

function filledStroke(
  { noted: _noted, ...stroke }: Arranged["strokes"][number],
  notes: NoteTold[],
  bars: Bar[],
  pedal: Arranged["pedal"],
  mark: Stroke["mark"],
  velocities: number[],
): Stroke {
  const written = stroke.written ?? { tick: stroke.tick, ticks: stroke.ticks };
  const bar = bars[stroke.bar];
  return {
    ...stroke,
    id: stroke.id ?? `${stroke.hand}${bar?.number}.${bar?.round}.${written.tick - (bar?.tick ?? 0)}`,
    origin: stroke.origin ?? "figure",
    written,
    chordTick: stroke.chordTick ?? chordUnder(bars, stroke.bar, written.tick),
    until: lifted(pedal, stroke.tick + stroke.ticks),
    mark,
    accent: stroke.accent ?? false,
    stretchMm: stroke.stretchMm ?? 0,
    ease: stroke.ease ?? "comfortable",
    altered: stroke.altered ?? null,
    rolled: (stroke.rolled ?? null) as Stroke["rolled"],
    notes: notes.map((note, at) => ({ ...note, delayTicks: note.delayTicks ?? 0, velocity: velocities[at] ?? 0 })),
  };
}

/** Where a key that is let go at a tick is heard no more: there, or where the pedal comes up that is down then. */
function lifted(pedal: Arranged["pedal"], end: number): number {
  let low = 0;
  let high = pedal.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((pedal[middle]?.up ?? 0) <= end) low = middle + 1;
    else high = middle;
  }
  const down = pedal[low];
  return down && down.down <= end ? down.up : end;
}

/** Where the chord begins that a tick lies under; the tick itself where there is none. */
function chordUnder(bars: Bar[], near: number, tick: number): number {
  for (const bar of [bars[near], bars[near - 1], bars[near + 1]])
    for (const chord of bar?.chords ?? []) if (chord.tick <= tick && tick < chord.tick + chord.ticks) return chord.tick;
  return tick;
}
