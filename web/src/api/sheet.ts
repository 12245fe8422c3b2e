import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { FingersShown } from "../score/fingers";
import { type Asked, requestOf } from "./asking";
import { type Arrangement, api, type ChartView, type FormOf, type Refused, type SheetLine, take } from "./client";

/** A chart as read, for once. */
export const fetchChart = async (text: string): Promise<ChartView> =>
  await take(
    api.POST("/api/charts/parse", { params: { query: { sections: false } }, body: { text, doubles: "thirds" } }),
  );

/** All of an arrangement at once. */
export const fetchArrangement = async (asked: Asked): Promise<Arrangement> =>
  await take(api.POST("/api/arrangements", { body: requestOf(asked) }));

export const fetchForm = (asked: Asked): Promise<FormOf> => take(api.POST("/api/form", { body: requestOf(asked) }));

/** Which parts a page holds: both hands, the left hand, or the tune over it. */
export type Parts = "both" | "left" | "lead-left";

/** The engraver's text of some bars, for a sheet. */
export async function fetchScore(
  asked: Asked,
  from: number,
  to: number,
  fingers: FingersShown,
  parts: Parts,
  degrees: boolean,
  signal?: AbortSignal,
): Promise<string> {
  return take(
    api.POST("/api/arrangements/score", {
      params: { query: { bars: `${from}-${to}`, fingers, parts, degrees, pins: true } },
      body: requestOf(asked),
      parseAs: "text",
      ...(signal ? { signal } : {}),
    }) as unknown as Promise<{ data?: string; error?: unknown; response: Response }>,
  );
}

/** The lines of a sheet, so many bars each. */
export const fetchLines = (asked: Asked, bars: number): Promise<SheetLine[]> =>
  take(api.POST("/api/arrangements/lines", { params: { query: { bars } }, body: requestOf(asked) }));

/** How the song is built, and how long all of it is. */
export function useForm(asked: Asked, enabled = true) {
  return useQuery<FormOf, Refused>({
    queryKey: ["form", asked],
    queryFn: () => fetchForm(asked),
    placeholderData: keepPreviousData,
    retry: false,
    enabled,
  });
}
