import type { BarMove, Choices } from "../api/client";

type Parked = NonNullable<Choices["parked"]>;
type Hung = { bar: number; pass?: number };

/**
 * The choices of an arrangement after its chart was changed: what hangs on a bar goes where the bar went; what hung on
 * one that is gone is parked. Bars are numbered as in the chart.
 */
export function movedChoices(choices: Choices, moves: BarMove[]): Choices {
  if (moves.length === 0) return choices;
  const places = new Map<number, BarMove[]>();
  for (const move of moves) places.set(move.from, [...(places.get(move.from) ?? []), move]);
  /**
   * Where a bar stands now; where repeats were written out what held for one time goes to that one alone, and holds for
   * all of it.
   */
  const place = (bar: number, pass?: number): { bar: number; pass?: number }[] =>
    (places.get(bar) ?? [{ from: bar, to: bar }]).flatMap((move) =>
      move.to === null || (move.pass !== undefined && pass !== undefined && move.pass !== pass)
        ? []
        : [{ bar: move.to, ...(move.pass === undefined && pass !== undefined ? { pass } : {}) }],
    );
  const isWrittenOut = moves.some((move) => move.pass !== undefined);
  const parked: Parked = { ...choices.parked };
  const move = <T>(all: T[] | undefined, moved: (each: T) => T[], park: (gone: T[]) => void): T[] | undefined => {
    if (!all) return all;
    const gone = all.filter((each) => moved(each).length === 0);
    if (gone.length > 0) park(gone);
    return all.flatMap(moved);
  };
  const hung = <T extends Hung>(all: T[] | undefined, park: (gone: T[]) => void) =>
    move(
      all,
      (each) =>
        place(each.bar, each.pass)
          .map((now) => ({ ...each, pass: undefined, ...now }))
          .map(given),
      park,
    );
  const numbers = (all: number[] | undefined, park: (gone: number[]) => void) =>
    move(all, (bar) => place(bar).map((now) => now.bar), park);

  const overrides = move(
    choices.overrides,
    (each) =>
      runs(numbersOf(each.bars).flatMap((bar) => place(bar, each.pass).map((now) => now.bar))).map((bars) =>
        given({ ...each, bars, pass: isWrittenOut ? undefined : each.pass }),
      ),
    (gone) => {
      parked.overrides = [...(parked.overrides ?? []), ...gone];
    },
  );
  const locks = hung(choices.locks, (gone) => {
    parked.locks = [...(parked.locks ?? []), ...gone];
  });
  const fingers = hung(choices.fingers, (gone) => {
    parked.fingers = [...(parked.fingers ?? []), ...gone];
  });
  const colours = hung(choices.colours, (gone) => {
    parked.colours = [...(parked.colours ?? []), ...gone];
  });
  const licks = hung(choices.right?.licks, (gone) => {
    parked.licks = [...(parked.licks ?? []), ...gone];
  });
  const plain = numbers(choices.right?.plain, (gone) => {
    parked.plain = [...(parked.plain ?? []), ...gone];
  });
  const asTheyAre = numbers(choices.right?.asTheyAre, (gone) => {
    parked.asTheyAre = [...(parked.asTheyAre ?? []), ...gone];
  });
  // What was waved off in a bar that is gone is gone with it.
  const atBars = (all: string[] | undefined) =>
    all?.flatMap((each) => {
      const [said = "", bar = ""] = each.split("@");
      return place(Number(bar)).map((now) => `${said}@${now.bar}`);
    });
  const wavedOff = atBars(choices.wavedOff);
  const spices = atBars(choices.spices);
  const breaks = choices.breaks?.flatMap((each) => {
    const [bar = "", pass] = each.split("@");
    return place(Number(bar), pass ? Number(pass) : undefined).map((now) =>
      now.pass ? `${now.bar}@${now.pass}` : String(now.bar),
    );
  });
  const vamped = choices.vamp?.split("-").flatMap((bar) => place(Number(bar)).map((now) => now.bar));
  const vamp = vamped && (vamped.length === 2 ? vamped.join("-") : undefined);
  return given({
    ...choices,
    overrides,
    wavedOff,
    spices,
    breaks,
    vamp,
    locks,
    fingers,
    colours,
    right: choices.right && given({ ...choices.right, licks, plain, asTheyAre }),
    parked: Object.keys(parked).length > 0 ? parked : undefined,
  });
}

/** The same for all arrangements of a song. */
export function movedDraft<D extends { choices: Choices; others: { choices: Choices }[] }>(
  draft: D,
  moves: BarMove[],
): Pick<D, "choices" | "others"> {
  return {
    choices: movedChoices(draft.choices, moves),
    others: draft.others.map((each) => ({ ...each, choices: movedChoices(each.choices, moves) })),
  };
}

/** Without what is not there. */
function given<T extends object>(all: T): T {
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as T;
}

function numbersOf(run: string): number[] {
  const [first = 0, last = first] = run.split("-").map(Number);
  return Array.from({ length: last - first + 1 }, (_, i) => first + i);
}

/** "5" and "7-9" of 5, 7, 8 and 9. */
function runs(bars: number[]): string[] {
  const found: [number, number][] = [];
  for (const bar of [...bars].sort((a, b) => a - b)) {
    const last = found.at(-1);
    if (last && bar === last[1] + 1) last[1] = bar;
    else found.push([bar, bar]);
  }
  return found.map(([first, last]) => (first === last ? String(first) : `${first}-${last}`));
}
