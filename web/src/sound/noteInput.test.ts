import { computerKeys, midiKeyboards, midiOfKey, readMessage } from "./noteInput";
import { standIn, unevenness } from "./standIn";

const listener = () => {
  const heard: string[] = [];
  return { heard, down: (midi: number) => heard.push(`+${midi}`), up: (midi: number) => heard.push(`-${midi}`) };
};
const press = (type: "keydown" | "keyup", code: string, key: string) =>
  window.dispatchEvent(new KeyboardEvent(type, { code, key, cancelable: true, bubbles: true }));

describe("the computer's keys as a piano", () => {
  /** By where the keys lie: A is C4, W the black key above it, K the C above. */
  it.each([
    ["KeyA", 60],
    ["KeyW", 61],
    ["KeyF", 65],
    ["KeyK", 72],
    ["KeyQ", null],
  ])("%s is %s", (code, midi) => expect(midiOfKey(code, 0)).toBe(midi));

  it("hears keys while it is open, an octave further with X, and keeps them from everything else", () => {
    const ears = listener();
    const shortcut = vi.fn();
    window.addEventListener("keydown", shortcut);
    const close = computerKeys.open(ears);
    press("keydown", "KeyA", "a");
    press("keyup", "KeyA", "a");
    press("keydown", "KeyX", "x");
    press("keydown", "KeyS", "s");
    press("keyup", "KeyS", "s");
    press("keydown", "KeyM", "m");
    expect(ears.heard).toEqual(["+60", "-60", "+74", "-74"]);
    expect(shortcut).not.toHaveBeenCalled();
    press("keydown", "Space", " ");
    expect(shortcut).toHaveBeenCalledOnce();
    close();
    press("keydown", "KeyA", "a");
    expect(ears.heard).toHaveLength(4);
    window.removeEventListener("keydown", shortcut);
  });
});

describe("MIDI", () => {
  /**
   * MIDI 1.0: 9n note-on, 8n note-off, a note-on of velocity 0 is a note-off; other messages say nothing about keys.
   */
  it("reads messages of any channel", () => {
    const ears = listener();
    for (const message of [[0x90, 60, 64], [0x80, 60, 0], [0x95, 62, 1], [0x95, 62, 0], [0xb0, 64, 127], [0xf8]])
      readMessage(message, { ago: 7 }, ears);
    expect(ears.heard).toEqual(["+60", "-60", "+62", "-62"]);
  });
  it("has no keyboards where the browser knows no MIDI", async () => expect(await midiKeyboards()).toEqual([]));
});

describe("the stand-in for a MIDI keyboard", () => {
  it("plays its script a little unevenly, the same each time", () => {
    vi.useFakeTimers();
    const play = () => {
      const ears = listener();
      let now = -100;
      const close = standIn(
        [
          { ms: 0, held: 90, midi: 60 },
          { ms: 200, held: 90, midi: 62 },
        ],
        () => now,
      ).open(ears);
      const at: number[] = [];
      for (; now < 500; now += 4) {
        const before = ears.heard.length;
        vi.advanceTimersByTime(4);
        if (ears.heard.length > before) at.push(now);
      }
      close();
      return { heard: ears.heard, at };
    };
    const once = play();
    expect(once.heard).toEqual(["+60", "-60", "+62", "-62"]);
    expect(Math.abs((once.at[2] ?? 0) - 200)).toBeLessThanOrEqual(32);
    expect(play()).toEqual(once);
    vi.useRealTimers();
  });
  /** However late a busy page lets it: by the take's own clock, and whole where the take is. */
  it("plays by the take's clock and to its end", () => {
    vi.useFakeTimers();
    const script = [
      { ms: 0, held: 90, midi: 60 },
      { ms: 200, held: 90, midi: 62 },
    ];
    const play = (late: number) => {
      const heard: string[] = [];
      let now: number | null = -100;
      const close = standIn(script, () => now).open({
        down: (midi, when) => heard.push(`+${midi} ${JSON.stringify(when)}`),
        up: (midi, when) => heard.push(`-${midi} ${JSON.stringify(when)}`),
      });
      for (now = -100; now < 100; now += late) vi.advanceTimersByTime(4);
      now = null;
      vi.advanceTimersByTime(400);
      close(true);
      return heard;
    };
    expect(play(4)).toHaveLength(4);
    expect(play(150)).toEqual(play(4));
    vi.useRealTimers();
  });
  it("is uneven by numbers from 0 to 1", () => {
    const numbers = Array.from({ length: 200 }, (_, seed) => unevenness(seed));
    expect(numbers.every((each) => each >= 0 && each < 1)).toBe(true);
    expect(new Set(numbers).size).toBeGreaterThan(190);
  });
});
