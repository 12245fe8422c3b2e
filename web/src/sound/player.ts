import * as Tone from "tone";
import type { Arrangement, Bar } from "../api/client";
import { Course, type Due, GIVEN_OUT, paceOf } from "./course";
import { hush, type NoteSink, sendNote } from "./midiOut";
import { type Playhead, playing } from "./playing";
import { type Click, clicks, type Metronome, type Tone as Sounding, toneKey, tones } from "./schedule";

export type Volumes = { left: number; right: number; click: number };
/** Where it sounds: on an instrument outside too or instead, told so much later or, below zero, earlier. */
export type Out = { sink: NoteSink | null; hereToo: boolean; delayMs: number };
export type Heard = { tick: number; midi: number; hand: "L" | "R"; time: number };
/** How many tones came later than they were due since the page was opened, and the latest by how much. */
export type Late = { tones: number; worstMs: number };

const STOPPED: Playhead = { playing: false, counting: false, bar: -1, tick: -1, strokes: [] };
const SAMPLES = Object.fromEntries(
  [0, 1, 2, 3, 4, 5, 6].flatMap((octave) => [
    [`A${octave}`, `A${octave}.mp3`],
    [`D#${octave + 1}`, `Ds${octave + 1}.mp3`],
  ]),
);
/** The recordings begin a moment before their hammers strike. */
const ATTACK_SECONDS = 0.015;
const KEPT_EVENTS = 4000;
/** Between the press of a key and the first tone. */
const BREATH = 0.05;
/** How often what is due is given out, and what is stopped faded away, in seconds. */
const PUMP = 0.05;
const FADE = 0.06;
const LONGEST_TONE = 30;
/** What comes later than this is heard to be late. */
const FELT_LATE = 0.005;

function makeClick(): Tone.Synth {
  return new Tone.Synth({
    oscillator: { type: "triangle" },
    envelope: { attack: 0.001, decay: 0.05, sustain: 0, release: 0.02 },
  }).toDestination();
}

/**
 * What is on its way sounds into nothing; a voice that still has something to come must not be disposed of before the
 * last.
 */
function retire(voice: Tone.Synth | Tone.Sampler, seconds: number): void {
  voice.volume.rampTo(-80, FADE);
  window.setTimeout(() => voice.disconnect(), 2000 * FADE);
  window.setTimeout(() => voice.dispose(), (seconds + LONGEST_TONE) * 1000);
}

let recordings: Promise<Tone.ToneAudioBuffers> | null = null;

/** The recorded piano, fetched and decoded once; what failed is tried again. */
export function loadRecordings(): Promise<Tone.ToneAudioBuffers> {
  recordings ??= new Promise<Tone.ToneAudioBuffers>((resolve, reject) => {
    const buffers: Tone.ToneAudioBuffers = new Tone.ToneAudioBuffers({
      urls: SAMPLES,
      baseUrl: "/sounds/",
      onload: () => resolve(buffers),
      onerror: reject,
    });
  }).catch((error) => {
    recordings = null;
    throw error;
  });
  return recordings;
}

/** Plays an arrangement on the recorded piano: what its {@link Course} gives out is put on the clock of the sound. */
export class Player {
  private piano: Record<"L" | "R", Tone.Sampler>;
  /** What the person plays themselves: heard however loud the hands of the arrangement are, and whatever is hushed. */
  private readonly own: Tone.Sampler;
  private click: Tone.Synth;
  private clickVolume = 0;
  private volumes: Volumes = { left: 1, right: 1, click: 1 };
  private out: Out = { sink: null, hereToo: false, delayMs: 0 };
  /** What somebody else plays, by its stroke and key: it does not sound here. */
  private left: ReadonlySet<string> = new Set();
  /** When the last click of a count-in is over: the first beat of what is played. */
  private counted = 0;
  private arrangement: Arrangement | null = null;
  private course: Course | null = null;
  private pumping: number | undefined;
  private loop: [number, number] | null = null;
  private metronome: Metronome = "off";
  private base = 100;
  private ending: number | undefined;
  private head: Playhead = STOPPED;
  /** What was sent to the piano last, newest at the end: to be read by tests and by the curious. */
  readonly heard: Heard[] = [];
  readonly late: Late = { tones: 0, worstMs: 0 };

  // The recordings outlive the player: the next one plays them too.
  private constructor(private readonly recordings: Tone.ToneAudioBuffers) {
    this.piano = this.makePiano();
    this.own = this.makeSampler();
    this.click = makeClick();
    Tone.getContext().lookAhead = 2 * PUMP;
  }

  /** Loads the recordings; call it from a click or a key. */
  static async open(): Promise<Player> {
    const [recordings] = await Promise.all([loadRecordings(), Tone.start()]);
    return new Player(recordings);
  }

  private makePiano() {
    return { L: this.makeSampler(), R: this.makeSampler() };
  }

  private makeSampler(): Tone.Sampler {
    const urls = Object.fromEntries(Object.keys(SAMPLES).map((note) => [note, this.recordings.get(note)]));
    return new Tone.Sampler({ urls, release: 0.5 }).toDestination();
  }

  playhead = (): Playhead => this.head;

  /** Takes a new arrangement; while playing, the bar that sounds is finished as it was. */
  set(arrangement: Arrangement): void {
    this.arrangement = arrangement;
    this.course?.set(arrangement);
  }

  /** From bar {@code from}, after a bar of clicks if wanted. */
  play(from: number, bpmOfQuarter: number, countIn: boolean): void {
    this.stop();
    const bar = this.arrangement?.bars[from];
    if (!this.arrangement || !bar) return;
    this.base = bpmOfQuarter;
    const pace = paceOf(this.arrangement, bar, bpmOfQuarter);
    const counting = countIn ? bar.ticks * pace : 0;
    this.counted = Tone.immediate() + BREATH + Math.max(counting, Course.lead(this.arrangement, from, bpmOfQuarter));
    if (countIn)
      for (const click of clicks({ ...bar, tick: 0 }, "beats"))
        this.tick(click.strong, this.counted - counting + click.tick * pace);
    this.course = new Course(this.arrangement, bpmOfQuarter, from, this.counted);
    this.course.setLoop(this.loop);
    this.move({ playing: true, counting: countIn, bar: from, tick: bar.tick, strokes: [] });
    this.pumping = Tone.getContext().setInterval(this.pump, PUMP);
    this.pump();
  }

  stop(): void {
    if (this.course) this.hushPiano();
    this.rest();
  }

  /** Plays no more; what sounds is left to ring. */
  private rest(): void {
    window.clearTimeout(this.ending);
    if (this.pumping !== undefined) Tone.getContext().clearInterval(this.pumping);
    this.pumping = undefined;
    this.course = null;
    this.hushOut();
    if (this.head.counting) this.hushCount();
    this.move(STOPPED);
  }

  /** What rings and what is on its way go with the piano that would sound them. */
  private hushPiano(): void {
    retire(this.piano.L, GIVEN_OUT);
    retire(this.piano.R, GIVEN_OUT);
    this.piano = this.makePiano();
    this.setVolumes(this.volumes);
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
    this.course?.setLoop(loop);
  }

  setTempo(bpmOfQuarter: number): void {
    this.base = bpmOfQuarter;
    this.course?.setTempo(bpmOfQuarter);
  }

  /**
   * Milliseconds since the first beat of what is played, below zero while it is counted in; null when nothing plays.
   */
  elapsed(): number | null {
    return this.head.playing ? (Tone.immediate() - this.counted) * 1000 : null;
  }

  /** A key the person plays, as long as it is held: it sounds at once. */
  sing(midi: number, down: boolean): void {
    const note = Tone.Frequency(midi, "midi").toFrequency();
    if (down) this.own.triggerAttack(note, Tone.immediate(), 0.7);
    else this.own.triggerRelease(note, Tone.immediate());
  }

  /** Out of the vamp that goes round, at its end. */
  goOn(): void {
    this.course?.goOn();
  }

  setMetronome(metronome: Metronome): void {
    this.metronome = metronome;
  }

  /** What an instrument was told already is let go when that is over. */
  private hushOut(): void {
    if (this.out.sink) hush(this.out.sink, performance.now() + GIVEN_OUT * 1000 + Math.max(0, this.out.delayMs));
  }

  /** Leaves notes of the arrangement to a player, see {@link toneKey}; none gives all of them back. */
  leave(notes: ReadonlySet<string>): void {
    this.left = notes;
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
    if (!this.arrangement) return;
    const secondsPerTick = 60 / this.base / 960;
    const own = tones(this.arrangement).filter((tone) => tone.stroke === stroke);
    const first = own[0]?.tick ?? 0;
    for (const tone of own) this.sound(tone, Tone.immediate() + (tone.tick - first) * secondsPerTick, 0.9);
  }

  dispose(): void {
    this.stop();
    this.piano.L.dispose();
    this.piano.R.dispose();
    this.own.dispose();
    retire(this.click, 0);
  }

  private readonly pump = (): void => {
    for (const due of this.course?.due(Tone.immediate()) ?? []) this.give(due);
  };

  private give(due: Due): void {
    if (due.kind === "bar") {
      this.draw(due.at, () =>
        this.move({ ...this.head, counting: false, bar: due.index, tick: due.tick, strokes: [] }),
      );
    } else if (due.kind === "click") {
      if (this.isWanted(due.click, due.bar)) this.tick(due.click.strong, due.at);
    } else if (due.kind === "tone") {
      if (due.late > FELT_LATE) {
        this.late.tones++;
        this.late.worstMs = Math.max(this.late.worstMs, due.late * 1000);
      }
      if (!this.left.has(toneKey(due.tone.stroke, due.tone.midi))) this.sound(due.tone, due.at, due.seconds);
      this.draw(due.at, () => this.light(due.tone));
    } else {
      // All of it was given out; it is left to sound, then the hands come off.
      this.ending = window.setTimeout(() => this.rest(), Math.max(0, (due.at - Tone.immediate()) * 1000));
    }
  }

  /** Shows something when it is heard, if that is still of this playing. */
  private draw(at: number, show: () => void): void {
    const course = this.course;
    Tone.getDraw().schedule(() => course === this.course && show(), at);
  }

  private isWanted(click: Click, bar: Bar): boolean {
    return clicks(bar, this.metronome).some((each) => each.tick === click.tick);
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
    const strokes =
      this.head.tick === tone.tick || this.head.strokes.includes(tone.stroke)
        ? [...new Set([...this.head.strokes, tone.stroke])]
        : [tone.stroke];
    this.move({ ...this.head, tick: tone.tick, strokes });
  }

  private move(head: Playhead): void {
    this.head = head;
    playing.move(head);
  }
}
