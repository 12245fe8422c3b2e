import * as Tone from "tone";
import type { Arrangement } from "../api/client";
import { hush, type NoteSink, sendNote } from "./midiOut";
import { clicks, type Metronome, type Tone as Sounding, tones } from "./schedule";

export type Volumes = { left: number; right: number; click: number };
/** Where it sounds: on an instrument outside too or instead, told so much later or, below zero, earlier. */
export type Out = { sink: NoteSink | null; hereToo: boolean; delayMs: number };
export type Playhead = { playing: boolean; counting: boolean; bar: number; tick: number; strokes: number[] };
export type Heard = { tick: number; midi: number; hand: "L" | "R"; time: number };

const STOPPED: Playhead = { playing: false, counting: false, bar: -1, tick: -1, strokes: [] };
const SAMPLES = Object.fromEntries(
  [0, 1, 2, 3, 4, 5, 6].flatMap((octave) => [
    [`A${octave}`, `A${octave}.mp3`],
    [`D#${octave + 1}`, `Ds${octave + 1}.mp3`],
  ]),
);
/** The recordings begin a moment before their hammers strike. */
const ATTACK_SECONDS = 0.015;
const KEPT_EVENTS = 500;

function makeClick(): Tone.Synth {
  return new Tone.Synth({
    oscillator: { type: "triangle" },
    envelope: { attack: 0.001, decay: 0.05, sustain: 0, release: 0.02 },
  }).toDestination();
}

/** Clicks that are on their way sound into nothing; a voice that still has some to come must not be disposed of before the last. */
function retire(click: Tone.Synth, seconds: number): void {
  click.disconnect();
  window.setTimeout(() => click.dispose(), (seconds + 1) * 1000);
}

/**
 * Plays an arrangement on the recorded piano. Only the bar that sounds and the one after it are on the clock: a song may be long, a new
 * arrangement comes in at the next bar and a new tempo at once.
 */
export class Player {
  private readonly piano: { L: Tone.Sampler; R: Tone.Sampler };
  private click: Tone.Synth;
  private clickVolume = 0;
  private volumes: Volumes = { left: 1, right: 1, click: 1 };
  private out: Out = { sink: null, hereToo: false, delayMs: 0 };
  /** When the last click of a count-in is over: the first beat of what is played. */
  private counted = 0;
  private readonly listeners = new Set<() => void>();
  private readonly scheduled = new Map<number, number[]>();
  private arrangement: Arrangement | null = null;
  private byBar = new Map<number, Sounding[]>();
  private loop: [number, number] | null = null;
  private metronome: Metronome = "off";
  private base = 100;
  private told = false;
  private ending: number | undefined;
  private head: Playhead = STOPPED;
  /** What was sent to the piano last, newest at the end: to be read by tests and by the curious. */
  readonly heard: Heard[] = [];

  private constructor() {
    const sampler = () => new Tone.Sampler({ urls: SAMPLES, baseUrl: "/sounds/", release: 0.5 }).toDestination();
    this.piano = { L: sampler(), R: sampler() };
    this.click = makeClick();
    const transport = Tone.getTransport();
    transport.PPQ = 960;
    Tone.getContext().lookAhead = 0.15;
  }

  /** Loads the recordings; call it from a click or a key. */
  static async open(): Promise<Player> {
    await Tone.start();
    const player = new Player();
    await Tone.loaded();
    return player;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  playhead = (): Playhead => this.head;

  /** Takes a new arrangement; while playing, the bar that sounds is finished as it was. */
  set(arrangement: Arrangement): void {
    if (arrangement === this.arrangement) return;
    this.arrangement = arrangement;
    this.byBar = new Map();
    for (const tone of tones(arrangement)) this.byBar.set(tone.bar, [...(this.byBar.get(tone.bar) ?? []), tone]);
    this.setLoop(this.loop);
  }

  /** From bar {@code from}, after a bar of clicks if wanted. */
  play(from: number, bpmOfQuarter: number, countIn: boolean): void {
    this.stop();
    const bar = this.arrangement?.bars[from];
    if (!this.arrangement || !bar) return;
    const transport = Tone.getTransport();
    this.base = bpmOfQuarter;
    this.told = false;
    transport.bpm.value = this.tempoOf(from);
    this.putBar(from);
    this.setLoop(this.loop);
    const secondsPerTick = 60 / bpmOfQuarter / 960;
    const delay = countIn ? bar.ticks * secondsPerTick : 0;
    const now = Tone.now() + 0.05;
    this.counted = now + delay;
    if (countIn) for (const click of clicks({ ...bar, tick: 0 }, "beats")) this.tick(click.strong, now + click.tick * secondsPerTick);
    transport.start(now + delay, `${bar.tick}i`);
    this.move({ playing: true, counting: countIn, bar: from, tick: bar.tick, strokes: [] });
  }

  stop(): void {
    window.clearTimeout(this.ending);
    const transport = Tone.getTransport();
    transport.stop();
    transport.cancel(0);
    this.scheduled.clear();
    this.piano.L.releaseAll();
    this.piano.R.releaseAll();
    this.hushOut();
    if (this.head.counting) this.hushCount();
    this.move(STOPPED);
  }

  /** The clicks of a count-in are on their way already; they go with the voice that would sound them. */
  private hushCount(): void {
    retire(this.click, this.counted - Tone.immediate());
    this.click = makeClick();
    this.click.volume.value = this.clickVolume;
  }

  /** First and last bar by index, both included. */
  setLoop(loop: [number, number] | null): void {
    this.loop = loop;
    const transport = Tone.getTransport();
    const from = loop && this.arrangement?.bars[loop[0]];
    const to = loop && this.arrangement?.bars[loop[1]];
    transport.loop = Boolean(from && to);
    if (from && to) {
      transport.loopStart = `${from.tick}i`;
      transport.loopEnd = `${to.tick + to.ticks}i`;
      // The clock jumps here at once when it is past the end already.
      if (this.scheduled.size > 0 && !this.scheduled.has(from.index)) this.putBar(from.index);
    }
  }

  setTempo(bpmOfQuarter: number): void {
    this.base = bpmOfQuarter;
    Tone.getTransport().bpm.value = this.tempoOf(Math.max(0, this.head.bar));
  }

  /** Milliseconds since the first beat of what is played, below zero while it is counted in; null when nothing plays. */
  elapsed(): number | null {
    return this.head.playing ? (Tone.immediate() - this.counted) * 1000 : null;
  }

  /** A key the person plays, as long as it is held: it sounds at once. */
  sing(midi: number, down: boolean): void {
    const note = Tone.Frequency(midi, "midi").toFrequency();
    if (down) this.piano.R.triggerAttack(note, Tone.immediate(), 0.7);
    else this.piano.R.triggerRelease(note, Tone.immediate());
  }

  /** Out of the vamp that goes round, at its end. */
  goOn(): void {
    this.told = true;
  }

  /** Quarters a minute in a bar: the tempo that is set, as much faster or slower as the song is there. */
  private tempoOf(index: number): number {
    const bar = this.arrangement?.bars[index];
    return bar && this.arrangement ? (this.base * bar.bpm) / this.arrangement.tempo.bpm : this.base;
  }

  setMetronome(metronome: Metronome): void {
    this.metronome = metronome;
  }

  /** What an instrument was told already is let go when that is over. */
  private hushOut(): void {
    if (this.out.sink) hush(this.out.sink, performance.now() + Tone.getContext().lookAhead * 1000 + Math.max(0, this.out.delayMs));
  }

  setOut(out: Out): void {
    if (out.sink !== this.out.sink) this.hushOut();
    this.out = out;
  }

  setVolumes(volumes: Volumes): void {
    this.volumes = volumes;
    this.piano.L.volume.value = Tone.gainToDb(volumes.left);
    this.piano.R.volume.value = Tone.gainToDb(volumes.right);
    this.clickVolume = Tone.gainToDb(volumes.click) - 8;
    this.click.volume.value = this.clickVolume;
  }

  /** One stroke by itself, at once. */
  strike(stroke: number): void {
    const secondsPerTick = 60 / Tone.getTransport().bpm.value / 960;
    const own = [...this.byBar.values()].flat().filter((tone) => tone.stroke === stroke);
    const first = own[0]?.tick ?? 0;
    for (const tone of own) this.sound(tone, Tone.immediate() + (tone.tick - first) * secondsPerTick, 0.9);
  }

  dispose(): void {
    this.stop();
    this.piano.L.dispose();
    this.piano.R.dispose();
    retire(this.click, 0);
  }

  /** The bar that comes after one: the next, or the loop's first after its last; none at the end of the song. */
  private following(index: number): number | null {
    const bars = this.arrangement?.bars ?? [];
    const vamp = bars[index]?.vamp ?? null;
    if (vamp !== null && !this.told && bars[index + 1]?.vamp !== vamp) return vamp;
    if (this.loop && index === this.loop[1]) return this.loop[0];
    return index + 1 < (this.arrangement?.bars.length ?? 0) ? index + 1 : null;
  }

  private drop(bar: number): void {
    for (const id of this.scheduled.get(bar) ?? []) Tone.getTransport().clear(id);
    this.scheduled.delete(bar);
  }

  private putBar(index: number): void {
    const bar = this.arrangement?.bars[index];
    if (!bar) return;
    this.drop(index);
    const transport = Tone.getTransport();
    const ids = [transport.schedule((time) => this.enterBar(index, time), `${bar.tick}i`)];
    for (const hold of bar.holds) {
      ids.push(transport.schedule(() => this.hold(index, 2), `${hold.tick}i`));
      ids.push(transport.schedule(() => this.hold(index, 1), `${Math.min(hold.tick + hold.ticks, bar.tick + bar.ticks - 2)}i`));
    }
    for (const tone of this.byBar.get(index) ?? []) {
      ids.push(
        transport.schedule((time) => {
          this.sound(tone, time, (tone.ticks * 60) / transport.bpm.value / 960);
          Tone.getDraw().schedule(() => this.light(tone), time);
        }, `${tone.tick}i`),
      );
    }
    for (const click of clicks(bar, "beats")) {
      ids.push(transport.schedule((time) => this.tickIfWanted(index, click.tick, time), `${click.tick}i`));
    }
    // A tick before the bar line every stroke of this bar has been struck, and what follows can still be laid out.
    const end = bar.tick + bar.ticks;
    ids.push(transport.schedule((time) => this.turn(index, end, time), `${end - 1}i`));
    this.scheduled.set(index, ids);
  }

  private turn(index: number, end: number, time: number): void {
    const transport = Tone.getTransport();
    const next = this.following(index);
    const bar = next === null ? undefined : this.arrangement?.bars[next];
    if (next === null || !bar) {
      // The last bar has been laid out; it is left to sound, then the hands come off.
      this.ending = window.setTimeout(() => this.stop(), Math.max(0, (time - Tone.immediate()) * 1000));
      return;
    }
    for (const each of [...this.scheduled.keys()]) this.drop(each);
    this.putBar(next);
    // A vamp goes round, and the bars may have moved under a new arrangement; a loop jumps by itself.
    const looped = this.loop && index === this.loop[1] && next === this.loop[0];
    if (!looped && bar.tick !== end) transport.ticks = bar.tick;
  }

  /** What lies under a fermata lasts so many times as long. */
  private hold(index: number, times: number): void {
    Tone.getTransport().bpm.value = this.tempoOf(index) / times;
  }

  private enterBar(index: number, time: number): void {
    if ((this.arrangement?.bars[index]?.vamp ?? null) === null) this.told = false;
    if (!this.arrangement?.bars[index]?.holds.some((each) => each.tick === this.arrangement?.bars[index]?.tick)) this.hold(index, 1);
    const tick = this.arrangement?.bars[index]?.tick ?? 0;
    Tone.getDraw().schedule(() => this.head.playing && this.move({ ...this.head, counting: false, bar: index, tick, strokes: [] }), time);
  }

  private tickIfWanted(index: number, tick: number, time: number): void {
    const bar = this.arrangement?.bars[index];
    const click = bar && clicks(bar, this.metronome).find((each) => each.tick === tick);
    if (click) this.tick(click.strong, time);
  }

  private tick(strong: boolean, time: number): void {
    this.click.triggerAttackRelease(strong ? 1760 : 1175, 0.03, time, strong ? 0.9 : 0.6);
  }

  private sound(tone: Sounding, time: number, seconds: number): void {
    const { sink, hereToo, delayMs } = this.out;
    const volume = tone.hand === "L" ? this.volumes.left : this.volumes.right;
    if (sink && volume > 0) {
      const now = performance.now();
      const at = Math.max(now, now + (time - Tone.immediate()) * 1000 + delayMs);
      sendNote(sink, tone.midi, tone.velocity * volume, at, seconds * 1000);
    }
    if (!sink || hereToo)
      this.piano[tone.hand].triggerAttackRelease(
        Tone.Frequency(tone.midi, "midi").toFrequency(),
        seconds,
        Math.max(0, time - ATTACK_SECONDS),
        tone.velocity,
      );
    this.heard.push({ tick: tone.tick, midi: tone.midi, hand: tone.hand, time });
    if (this.heard.length > KEPT_EVENTS) this.heard.shift();
  }

  private light(tone: Sounding): void {
    if (!this.head.playing) return;
    const strokes =
      this.head.tick === tone.tick || this.head.strokes.includes(tone.stroke)
        ? [...new Set([...this.head.strokes, tone.stroke])]
        : [tone.stroke];
    this.move({ ...this.head, bar: tone.bar, tick: tone.tick, strokes });
  }

  private move(head: Playhead): void {
    this.head = head;
    for (const listener of this.listeners) listener();
  }
}
