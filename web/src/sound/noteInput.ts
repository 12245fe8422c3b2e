/**
 * When a key moved, since a busy page hears of it late: so many milliseconds ago, or, by who plays along with the
 * take's own clock, at so many from its first beat.
 */
export type When = { ago: number } | { at: number };

/** Who hears notes while a melody is played in. */
export type NoteListener = {
  down: (midi: number, when: When, velocity?: number) => void;
  up: (midi: number, when: When) => void;
  pedal?: (down: boolean, when: When) => void;
};

/** Milliseconds from a take's first beat; null where nothing plays and nobody says. */
export function msOf(when: When, elapsed: () => number | null): number | null {
  if ("at" in when) return when.at;
  const now = elapsed();
  return now === null ? null : now - when.ago;
}

/**
 * Something that can be played on: it is opened when a take begins and closed when it ends; a take that is whole hears
 * what is left of it first.
 */
export type NoteSource = { id: string; name: string; open: (listener: NoteListener) => (whole?: boolean) => void };

/** The computer's keys as a piano: two rows from C, by where the keys lie, so that every layout has the same piano. */
const ROW = [
  "KeyA",
  "KeyW",
  "KeyS",
  "KeyE",
  "KeyD",
  "KeyF",
  "KeyT",
  "KeyG",
  "KeyY",
  "KeyH",
  "KeyU",
  "KeyJ",
  "KeyK",
  "KeyO",
  "KeyL",
  "KeyP",
  "Semicolon",
];
const LOWEST = 60;

export function midiOfKey(code: string, octave: number): number | null {
  const at = ROW.indexOf(code);
  return at < 0 ? null : LOWEST + 12 * octave + at;
}

/** Played on the computer's keys; Z and X go an octave down and up. Nothing else hears a key while it is open. */
export const computerKeys: NoteSource = {
  id: "keys",
  name: "the computer's keys",
  open: (listener) => {
    let octave = 0;
    const held = new Map<string, number>();
    const down = (event: KeyboardEvent) => {
      // Space still stops, and what has a modifier is not played.
      if (event.ctrlKey || event.metaKey || event.altKey || event.key === " " || event.key.length > 1) return;
      const midi = midiOfKey(event.code, octave);
      event.preventDefault();
      event.stopImmediatePropagation();
      if (event.repeat || (midi === null && event.code !== "KeyZ" && event.code !== "KeyX")) return;
      if (midi === null) octave = Math.max(-2, Math.min(2, octave + (event.code === "KeyX" ? 1 : -1)));
      else {
        held.set(event.code, midi);
        listener.down(midi, { ago: performance.now() - event.timeStamp });
      }
    };
    const up = (event: KeyboardEvent) => {
      const midi = held.get(event.code);
      if (midi === undefined) return;
      event.stopImmediatePropagation();
      held.delete(event.code);
      listener.up(midi, { ago: performance.now() - event.timeStamp });
    };
    window.addEventListener("keydown", down, true);
    window.addEventListener("keyup", up, true);
    return () => {
      window.removeEventListener("keydown", down, true);
      window.removeEventListener("keyup", up, true);
    };
  },
};

const NOTE_OFF = 0x80;
const NOTE_ON = 0x90;
const CONTROL = 0xb0;
/** The sustaining pedal, down from the middle of its way (MIDI 1.0). */
const SUSTAIN = 64;

/** What a MIDI message says about a key: a note-on of no velocity lets it go (MIDI 1.0). */
export function readMessage(data: ArrayLike<number>, when: When, listener: NoteListener): void {
  const kind = (data[0] ?? 0) & 0xf0;
  const key = data[1] ?? 0;
  if (kind === NOTE_ON && (data[2] ?? 0) > 0) listener.down(key, when, data[2]);
  else if (kind === CONTROL && key === SUSTAIN) listener.pedal?.((data[2] ?? 0) >= 64, when);
  else if (kind === NOTE_ON || kind === NOTE_OFF) listener.up(key, when);
}

/** The MIDI keyboards that are plugged in, if the browser lets us see them. */
export async function midiKeyboards(): Promise<NoteSource[]> {
  if (!("requestMIDIAccess" in navigator)) return [];
  try {
    const access = await navigator.requestMIDIAccess();
    return [...access.inputs.values()].map((input) => ({
      id: `midi-${input.id}`,
      name: input.name ?? "MIDI keyboard",
      open: (listener) => {
        const heard = (event: MIDIMessageEvent) =>
          event.data && readMessage(event.data, { ago: performance.now() - event.timeStamp }, listener);
        input.addEventListener("midimessage", heard);
        return () => input.removeEventListener("midimessage", heard);
      },
    }));
  } catch {
    return [];
  }
}
