import type { Options, ThereIs } from "../api/client";
import { useThereIs } from "../api/queries";

/** A row of the table of choices. */
export type Row = ThereIs["choices"][number];

const NOT_YET: Row[] = [];

/** The table of choices; empty until it is there. */
export function useTable(): Row[] {
  return useThereIs().data?.choices ?? NOT_YET;
}

/** The row of a choice in a place: song, section, bars, right, right-section. */
export function rowOf(table: Row[], place: string, id: string): Row | undefined {
  return table.find((row) => row.id === id && row.places.includes(place));
}

/** The rows that may hold in a place. */
export function rowsIn(table: Row[], place: string): Row[] {
  return table.filter((row) => row.places.includes(place));
}

/** What falls with what is chosen now. */
export function dropped(table: Row[], more: Options): Options {
  const chosen = Object.entries(more).flatMap(([id, value]) => (value === undefined ? [] : [id]));
  const falls = table.filter((row) => row.falls !== null && chosen.includes(row.falls));
  return Object.fromEntries(falls.map((row) => [row.id, undefined]));
}

/** "figure held, voicing open fifth, …" */
export function settings(table: Row[], options: object): string {
  return rowsIn(table, "section")
    .map((row) => [row, (options as Record<string, unknown>)[row.id]] as const)
    .filter(([row, value]) => value !== null && value !== undefined && !table.some((each) => each.along === row.id))
    .map(
      ([row, value]) =>
        `${row.name} ${value === true ? "yes" : value === false ? "no" : String(value).replaceAll("-", " ")}`,
    )
    .join(", ");
}
