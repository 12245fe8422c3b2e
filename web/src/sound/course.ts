import type { Arrangement, Bar } from "../api/client";
import { type Click, clicks, type Tone, tones } from "./schedule";

/** Until so many seconds ahead everything is given out to sound. */
export const GIVEN_OUT = 0.3;
/** What sounds is laid out at least so many seconds before it is given out. */
export const LAID_AHEAD = 1;

/** What is due: seconds on the clock, and by how many it comes too late to be there in time. */
export type Due = { at: number; late: number } & (
  | { kind: "bar"; index: number; tick: number }
  | { kind: "click"; bar: Bar; click: Click }
  | { kind: "tone"; tone: Tone; seconds: number }
  | { kind: "end" }
);

type Loop = [number, number] | null;
/**
 * An arrangement with its tones by the bar they belong to, and how many ticks the earliest of them comes before its bar
 * line.
 */
type Score = { arrangement: Arrangement; byBar: Map<number, Tone[]>; lead: number };
/** From a tick of a bar on, one tick lasts so many seconds. */
type Piece = { tick: number; at: number; pace: number };
type Item = { tick: number } & ({ kind: "bar" } | { kind: "click"; click: Click } | { kind: "tone"; tone: Tone });
/** One time a bar is played: when, and how much of what is in it was given out. Ticks count from its bar line. */
type Visit = { score: Score; bar: Bar; pieces: Piece[]; leadPace: number; end: number; items: Item[]; given: number };

const KIND_ORDER = { bar: 0, click: 1, tone: 2 };

/**
 * The course of one playing: which bars follow one another and when everything in them sounds. What is laid out is
 * decided by when it sounds, whichever bar it belongs to, and every item is given out once: in time, or late and told
 * so. Knows no sound; the clock's time is given.
 */
export class Course {
  private score: Score;
  private readonly visits: Visit[] = [];
  private loop: Loop = null;
  /** The vamp that is left when it comes to its end. */
  private told: number | null = null;
  private over = false;
  /** Everything before this was given out. */
  private frontier: number;

  /**
   * @param base quarters a minute where the song is in its own tempo
   * @param from index of the first bar
   * @param begins when its bar line is due
   */
  constructor(
    arrangement: Arrangement,
    private base: number,
    from: number,
    begins: number,
  ) {
    this.score = scoreOf(arrangement);
    const bar = arrangement.bars[from];
    if (!bar) throw new RangeError(`bar ${from}: expected one of ${arrangement.bars.length}`);
    this.visits.push(this.visit(bar, begins));
    this.frontier = begins - this.leadOf(bar);
  }

  /** Seconds that what belongs to a bar sounds before its bar line at most. */
  static lead(arrangement: Arrangement, index: number, base: number): number {
    const bar = arrangement.bars[index];
    if (!bar) return 0;
    const earliest = Math.min(
      0,
      ...tones(arrangement).flatMap((tone) => (tone.bar === index ? [tone.tick - bar.tick] : [])),
    );
    return -earliest * paceOf(arrangement, bar, base);
  }

  /** The bar that sounds is finished as it was, what comes after it is of the new arrangement. */
  set(arrangement: Arrangement): void {
    if (arrangement === this.score.arrangement) return;
    this.score = scoreOf(arrangement);
    this.revise();
  }

  /** First and last bar by index, both included. */
  setLoop(loop: Loop): void {
    this.loop = loop;
    this.revise();
  }

  /** Out of the vamp that goes round, at its end. */
  goOn(): void {
    this.told = this.visits[this.current()]?.bar.vamp ?? null;
    this.revise();
  }

  /** Another tempo holds from what is not given out yet. */
  setTempo(base: number): void {
    this.base = base;
    const now = this.visits[this.current()];
    if (!now) return;
    const from = tickAt(now, this.frontier);
    const kept = from > 0 ? now.pieces.filter((piece) => piece.tick < from) : [];
    const at = from > 0 ? this.frontier : (now.pieces[0] as Piece).at;
    now.pieces = [...kept, ...this.paced(now.score.arrangement, now.bar, Math.max(0, from), at)];
    now.end = timeOf(now, now.bar.ticks);
    this.relay();
  }

  /** What is due until {@link GIVEN_OUT} seconds from now and was not given out before, in the order of time. */
  due(now: number): Due[] {
    this.frontier = Math.max(this.frontier, now + GIVEN_OUT);
    this.lay();
    const out: Due[] = [];
    for (const visit of this.visits) {
      for (; visit.given < visit.items.length; visit.given++) {
        const item = visit.items[visit.given] as Item;
        const at = timeOf(visit, item.tick);
        if (at >= this.frontier) break;
        out.push({ ...this.itemAt(visit, item, at), at: Math.max(at, now), late: Math.max(0, now - at) } as Due);
        if (item.kind === "bar" && visit.bar.vamp !== this.told) this.told = null;
      }
    }
    const last = this.visits[this.visits.length - 1];
    if (this.over && last && last.given === last.items.length && last.end < this.frontier) {
      out.push({ kind: "end", at: Math.max(last.end, now), late: 0 });
      this.over = false;
      this.visits.length = 0;
    }
    // What is over is forgotten once all of it was given out.
    const done = (visit: Visit | undefined) => visit?.given === visit?.items.length;
    while (this.current() > 0 && done(this.visits[0])) this.visits.shift();
    return out.sort((a, b) => a.at - b.at);
  }

  private itemAt(visit: Visit, item: Item, at: number) {
    if (item.kind === "bar") return { kind: "bar", index: visit.bar.index, tick: visit.bar.tick };
    if (item.kind === "click") return { kind: "click", bar: visit.bar, click: item.click };
    return { kind: "tone", tone: item.tone, seconds: this.whenOver(visit, item.tick + item.tone.ticks) - at };
  }

  /** When a tick that may lie in a later bar comes. */
  private whenOver(visit: Visit, tick: number): number {
    let left = tick;
    for (let at = this.visits.indexOf(visit); at < this.visits.length; at++) {
      const here = this.visits[at] as Visit;
      if (left <= here.bar.ticks || at + 1 === this.visits.length) return timeOf(here, left);
      left -= here.bar.ticks;
    }
    return timeOf(visit, tick);
  }

  /** The last bar whose line was passed by what is given out, the first one before that. */
  private current(): number {
    let at = 0;
    while (
      at + 1 < this.visits.length &&
      (this.visits[at + 1]?.pieces[0]?.at ?? Number.POSITIVE_INFINITY) < this.frontier
    )
      at++;
    return at;
  }

  /**
   * Lays out bars until a second past all that can be given out now, counted by what sounds first in the bar that would
   * come.
   */
  private lay(): void {
    for (let last = this.visits.at(-1); last && !this.over; last = this.visits.at(-1)) {
      const next = this.following(last.bar.index);
      if (!next) {
        this.over = true;
        return;
      }
      if (last.end - this.leadOf(next) >= this.frontier + LAID_AHEAD) return;
      this.visits.push(this.visit(next, last.end));
    }
  }

  /** Lays what comes after the bar that sounds anew; what was given out of it is not given out again. */
  private revise(): void {
    const at = this.current();
    const dropped = this.visits.splice(at + 1);
    const now = this.visits[at];
    this.over = false;
    if (now && now.given === 0 && now.score !== this.score) {
      const bar = this.score.arrangement.bars[now.bar.index];
      if (bar) this.visits[at] = this.visit(bar, (now.pieces[0] as Piece).at);
    }
    this.lay();
    for (const [i, old] of dropped.entries()) {
      const fresh = this.visits[at + 1 + i];
      if (!fresh || old.given === 0) continue;
      if (fresh.score === old.score && fresh.bar === old.bar) fresh.given = old.given;
      else
        while (
          fresh.given < fresh.items.length &&
          timeOf(fresh, (fresh.items[fresh.given] as Item).tick) < this.frontier
        )
          fresh.given++;
    }
  }

  /** What is laid out lies at the tempo that holds now. */
  private relay(): void {
    for (let at = this.current() + 1; at < this.visits.length; at++) {
      const visit = this.visits[at] as Visit;
      visit.pieces = this.paced(visit.score.arrangement, visit.bar, 0, (this.visits[at - 1] as Visit).end);
      visit.leadPace = paceOf(visit.score.arrangement, visit.bar, this.base);
      visit.end = timeOf(visit, visit.bar.ticks);
    }
  }

  /** The bar after another one: the vamp's or the loop's first after their last; none at the end of the song. */
  private following(index: number): Bar | null {
    const bars = this.score.arrangement.bars;
    const vamp = bars[index]?.vamp ?? null;
    if (vamp !== null && this.told !== vamp && bars[index + 1]?.vamp !== vamp) return bars[vamp] ?? null;
    if (this.loop && index >= this.loop[1]) return bars[this.loop[0]] ?? null;
    return bars[index + 1] ?? null;
  }

  private leadOf(bar: Bar): number {
    return this.score.lead * paceOf(this.score.arrangement, bar, this.base);
  }

  private visit(bar: Bar, begins: number): Visit {
    const score = this.score;
    const items: Item[] = [
      { tick: 0, kind: "bar" },
      ...clicks(bar, "beats").map((click): Item => ({ tick: click.tick - bar.tick, kind: "click", click })),
      ...(score.byBar.get(bar.index) ?? []).map((tone): Item => ({ tick: tone.tick - bar.tick, kind: "tone", tone })),
    ];
    items.sort((a, b) => a.tick - b.tick || KIND_ORDER[a.kind] - KIND_ORDER[b.kind]);
    const leadPace = paceOf(score.arrangement, bar, this.base);
    const visit: Visit = {
      score,
      bar,
      pieces: this.paced(score.arrangement, bar, 0, begins),
      leadPace,
      end: 0,
      items,
      given: 0,
    };
    visit.end = timeOf(visit, bar.ticks);
    return visit;
  }

  /**
   * How a bar runs from one of its ticks on: the arrangement's own timeline, as much faster or slower as it is played.
   */
  private paced(arrangement: Arrangement, bar: Bar, from: number, begins: number): Piece[] {
    const scale = scaleOf(arrangement, this.base);
    const pieces: Piece[] = [];
    let at = begins;
    for (const [i, each] of arrangement.timeline.entries()) {
      const ends = (arrangement.timeline[i + 1]?.tick ?? Number.POSITIVE_INFINITY) - bar.tick;
      const tick = Math.max(from, each.tick - bar.tick);
      if (ends <= tick || tick >= Math.max(bar.ticks, from + 1)) continue;
      const before = pieces.at(-1);
      if (before) at = before.at + (tick - before.tick) * before.pace;
      pieces.push({ tick, at, pace: each.pace * scale });
    }
    return pieces;
  }
}

function scoreOf(arrangement: Arrangement): Score {
  const byBar = new Map<number, Tone[]>();
  let lead = 0;
  for (const tone of tones(arrangement)) {
    const own = byBar.get(tone.bar);
    if (own) own.push(tone);
    else byBar.set(tone.bar, [tone]);
    lead = Math.max(lead, (arrangement.bars[tone.bar]?.tick ?? 0) - tone.tick);
  }
  return { arrangement, byBar, lead };
}

/** Seconds for a millisecond of the song's own timeline, at so many quarters a minute. */
function scaleOf(arrangement: Arrangement, base: number): number {
  return (arrangement.tempo.bpm * arrangement.tempo.beatTicks) / 960 / base / 1000;
}

/**
 * Seconds a tick in a bar where nothing is held: the tempo that is set, as much faster or slower as the song is there.
 */
export function paceOf(arrangement: Arrangement, bar: Bar, base: number): number {
  return 60 / ((base * bar.bpm) / arrangement.tempo.bpm) / 960;
}

function timeOf(visit: Visit, tick: number): number {
  let piece = visit.pieces[0] as Piece;
  // What leads into a bar keeps its distance also where a fermata stands on the first beat.
  if (tick < 0) return piece.at + tick * visit.leadPace;
  for (const each of visit.pieces) if (each.tick <= tick) piece = each;
  return piece.at + (tick - piece.tick) * piece.pace;
}

function tickAt(visit: Visit, time: number): number {
  let piece = visit.pieces[0] as Piece;
  for (const each of visit.pieces) if (each.at <= time) piece = each;
  return piece.tick + (time - piece.at) / piece.pace;
}
