import type { QueryFunctionContext } from "@tanstack/react-query";
import { firstDrawn } from "../score/engraver";
import type { FingersShown } from "../score/fingers";
import {
  type Arrangement,
  type ArrangeRequest,
  api,
  type ChartView,
  type Choices,
  type Hands,
  type Measures,
  type Song,
  take,
} from "./client";

/** What is arranged: a chart, choices, the hand, and figures that are not kept yet. */
export type Asked = { chart: string; choices: Choices; hand: Measures | undefined; figures: string[] };
/** Whether double sharps and flats in chord tones are written, or the plain keys they lie on. */
export type Doubles = "thirds" | "simple";

const DOUBLES = "zapateo.doubles";

/** As it was chosen in this browser. */
export const keptDoubles = (): Doubles => (localStorage.getItem(DOUBLES) === "simple" ? "simple" : "thirds");
export const keepDoubles = (way: Doubles): void => localStorage.setItem(DOUBLES, way);

export function requestOf({ chart, choices, hand, figures }: Asked): ArrangeRequest {
  return { chart, choices, ...(hand ? { hand } : {}), ...(figures.length > 0 ? { figures } : {}) } as ArrangeRequest;
}

/** Songs that were sent for before their page was there, and when; a page that does not come soon finds a newer one. */
const sent = new Map<string, { song: Promise<Song>; at: number }>();
const FRESH_MS = 10_000;

const fetchSong = (id: string): Promise<Song> => take(api.GET("/api/songs/{id}", { params: { path: { id } } }));

/** Asks for a song ahead of its page. */
export function sendForSong(id: string): Promise<Song> {
  const song = fetchSong(id);
  sent.set(id, { song, at: performance.now() });
  return song;
}

/** The song as it is kept; one that was sent for is given out once. */
export function songAsked(id: string): Promise<Song> {
  const found = sent.get(id);
  sent.delete(id);
  return found && performance.now() - found.at < FRESH_MS ? found.song : fetchSong(id);
}

/** Whose hands there are. */
export const handsAsked = {
  queryKey: ["hands"],
  queryFn: (): Promise<Hands[]> => take(api.GET("/api/hands")),
  staleTime: 60_000,
};

/** The chart as read. */
export const chartOf = (text: string, doubles: Doubles) => ({
  queryKey: ["chart", text, doubles],
  queryFn: async (): Promise<ChartView> =>
    await take(api.POST("/api/charts/parse", { params: { query: { sections: false } }, body: { text, doubles } })),
});

/** The strokes of so many bars come with the bars themselves; those of a longer song follow. */
const FIRST_BARS = 192;
/**
 * What is on the screen is drawn first: a choice within so long, the first staff within so much longer where one is
 * drawn at all.
 */
const SEEN_MS = 800;
const FIRST_SEEN_MS = 3000;

const pause = (ms: number) => new Promise((over) => window.setTimeout(over, ms));

/** The arrangement; of a long song the first bars, the others come into the query's data afterwards. */
export const arrangementOf = (asked: Asked) => ({
  queryKey: ["arrangement", asked],
  queryFn: async ({ client, signal, queryKey }: QueryFunctionContext): Promise<Arrangement> => {
    const first = await strokesOf(asked, 0, FIRST_BARS - 1, signal);
    if (first.bars.length > FIRST_BARS)
      void followed(first, asked, (more) => !signal.aborted && client.setQueryData(queryKey, more));
    return first;
  },
});

/** @param signal stops it on the server too, as soon as nobody waits for it */
function strokesOf(asked: Asked, from: number, to: number, signal: AbortSignal | null = null) {
  return take(
    api.POST("/api/arrangements", {
      signal,
      params: { query: { bars: `${from}-${to}` } },
      body: requestOf(asked),
    }),
  );
}

/** The rest of a long song; what cannot be had stays out. */
async function followed(first: Arrangement, asked: Asked, told: (more: Arrangement) => void): Promise<void> {
  await Promise.all([pause(SEEN_MS), Promise.race([firstDrawn, pause(FIRST_SEEN_MS)])]);
  try {
    const answer = await strokesOf(asked, FIRST_BARS, first.bars.length - 1);
    // What a bar strikes early stands among the strokes of the bar before: it has come already.
    const more = answer.strokes.slice(first.strokes.length - answer.firstStroke);
    told({ ...first, strokes: [...first.strokes, ...more] });
  } catch {
    return;
  }
}

/** The bars {@code from} to {@code to}, by index, as MusicXML. */
export const scoreOf = (asked: Asked, from: number, to: number, fingers: FingersShown) => ({
  queryKey: ["score", asked, from, to, fingers],
  queryFn: ({ signal }: QueryFunctionContext): Promise<string> =>
    take(
      api.POST("/api/arrangements/score", {
        signal,
        params: { query: { bars: `${from}-${to}`, fingers } },
        body: requestOf(asked),
        parseAs: "text",
      }) as unknown as Promise<{ data?: string; error?: unknown; response: Response }>,
    ),
});

/** Which way each level takes now; the arrangement has the last ones until they are known. */
export const waysOf = (asked: Asked) => ({
  queryKey: ["ways", asked],
  queryFn: async ({ signal }: QueryFunctionContext): Promise<number[]> =>
    (await take(api.POST("/api/arrangements/ways", { signal, body: requestOf(asked) }))).ways,
});
