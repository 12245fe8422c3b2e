import type { Arrangement, Bar, Stroke } from "../api/client";
import { Course, type Due, GIVEN_OUT } from "./course";

/** The page's timer: how often what is due is asked for. */
const STEP = 0.05;

/** A small generator of even chances (mulberry32, common knowledge), so that a seed names a song. */
function chances(seed: number): () => number {
  let state = seed * 0x9e3779b9;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

function bar(index: number, tick: number, ticks: number, more: Partial<Bar> = {}): Bar {
  return {
    index,
    number: index + 1,
    section: "",
    part: "chart",
    pass: 1,
    round: 1,
    meter: "4/4",
    beatTicks: 960,
    tick,
    ticks,
    chords: [],
    bpm: 100,
    holds: [],
    vamp: null,
    pins: [],
    difficulty: 0,
    parts: [],
    maxTempo: 400,
    meeting: null,
    ...more,
  } as Bar;
}

function stroke(hand: "L" | "R", inBar: number, tick: number, ticks: number, delays: number[]): Stroke {
  const notes = delays.map((delayTicks, i) => ({
    midi: 36 + 5 * i,
    name: "C2",
    role: "1",
    delayTicks,
    velocity: 70,
    finger: null,
  }));
  return { hand, bar: inBar, tick, ticks, until: tick + ticks, written: { tick, ticks }, notes } as unknown as Stroke;
}

/** Its timeline as the server has it: bar by bar at its tempo, twice as long under a fermata. */
function song(bars: Bar[], strokes: Stroke[]): Arrangement {
  const timeline = bars.flatMap(({ tick, ticks, bpm, holds }) => {
    const turns = [tick, ...holds.flatMap((hold) => [hold.tick, hold.tick + hold.ticks])].filter(
      (each) => each < tick + ticks,
    );
    const held = (at: number) => holds.some((hold) => hold.tick <= at && at < hold.tick + hold.ticks);
    return [...new Set(turns)].map((at) => ({ tick: at, ms: 0, pace: (held(at) ? 2 : 1) * (60_000 / bpm / 960) }));
  });
  return { tempo: { bpm: 100, beatTicks: 960 }, timeline, bars, strokes, pedal: [] } as unknown as Arrangement;
}

/**
 * Bars of many metres, short first ones, changes of tempo, fermatas; strokes on and off the beat, rolled, with basses
 * before their bar line.
 */
function seededSong(seed: number, vamps = false): Arrangement {
  const chance = chances(seed);
  const pick = <T>(all: T[]): T => all[Math.floor(chance() * all.length)] as T;
  const bars: Bar[] = [];
  const strokes: Stroke[] = [];
  let tick = 0;
  for (let index = 0; index < 5 + Math.floor(chance() * 5); index++) {
    const ticks = index === 0 && chance() < 0.3 ? 960 : pick([1920, 2880, 3840, 4800, 3360]);
    const holds = chance() < 0.15 ? [{ tick: tick + 480 * Math.floor((chance() * ticks) / 480), ticks: 480 }] : [];
    const vamp = vamps && index >= 2 && index <= 3 ? 2 : null;
    bars.push(bar(index, tick, ticks, { bpm: pick([100, 100, 100, 70, 140]), holds, vamp }));
    for (let at = 0; at < ticks; at += pick([480, 960, 320, 1440])) {
      const delays = pick([[0], [-480, 0], [-120, -60, 0], [0, 60], [-479, 0]]);
      strokes.push(stroke(pick(["L", "L", "R"]), index, tick + at, pick([240, 480, 960, 2880]), delays));
    }
    tick += ticks;
  }
  return song(bars, strokes);
}

const TEMPI = [40, 66, 100, 133, 208, 400];

type Given = Due & { kind: "tone" };
const name = (stroke: number, tick: number) => `${stroke}@${tick}`;

/** Asks for what is due as the page does, until the end or for so long; `meanwhile` acts on the course between. */
function run(
  course: Course,
  from: number,
  seconds: number,
  meanwhile: (given: Due[]) => void = () => undefined,
  step = () => STEP,
): Due[] {
  const all: Due[] = [];
  for (let now = from; now < from + seconds; now += step()) {
    meanwhile(all);
    const due = course.due(now);
    all.push(...due);
    if (due.some((each) => each.kind === "end")) break;
  }
  return all;
}

const isTone = (due: Due): due is Given => due.kind === "tone";
const struck = (due: Due[]) => due.filter(isTone).map(({ tone }) => name(tone.stroke, tone.tick));
const late = (due: Due[]) => due.filter(isTone).filter((each) => each.late > 0);
const entered = (due: Due[], index: number) =>
  due.filter((each) => each.kind === "bar" && each.index === index).map((each) => each.at);

function wanted(arrangement: Arrangement, rounds: (bar: number) => number = () => 1): string[] {
  return arrangement.strokes.flatMap((each, at) =>
    each.notes.flatMap((note) => Array.from({ length: rounds(each.bar) }, () => name(at, each.tick + note.delayTicks))),
  );
}

/** A course and when to begin to ask. */
function start(arrangement: Arrangement, tempo: number, from = 0): [Course, number] {
  return [new Course(arrangement, tempo, from, 10 + Course.lead(arrangement, from, tempo)), 9.95];
}

function inEverySong(check: (arrangement: Arrangement, seed: string, number: number) => void, vamps = false) {
  for (let seed = 1; seed <= 300; seed++) check(seededSong(seed, vamps), `seed ${seed}`, seed);
}

describe.each(TEMPI)("every tone of 300 songs sounds exactly once, at %i quarters a minute", (tempo) => {
  it("and in time", () =>
    inEverySong((arrangement, seed) => {
      const due = run(...start(arrangement, tempo), 3600);
      expect(struck(due).sort(), seed).toEqual(wanted(arrangement).sort());
      expect(late(due), seed).toEqual([]);
    }));

  it("while the tempo is changed again and again", () =>
    inEverySong((arrangement, seed, number) => {
      const chance = chances(number + 1000);
      const [course, from] = start(arrangement, tempo);
      const due = run(
        course,
        from,
        3600,
        () => chance() < 0.1 && course.setTempo(TEMPI[Math.floor(chance() * TEMPI.length)] as number),
      );
      expect(struck(due).sort(), seed).toEqual(wanted(arrangement).sort());
    }));

  it("in each round of a loop of one bar, in the same place of it", () =>
    inEverySong((arrangement, seed) => {
      const [course, from] = start(arrangement, tempo, 1);
      course.setLoop([1, 1]);
      const due = run(course, from, 15);
      const rounds = entered(due, 1);
      const places = new Map<string, number[]>();
      for (const each of due.filter(isTone)) {
        const key = name(each.tone.stroke, each.tone.tick);
        const round = places.get(key)?.length ?? 0;
        places.set(key, [...(places.get(key) ?? []), each.at - (rounds[round] ?? each.at)]);
      }
      expect([...places.keys()].sort(), seed).toEqual(
        [...new Set(wanted(arrangement, (index) => (index === 1 ? 1 : 0)))].sort(),
      );
      for (const [key, all] of places) {
        // The last round is not over, and a bass may already lead into the one after it.
        expect(Math.abs(all.length - rounds.length), `${seed}, ${key}`).toBeLessThanOrEqual(1);
        for (const place of all.slice(0, rounds.length))
          expect(place, `${seed}, ${key}`).toBeCloseTo(all[0] as number, 6);
      }
    }));

  it("as often as a vamp goes round until it is told to go on", () =>
    inEverySong((arrangement, seed) => {
      const [course, from] = start(arrangement, tempo);
      const due = run(course, from, 3600, (given) => entered(given, 2).length >= 3 && course.goOn());
      expect(entered(due, 2), seed).toHaveLength(3);
      expect(struck(due).sort(), seed).toEqual(
        wanted(arrangement, (index) => (index === 2 || index === 3 ? 3 : 1)).sort(),
      );
    }, true));

  it("also where the page is kept busy: late, and told so", () =>
    inEverySong((arrangement, seed, number) => {
      const chance = chances(number + 2000);
      const due = run(
        ...start(arrangement, tempo),
        3600,
        () => undefined,
        () => (chance() < 0.03 ? 1.5 : STEP),
      );
      expect(struck(due).sort(), seed).toEqual(wanted(arrangement).sort());
      for (const each of late(due)) expect(each.late, seed).toBeLessThan(1.5);
    }));
});

describe("a course", () => {
  const plain = (bars: number, delays = [0]) =>
    song(
      Array.from({ length: bars }, (_, index) => bar(index, 3840 * index, 3840)),
      Array.from({ length: bars }, (_, index) => stroke("L", index, 3840 * index, 960, delays)),
    );

  it("gives out a bass before its bar line, whatever bar it belongs to", () => {
    const due = run(...start(plain(3, [-480, 0]), 60), 60);
    const basses = due.filter(isTone).filter((each) => each.tone.tick % 3840 !== 0);
    expect(basses.map((each) => each.at)).toEqual([10, 14, 18]);
    expect(entered(due, 0)).toEqual([10.5]);
  });

  it("lasts twice as long under a fermata, and leads into it as long as ever", () => {
    const arrangement = plain(2, [-480, 0]);
    const [first, second] = arrangement.bars as [Bar, Bar];
    const held = song([first, { ...second, holds: [{ tick: 3840, ticks: 960 }] }], arrangement.strokes);
    const due = run(...start(held, 60), 60).filter(isTone);
    expect(due.map((each) => each.at)).toEqual([10, 10.5, 14, 14.5]);
    expect(due.map((each) => each.seconds)).toEqual([1.5, 1, 2.5, 2]);
  });

  it("takes a new arrangement at the next bar and finishes the one that sounds", () => {
    const [course, from] = start(plain(4), 120);
    const other = plain(4);
    for (const each of other.strokes) for (const note of each.notes) note.midi += 12;
    const due = run(
      course,
      from,
      60,
      (given) => given.some((each) => each.kind === "bar" && each.index === 1) && course.set(other),
    );
    expect(due.filter(isTone).map((each) => each.tone.midi)).toEqual([36, 36, 48, 48]);
  });

  it("goes back to the loop's first bar where the loop is set while it plays, and on where it is taken away", () => {
    const [course, from] = start(plain(5), 120);
    let turns = 0;
    const due = run(course, from, 60, (given) => {
      turns = given.filter((each) => each.kind === "bar").length;
      course.setLoop(turns < 2 || turns > 5 ? null : [0, 1]);
    });
    expect(due.flatMap((each) => (each.kind === "bar" ? [each.index] : []))).toEqual([0, 1, 0, 1, 0, 1, 2, 3, 4]);
  });

  it("plays on at another tempo from what was not given out yet", () => {
    const [course, from] = start(plain(3), 60);
    const due = run(course, from, 60, (given) => given.length > 0 && course.setTempo(120));
    const [, second, third] = due.filter((each) => each.kind === "bar").map((each) => each.at);
    expect((third as number) - (second as number)).toBeCloseTo(2, 6);
  });

  it("gives out nothing earlier than it must, and what is due in between although nobody asked for a while", () => {
    const [course] = start(plain(8), 60);
    expect(course.due(10 - GIVEN_OUT - 0.01)).toEqual([]);
    const first = course.due(10 - GIVEN_OUT + 0.01).filter(isTone);
    expect(first.map((each) => each.at)).toEqual([10]);
    const next = course.due(18.1).filter(isTone);
    expect(next.map((each) => [each.at, each.late > 0])).toEqual([
      [18.1, true],
      [18.1, true],
    ]);
  });

  it("refuses a bar the song does not have", () => {
    expect(() => new Course(plain(1), 60, 4, 0)).toThrow("bar 4: expected one of 1");
  });
});
