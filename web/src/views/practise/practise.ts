import type { Arrangement, AskedNote, Judgement, Round } from "../../api/client";

export type Layer = "basses" | "chords" | "left" | "tune" | "right" | "both";

export const LAYERS: { value: Layer; label: string }[] = [
  { value: "basses", label: "the basses alone" },
  { value: "chords", label: "the chords alone" },
  { value: "left", label: "the left hand" },
  { value: "tune", label: "the tune" },
  { value: "right", label: "the right hand" },
  { value: "both", label: "both hands" },
];

/** What the other hand does while one is practised. */
export type Other = "heard" | "quiet" | "silent";

export type Struck = { ms: number; held: number; midi: number; velocity: number };
export type PedalMove = { ms: number; down: boolean };
export type Rung = { tempo: number; clean: number; failed: number };

/** Layers that an arrangement has anything for. */
export function layersOf(arrangement: Arrangement): { value: Layer; label: string }[] {
  const right = arrangement.strokes.some((stroke) => stroke.hand === "R");
  return LAYERS.filter((layer) => right || !["tune", "right", "both"].includes(layer.value));
}

/**
 * How loud the arrangement is while something of it is practised; what is asked for is left to the player by itself.
 */
export function volumesFor(other: Other, click: number): { left: number; right: number; click: number } {
  const heard = other === "heard" ? 0.8 : other === "quiet" ? 0.3 : 0;
  return { left: heard, right: heard, click: Math.max(0.5, click) };
}

/**
 * Which step the last times through took longest at, all of them together; nothing where they had not the same steps.
 */
export function slowestOf(rounds: Round[]): { at: number; ms: number } | undefined {
  const steps = rounds[0]?.ms.length ?? 0;
  const same = rounds.filter((round) => round.ms.length === steps);
  return Array.from({ length: steps }, (_, at) => ({
    at,
    ms: same.reduce((sum, round) => sum + (round.ms[at] ?? 0), 0) / same.length,
  })).sort((one, other) => other.ms - one.ms)[0];
}

/** Notes that are struck together, in the order of time. */
export function onsets(notes: AskedNote[]): AskedNote[][] {
  const groups: AskedNote[][] = [];
  for (const note of notes) {
    const last = groups.at(-1);
    if (last?.[0] && Math.abs(last[0].ms - note.ms) < 12) last.push(note);
    else groups.push([note]);
  }
  return groups;
}

/**
 * What the stand-in for a MIDI keyboard plays of a passage: as asked, or with a wrong key, a missing one and a late
 * one.
 */
export function scripted(notes: AskedNote[], mistakes: boolean): { ms: number; held: number; midi: number }[] {
  return notes.flatMap((note, at) => {
    if (mistakes && at === Math.floor(notes.length / 2)) return [];
    const midi = mistakes && at === Math.floor(notes.length / 4) ? note.midi + 1 : note.midi;
    const ms = mistakes && at === Math.floor((3 * notes.length) / 4) ? note.ms + 130 : note.ms;
    return [{ ms, held: Math.max(60, note.held * 0.9), midi }];
  });
}

/** Notes that did not go as they were asked, with where their strokes stand now; what is gone is left out. */
function mistakes(judged: Judgement, strokes: Arrangement["strokes"]) {
  const places = new Map(strokes.map((stroke, at) => [stroke.id, at]));
  return judged.notes.flatMap((note) => {
    const stroke = note.verdict === "right" ? undefined : places.get(note.id);
    return stroke === undefined ? [] : [{ stroke, note: note.note, verdict: note.verdict }];
  });
}

/** Strokes that did not go as they were asked. */
export function faulty(judged: Judgement | null, strokes: Arrangement["strokes"]): number[] {
  return judged ? [...new Set(mistakes(judged, strokes).map((note) => note.stroke))] : [];
}

/** The verdicts of a take by the ids the engraver gives notes; those that were right have none. */
export function verdictsOf(judged: Judgement, strokes: Arrangement["strokes"]): Map<string, string> {
  return new Map(mistakes(judged, strokes).map(({ stroke, note, verdict }) => [`s${stroke}n${note}`, verdict]));
}

export function barsNamed(arrangement: Arrangement, from: number, to: number): string {
  const first = arrangement.bars[from]?.number;
  const last = arrangement.bars[to]?.number;
  return first === last ? `bar ${first}` : `bars ${first}–${last}`;
}

/** Tempos of one's own, as they are typed; what is no tempo is left out. */
export function stopsOf(text: string): number[] {
  return text
    .split(/[^0-9.]+/)
    .map(Number)
    .filter((tempo) => tempo >= 20 && tempo <= 400)
    .slice(0, 20);
}

/** The day here, as the log has it. */
export function today(now = new Date()): string {
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

const NAMES = ["C", "C♯", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"];

/** What a key is called where no chord says otherwise. */
export function keyName(midi: number): string {
  return `${NAMES[midi % 12]}${Math.floor(midi / 12) - 1}`;
}
