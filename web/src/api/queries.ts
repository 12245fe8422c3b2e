import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { type Arrangement, api, type ChartView, type Choices, type Figure, type Refused, type SongLine, take } from "./client";

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

export function useArrangement(chart: string, choices: Choices, spanMm: number) {
  return useQuery<Arrangement, Refused>({
    queryKey: ["arrangement", chart, choices, spanMm],
    queryFn: async () =>
      (await take(api.POST("/api/arrangements", { body: { chart, choices, hand: { left: { spanMm } } } }))) as unknown as Arrangement,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** The bars {@code from} to {@code to}, by index, as MusicXML. */
export function useScore(chart: string, choices: Choices, spanMm: number, from: number, to: number, enabled: boolean) {
  return useQuery<string, Refused>({
    queryKey: ["score", chart, choices, spanMm, from, to],
    queryFn: async () =>
      take(
        api.POST("/api/arrangements/score", {
          params: { query: { bars: `${from}-${to}` } },
          body: { chart, choices, hand: { left: { spanMm } } },
          parseAs: "text",
        }) as unknown as Promise<{ data?: string; error?: unknown; response: Response }>,
      ),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}
