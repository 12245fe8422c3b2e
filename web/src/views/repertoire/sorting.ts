import type { SongLine } from "../../api/client";

export type Column = "title" | "key" | "meter" | "bpm" | "feel" | "bars" | "figure";

/** Orders songs by a column, then by title; text by letters, numbers by size. */
export function byColumn(column: Column, down: boolean): (a: SongLine, b: SongLine) => number {
  return (a, b) => {
    const [left, right] = [a[column], b[column]];
    const order =
      typeof left === "number" && typeof right === "number" ? left - right : String(left).localeCompare(String(right));
    return (down ? -order : order) || a.title.localeCompare(b.title);
  };
}

/** Whether every word of a search stands somewhere in a song's line; b and # find ♭ and ♯. */
export function matches(song: SongLine, search: string): boolean {
  const line = plain(`${song.title} ${song.key} ${song.meter} ${song.feel} ${song.figure} ${song.sections.join(" ")}`);
  return plain(search)
    .split(/\s+/)
    .every((word) => line.includes(word));
}

function plain(text: string): string {
  return text.toLowerCase().replaceAll("♭", "b").replaceAll("♯", "#");
}
