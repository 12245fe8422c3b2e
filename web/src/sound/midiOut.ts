/** Something that plays what it is sent: MIDI 1.0 messages, each at a time of the page's own clock, in milliseconds. */
export type NoteSink = { id: string; name: string; send: (message: number[], at: number) => void };

const NOTE_ON = 0x90;
const NOTE_OFF = 0x80;
const CONTROL = 0xb0;
const ALL_NOTES_OFF = 123;
const LOUDEST = 127;

/** A note with its end; the key is let go before the same key is struck again at the earliest. */
export function sendNote(sink: NoteSink, midi: number, velocity: number, at: number, ms: number): void {
  const loudness = Math.max(1, Math.min(LOUDEST, Math.round(velocity * LOUDEST)));
  sink.send([NOTE_ON, midi, loudness], at);
  sink.send([NOTE_OFF, midi, 0], at + Math.max(10, ms - 5));
}

/** Everything is let go. */
export function hush(sink: NoteSink, at: number): void {
  sink.send([CONTROL, ALL_NOTES_OFF, 0], at);
}

/** The digital pianos and other instruments that are plugged in, if the browser lets us see them. */
export async function midiInstruments(): Promise<NoteSink[]> {
  if (!("requestMIDIAccess" in navigator)) return [];
  try {
    const access = await navigator.requestMIDIAccess();
    return [...access.outputs.values()].map((output) => ({
      id: `midi-${output.id}`,
      name: output.name ?? "MIDI instrument",
      send: (message, at) => output.send(message, at),
    }));
  } catch {
    return [];
  }
}
