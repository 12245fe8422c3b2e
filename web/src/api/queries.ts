import { keepPreviousData, useQuery } from "@tanstack/react-query";
import {
  type Arrangement,
  type ArrangeRequest,
  api,
  type ChartView,
  type Choices,
  type Figure,
  type Fitting,
  type Refused,
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

export function useRepertoire() {
  return useQuery<SongLine[], Refused>({ queryKey: ["songs"], queryFn: () => take(api.GET("/api/songs")), staleTime: 0 });
}

/** The chart as read; while a new text is read the last one stays. */
export function useChart(text: string, doubles: "thirds" | "simple") {
  return useQuery<ChartView, Refused>({
    queryKey: ["chart", text, doubles],
    queryFn: async () => (await take(api.POST("/api/charts/parse", { body: { text, doubles } }))) as unknown as ChartView,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** What is arranged: a chart, choices, the hand, and figures that are not kept yet. */
export type Asked = { chart: string; choices: Choices; spanMm: number; figures: string[] };

export function requestOf({ chart, choices, spanMm, figures }: Asked): ArrangeRequest {
  return { chart, choices, hand: { left: { spanMm } }, ...(figures.length > 0 ? { figures } : {}) } as ArrangeRequest;
}

export function useArrangement(asked: Asked, enabled = true) {
  return useQuery<Arrangement, Refused>({
    queryKey: ["arrangement", asked],
    queryFn: async () => (await take(api.POST("/api/arrangements", { body: requestOf(asked) }))) as unknown as Arrangement,
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}

/** The bars {@code from} to {@code to}, by index, as MusicXML. */
export function useScore(asked: Asked, from: number, to: number, enabled: boolean) {
  return useQuery<string, Refused>({
    queryKey: ["score", asked, from, to],
    queryFn: async () =>
      take(
        api.POST("/api/arrangements/score", {
          params: { query: { bars: `${from}-${to}` } },
          body: requestOf(asked),
          parseAs: "text",
        }) as unknown as Promise<{ data?: string; error?: unknown; response: Response }>,
      ),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}

/** Why a note of the arrangement is what it is; asked for one note at a time. */
export function useWhy(asked: Asked, stroke: number | null, note: number) {
  return useQuery<Why, Refused>({
    queryKey: ["why", asked, stroke, note],
    queryFn: () => take(api.POST("/api/arrangements/why", { body: { arrangement: requestOf(asked), stroke: stroke ?? 0, note } })),
    enabled: stroke !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export function useSuggestions(chart: string) {
  return useQuery<Suggested, Refused>({
    queryKey: ["suggest", chart],
    queryFn: () => take(api.POST("/api/arrangements/suggest", { body: { chart } })),
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

export function useFitting(figure: string | null) {
  return useQuery<Fitting[], Refused>({
    queryKey: ["fitting", figure],
    queryFn: () => take(api.GET("/api/songs/fitting", { params: { query: { figure: figure ?? "" } } })),
    enabled: figure !== null,
  });
}
