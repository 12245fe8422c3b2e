/** Slower and faster than this nothing is played. */
export const SLOWEST = 20;
export const FASTEST = 400;

/** A pause longer than this begins a new tapping. */
const FORGOTTEN = 2500;
const FEWEST = 3;
const MOST = 9;

export function playable(bpm: number): number {
  return Math.min(FASTEST, Math.max(SLOWEST, Math.round(bpm)));
}

/** What was typed as a tempo, null where it is none. */
export function typedTempo(text: string): number | null {
  const bpm = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && Number.isFinite(bpm) && bpm >= SLOWEST && bpm <= FASTEST ? Math.round(bpm) : null;
}

/** Beats tapped one after the other: from the third on they say how fast. */
export function tapping(): (at: number) => number | null {
  let taps: number[] = [];
  return (at) => {
    if (at - (taps.at(-1) ?? at) > FORGOTTEN) taps = [];
    taps = [...taps, at].slice(-MOST);
    const first = taps[0] ?? at;
    return taps.length < FEWEST || at === first ? null : playable((60_000 * (taps.length - 1)) / (at - first));
  };
}
