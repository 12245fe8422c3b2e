import type { Choices, NamedChoices, Song } from "../api/client";

/**
 * What the person is working on: the chart, the choices of the arrangement that is open and the other arrangements,
 * with all that can be taken back.
 */
export type Draft = {
  chart: string;
  choices: Choices;
  arrangementId?: string;
  arrangement: string;
  others: NamedChoices[];
};

/** What pages of songs were still keeping when they were left. */
export const leaving = new Map<string, Promise<void>>();

/** Waits for that of a song. */
export function settledDraft(id: string): Promise<void> {
  return leaving.get(id) ?? Promise.resolve();
}

export const isSettled = (id: string): boolean => !leaving.has(id);

export function draftOf(song: Omit<Draft, "arrangementId"> & { arrangementId?: string | null }): Draft {
  const { chart, choices, arrangement, others } = song;
  return { chart, choices, ...(song.arrangementId ? { arrangementId: song.arrangementId } : {}), arrangement, others };
}

export function same(a: Draft, b: Draft): boolean {
  return (
    a.chart === b.chart &&
    a.arrangement === b.arrangement &&
    a.arrangementId === b.arrangementId &&
    JSON.stringify(a.choices) === JSON.stringify(b.choices) &&
    JSON.stringify(a.others) === JSON.stringify(b.others)
  );
}

/**
 * The form an unkept draft stands in this browser: 1 without arrangements' ids, 2 with them. A later one is left for
 * the page that wrote it.
 */
const FORMAT = 2;

function slot(id: string): string {
  return `zapateo.unkept.${id}`;
}

export function remember(id: string, version: number, draft: Draft): void {
  try {
    localStorage.setItem(slot(id), JSON.stringify({ format: FORMAT, version, draft }));
  } catch {
    // Without room in the browser the draft still lives in this page.
  }
}

export function forget(id: string): void {
  try {
    localStorage.removeItem(slot(id));
  } catch {
    // Nothing was there.
  }
}

/** A draft that an earlier page could not keep, if nobody has changed the song since. */
export function unkept(song: Song): Draft | null {
  try {
    const found = JSON.parse(localStorage.getItem(slot(song.id)) ?? "null") as {
      format?: number;
      version: number;
      draft: Draft;
    } | null;
    return found && found.version === song.version && (found.format ?? 1) <= FORMAT
      ? { ...draftOf(song), ...found.draft }
      : null;
  } catch {
    return null;
  }
}
