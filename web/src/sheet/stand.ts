import type { Arrangement, FormSection } from "../api/client";
import type { Block } from "./blocks";
import type { Kind } from "./useSheet";

/** All that a stand needs of a song: it works from it with the server away. */
export type Stand = {
  song: string;
  title: string;
  kind: Kind;
  width: number;
  space: number;
  blocks: Block[];
  sections: FormSection[];
  /** When each bar begins, in milliseconds at the song's own tempo, and where the last one ends. */
  begins: number[];
  bpm: number;
};

/** Milliseconds from the song's first beat to a tick, at its own tempo. */
export function msAt(timeline: Arrangement["timeline"], tick: number): number {
  let piece = timeline[0];
  for (const each of timeline) if (each.tick <= tick) piece = each;
  return piece ? piece.ms + (tick - piece.tick) * piece.pace : 0;
}

export function beginsOf(arrangement: Arrangement): number[] {
  const last = arrangement.bars.at(-1);
  return [...arrangement.bars.map((bar) => bar.tick), last ? last.tick + last.ticks : 0].map((tick) =>
    msAt(arrangement.timeline, tick),
  );
}

const STORE = "zapateo-stand";
const address = (song: string, evening?: string) => `/kept-for-the-stand/${song}${evening ? `/${evening}` : ""}`;

/**
 * Keeps a song's pages in this browser; false where it keeps nothing.
 *
 * @param evening the set and the place in it, where they are those of one
 */
export async function keep(stand: Stand, evening?: string): Promise<boolean> {
  if (!("caches" in window)) return false;
  try {
    const store = await caches.open(STORE);
    await store.put(
      address(stand.song, evening),
      new Response(JSON.stringify(stand), { headers: { "content-type": "application/json" } }),
    );
    return true;
  } catch {
    return false;
  }
}

export async function kept(song: string, evening?: string): Promise<Stand | null> {
  if (!("caches" in window)) return null;
  try {
    const store = await caches.open(STORE);
    const answer =
      (evening ? await store.match(address(song, evening)) : undefined) ?? (await store.match(address(song)));
    return answer ? ((await answer.json()) as Stand) : null;
  } catch {
    return null;
  }
}

/** Where a bar is in the song: "Bridge, 2 of 3", and the bar of it. */
export function positionOf(sections: FormSection[], bar: number): string {
  const at = sections.find((section) => bar >= section.first && bar < section.first + section.bars);
  if (!at) return "";
  const named = sections.filter((section) => section.name === at.name);
  const name = at.name || "The song";
  return named.length > 1 ? `${name}, ${named.indexOf(at) + 1} of ${named.length}` : name;
}

/** The order of an evening, kept beside its pages. */
export async function keepOrder(id: string, order: unknown): Promise<void> {
  if (!("caches" in window)) return;
  await (await caches.open(STORE)).put(`/kept-for-the-stand/set/${id}`, new Response(JSON.stringify(order)));
}

export async function keptOrder<T>(id: string): Promise<T | null> {
  try {
    const answer = await (await caches.open(STORE)).match(`/kept-for-the-stand/set/${id}`);
    return answer ? ((await answer.json()) as T) : null;
  } catch {
    return null;
  }
}
