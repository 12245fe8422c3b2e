import type { Fit } from "../../api/client";

type Note = Pick<Fit["notes"][number], "tick" | "ticks" | "name" | "midi">;

/** A name is read where it has this share of the bar to itself. */
const ROOM = 0.085;
/** So many pixels between the lowest and the highest note of a bar. */
const RISE = 10;

/** The tune of one bar as names in time that rise and fall with it. */
export function TuneStrip({ notes, ticks }: { notes: Note[]; ticks: number }) {
  const keys = notes.map((note) => note.midi);
  const low = Math.min(...keys);
  const range = Math.max(1, Math.max(...keys) - low);
  return (
    <p data-tune="" className="relative mx-1.5 h-8 text-[0.86rem] text-(--right) leading-none">
      <span className="sr-only">Tune: {notes.map((note) => note.name).join(" ")}</span>
      {named(notes, ticks).map(({ note, name }) => (
        <span
          key={note.tick}
          aria-hidden="true"
          className="absolute"
          style={{ left: `${(note.tick / ticks) * 100}%`, bottom: `${4 + ((note.midi - low) / range) * RISE}px` }}
        >
          {name}
        </span>
      ))}
    </p>
  );
}

/** Each note with the letter that is shown for it; a dot where letters would run into each other. */
export function named(notes: Note[], ticks: number): { note: Note; name: string }[] {
  let until = -1;
  return notes.map((note) => {
    const at = note.tick / ticks;
    const shown = at >= until;
    if (shown) until = at + ROOM;
    return { note, name: shown ? note.name.replace(/-?\d+$/, "") : "·" };
  });
}

/** The notes of each bar as played, in ticks from its bar line. */
export function byBar(notes: Fit["notes"], bars: { tick: number }[]): Map<number, Fit["notes"]> {
  const parted = new Map<number, Fit["notes"]>();
  for (const note of notes) {
    const placed = { ...note, tick: note.tick - (bars[note.bar]?.tick ?? 0) };
    const own = parted.get(note.bar);
    if (own) own.push(placed);
    else parted.set(note.bar, [placed]);
  }
  return parted;
}
