import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { type Asked, requestOf } from "./asking";
import {
  type AskedNotes,
  api,
  type Goal,
  type LadderView,
  type Pass,
  type PlanView,
  type Refused,
  type Round,
  type Spots,
  take,
} from "./client";

/** What a layer of some bars, by index, asks for at a tempo. */
export function useAskedNotes(asked: Asked, bars: string, layer: string, tempo: number, on: boolean) {
  return useQuery<AskedNotes, Refused>({
    queryKey: ["practice-asked", asked, bars, layer, tempo],
    queryFn: () => take(api.POST("/api/practice/asked", { body: { ...requestOf(asked), bars, layer, tempo } })),
    enabled: on,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Where a song is hard, more so where it failed. */
export function useSpots(asked: Asked, failed: Record<string, number> | undefined, on: boolean) {
  return useQuery<Spots, Refused>({
    queryKey: ["practice-spots", asked, failed],
    queryFn: () =>
      take(api.POST("/api/practice/spots", { body: { arrangement: requestOf(asked), ...(failed ? { failed } : {}) } })),
    enabled: on,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** Where the ladder begins, and its steps. */
export function useLadder(goal: number, last: number | undefined, stops: number[], on: boolean) {
  return useQuery<LadderView, Refused>({
    queryKey: ["practice-ladder", goal, last, stops],
    queryFn: () => take(api.POST("/api/practice/ladder", { body: { goal, stops, ...(last ? { last } : {}) } })),
    enabled: on,
    placeholderData: keepPreviousData,
  });
}

export function useGoals(day: string) {
  return useQuery<Goal[], Refused>({
    queryKey: ["practice-goals", day],
    queryFn: () => take(api.GET("/api/practice/goals", { params: { query: { day } } })),
  });
}

export function useLog() {
  return useQuery<Pass[], Refused>({ queryKey: ["practice-log"], queryFn: () => take(api.GET("/api/practice/log")) });
}

export function useFailed(song: string) {
  return useQuery<Record<string, number>, Refused>({
    queryKey: ["practice-failed", song],
    queryFn: () => take(api.GET("/api/practice/failed/{song}", { params: { path: { song } } })),
  });
}

export function usePlan(minutes: number, day: string, on: boolean) {
  return useQuery<PlanView, Refused>({
    queryKey: ["practice-plan", minutes, day],
    queryFn: () => take(api.GET("/api/practice/plan", { params: { query: { minutes, day } } })),
    enabled: on,
    placeholderData: keepPreviousData,
  });
}

/** The last times through a place step by step, the latest first. */
export function useRounds(place: { song: string; first: number; last: number; layer: string }, on: boolean) {
  const { song, ...query } = place;
  return useQuery<Round[], Refused>({
    queryKey: ["practice-steps", song, query],
    queryFn: () => take(api.GET("/api/practice/steps/{song}", { params: { path: { song }, query } })),
    enabled: on,
  });
}
