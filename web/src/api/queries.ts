import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { FingersShown } from "../score/fingers";
import { type Asked, arrangementOf, handsAsked, requestOf, scoreOf } from "./asking";
import {
  type Arrangement,
  api,
  type Colour,
  type ColourBook,
  type EasierWay,
  type Figure,
  type Fit,
  type Fitting,
  type Hands,
  type ImprovNotes,
  type Lick,
  type Measuring,
  type Offer,
  type OneShape,
  type ReadOver,
  type Refused,
  type Rung,
  type SongLine,
  type Suggested,
  type ThereIs,
  take,
  type Why,
} from "./client";

export function useFigures() {
  return useQuery<Figure[], Refused>({
    queryKey: ["figures"],
    queryFn: () => take(api.GET("/api/figures")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** The rhythms of the right hand. */
export function useRightFigures() {
  return useQuery<Figure[], Refused>({
    queryKey: ["figures", "right"],
    queryFn: () => take(api.GET("/api/figures/right")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** What each note of a chart's melody is to its chord. */
export function useFit(chart: string, colours?: Colour[], wanted = true) {
  return useQuery<Fit, Refused>({
    queryKey: ["fit", chart, colours],
    enabled: wanted,
    queryFn: () => take(api.POST("/api/right-hand/fit", { body: { chart, ...heard(colours) } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** What to improvise on, chord by chord. */
export function useImprovNotes(chart: string, colours?: Colour[]) {
  return useQuery<ImprovNotes, Refused>({
    queryKey: ["improv", chart, colours],
    queryFn: () => take(api.POST("/api/right-hand/notes", { body: { chart, ...heard(colours) } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Small devices made for one bar, by index. */
export function useLicks(asked: Asked, bar: number) {
  return useQuery<Lick[], Refused>({
    queryKey: ["licks", asked, bar],
    queryFn: () => {
      const { chart, choices, hand } = requestOf(asked);
      return take(api.POST("/api/right-hand/licks", { body: { chart, choices, hand, bar } }));
    },
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** The colours a chart is heard with. */
function heard(colours: Colour[] | undefined): { choices?: { colours: Colour[] } } {
  return colours?.length ? { choices: { colours } } : {};
}

/** The styles of colour and all rules; they do not change. */
export function useColourBook() {
  return useQuery<ColourBook, Refused>({
    queryKey: ["colours"],
    queryFn: () => take(api.GET("/api/colours")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** Other chords worth hearing in some bars, by their numbers, best first at each place. */
export function useOffers(chart: string, bars: string, style: string) {
  return useQuery<Offer[], Refused>({
    queryKey: ["offers", chart, bars, style],
    queryFn: async () =>
      (await take(api.POST("/api/colours/offers", { body: { chart, bars, ...(style ? { style } : {}) } }))).offers,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** In which bars, by index, other chords are worth hearing. */
export function useColourPlaces(chart: string, bars: string, style: string) {
  return useQuery<number[], Refused>({
    queryKey: ["colour-places", chart, bars, style],
    queryFn: async () =>
      (await take(api.POST("/api/colours/places", { body: { chart, bars, ...(style ? { style } : {}) } }))).bars,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** What a colour costs the hands. */
export function useColourForHand(asked: Asked, colour: Colour | undefined) {
  return useQuery({
    queryKey: ["colour-hand", asked, colour],
    queryFn: () =>
      take(api.POST("/api/colours/hand", { body: { arrangement: requestOf(asked), colour: colour as Colour } })),
    enabled: colour !== undefined,
    retry: false,
  });
}

/** One shape to hold over some bars. */
export function useOneShape(chart: string, bars: string, colours?: Colour[]) {
  return useQuery<OneShape, Refused>({
    queryKey: ["one-shape", chart, bars, colours],
    queryFn: () => take(api.POST("/api/right-hand/one-shape", { body: { chart, bars, ...heard(colours) } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export function useRepertoire() {
  return useQuery<SongLine[], Refused>({
    queryKey: ["songs"],
    queryFn: () => take(api.GET("/api/songs")),
    staleTime: 0,
  });
}

/** While a new one is on its way the last stays. */
export function useArrangement(asked: Asked) {
  return useQuery<Arrangement, Refused>({ ...arrangementOf(asked), placeholderData: keepPreviousData, retry: false });
}

/** The same with what makes each bar hard; its strokes are those of the other. */
export function useHardness(asked: Asked) {
  return useQuery<Arrangement, Refused>({
    queryKey: ["hardness", asked],
    queryFn: async ({ signal }) =>
      await take(
        api.POST("/api/arrangements", {
          signal,
          params: { query: { with: ["parts"], bars: "0-0" } },
          body: requestOf(asked),
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** What a strict reader would mark. */
export function useReadOver(asked: Asked, enabled: boolean) {
  return useQuery<ReadOver, Refused>({
    queryKey: ["read-over", asked],
    queryFn: ({ signal }) => take(api.POST("/api/arrangements/read-over", { signal, body: requestOf(asked) })),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}

/** The bars {@code from} to {@code to}, by index, as MusicXML. */
export function useScore(asked: Asked, from: number, to: number, fingers: FingersShown, enabled: boolean) {
  return useQuery<string, Refused>({
    ...scoreOf(asked, from, to, fingers),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}

/** Why a note of the arrangement is what it is; asked for one note at a time. */
export function useWhy(asked: Asked, stroke: number | null, note: number) {
  return useQuery<Why, Refused>({
    queryKey: ["why", asked, stroke, note],
    queryFn: () =>
      take(api.POST("/api/arrangements/why", { body: { arrangement: requestOf(asked), stroke: stroke ?? 0, note } })),
    enabled: stroke !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Figures worth trying, told apart by what they do to this song in this hand, at this level. */
export function useSuggestions({ chart, hand }: Asked, level: number | null) {
  return useQuery<Suggested, Refused>({
    queryKey: ["suggest", chart, hand, level],
    queryFn: () =>
      take(
        api.POST("/api/arrangements/suggest", {
          body: { chart, apart: true, ...(hand ? { hand } : {}), ...(level === null ? {} : { level }) },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** What there is to choose from; the same for every song. */
export function useThereIs() {
  return useQuery<ThereIs, Refused>({
    queryKey: ["there-is"],
    queryFn: () => take(api.GET("/api/arrangements/choices")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

const NO_ROLES: ThereIs["roles"] = [];

/** What strokes of a figure can play. */
export function useRoles(): ThereIs["roles"] {
  return useThereIs().data?.roles ?? NO_ROLES;
}

export function useFitting(figure: string | null) {
  return useQuery<Fitting[], Refused>({
    queryKey: ["fitting", figure],
    queryFn: () => take(api.GET("/api/songs/fitting", { params: { query: { figure: figure ?? "" } } })),
    enabled: figure !== null,
  });
}

export function useHands() {
  return useQuery<Hands[], Refused>({ ...handsAsked, retry: false });
}

/** What can be held to measure a hand by; the same for everybody. */
export function useMeasuring() {
  return useQuery<Measuring, Refused>({
    queryKey: ["measuring"],
    queryFn: () => take(api.GET("/api/hands/measuring")),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** The five levels of what is arranged, measured. */
export function useLevels(asked: Asked, enabled: boolean) {
  return useQuery<Rung[], Refused>({
    queryKey: ["levels", { ...asked, choices: { ...asked.choices, level: undefined } }],
    queryFn: () =>
      take(
        api.POST("/api/arrangements/levels", {
          body: requestOf({ ...asked, choices: { ...asked.choices, level: undefined } }),
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}

/** What would make some bars easier; asked for when someone wants to know. */
export function useEasier(asked: Asked, bars: string | null) {
  return useQuery<EasierWay, Refused>({
    queryKey: ["easier", asked, bars],
    queryFn: () =>
      take(api.POST("/api/arrangements/easier", { body: { arrangement: requestOf(asked), bars: bars ?? "1" } })),
    enabled: bars !== null,
    retry: false,
  });
}
