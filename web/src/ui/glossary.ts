/** Words of the trade that stand in the interface, as one would say them at the piano (common practice). */
export const GLOSSARY: [word: string, meaning: string][] = [
  [
    "accompaniment figure",
    "what the left hand does in a bar, over and over: which strokes, when, and what each one plays",
  ],
  ["arpeggio", "the notes of a chord one after the other, from below or up and down"],
  ["bass line", "what the basses do from chord to chord: stay, alternate with the fifth, walk, step"],
  ["broken chord", "the notes of a chord in turn, within one position of the hand"],
  ["comping", "chords in a rhythm of their own that answers the melody instead of keeping time"],
  ["counterpoint", "a second melody that moves against the first"],
  ["degree", "a chord's place in its key, as a Roman numeral: IV is the chord on the fourth note"],
  ["filled tenth", "a tenth with a note between, mostly the fifth or the seventh"],
  ["guide tones", "third and seventh of a chord: they tell it apart and step to those of the next"],
  ["inversion", "a chord with another of its notes than the root in the bass"],
  ["lead-in", "a note or two that lead into the next chord's bass"],
  ["level", "how hard the arrangement may be, from 1, held notes, to 5, everything as it is written"],
  ["low interval limit", "below it two notes so far apart sound muddy together"],
  ["montuno", "a syncopated figure of octaves and thirds that goes round and round"],
  ["register", "how low or high the hand lies"],
  ["shell", "root with third or seventh: the least that says a chord"],
  ["slash chord", "a chord over another bass than its root: C/E has E below"],
  ["stride", "bass on the strong beats, chord on the weak ones, with a leap between"],
  ["swing", "the first of two eighths is longer than the second"],
  ["tenth", "an octave and a third in one hand: wide, warm, and too far for many hands, which roll it"],
  ["tumbao", "a bass that comes before the beat it belongs to"],
  ["turnaround", "the chords of the last bars that lead back to the beginning"],
  ["vamp", "a bar or two played over and over until it goes on"],
  ["voicing", "which notes of a chord are played, and in which order from below"],
  ["walk-up", "a bass that steps up to the next chord's root"],
  ["walking bass", "a note on every beat that walks from chord to chord"],
];

const BY_WORD = new Map(GLOSSARY);

/** The first word of the glossary in a label, if one is there. */
export function wordIn(label: string): string | undefined {
  const words = label.toLowerCase();
  return GLOSSARY.find(([word]) => new RegExp(`\\b${word}s?\\b`).test(words))?.[0];
}

export function meaningOf(word: string): string | undefined {
  return BY_WORD.get(word.toLowerCase());
}
