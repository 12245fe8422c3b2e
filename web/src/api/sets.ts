import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, type EveningSet, type Refused, type SetItem, type SetItemOf, type SetLine, take } from "./client";

export const useSets = () =>
  useQuery<SetLine[], Refused>({ queryKey: ["sets"], queryFn: () => take(api.GET("/api/sets")), staleTime: 0 });

export const useSet = (id: string | null) =>
  useQuery<EveningSet, Refused>({
    queryKey: ["set", id],
    queryFn: () => take(api.GET("/api/sets/{id}", { params: { path: { id: id ?? "" } } })),
    enabled: id !== null,
    retry: false,
    // Lengths of very long songs are found a few at a time.
    refetchInterval: (query) => (query.state.data?.uncounted ? 500 : false),
  });

export type SetDraft = { title: string; place: string; playedOn: string | undefined; items: SetItem[] };

const draftOfSet = (set: EveningSet): SetDraft => ({
  title: set.title,
  place: set.place,
  playedOn: set.playedOn ?? undefined,
  items: set.items.map((each) => each.item),
});

/**
 * An evening that is worked on: what is changed is on the screen at once and kept in its turn, each state over the one
 * before.
 */
export function useSetDraft(set: EveningSet) {
  const queries = useQueryClient();
  const [draft, setDraft] = useState(() => draftOfSet(set));
  const latest = useRef(draft);
  const version = useRef(set.version);
  const keep = useMutation<EveningSet, Refused, SetDraft>({
    scope: { id: `set-${set.id}` },
    networkMode: "always",
    mutationFn: ({ playedOn, ...next }) =>
      take(
        api.PUT("/api/sets/{id}", {
          params: { path: { id: set.id } },
          body: { ...next, ...(playedOn ? { playedOn } : {}), version: version.current },
        }),
      ),
    onSuccess: (kept) => {
      version.current = kept.version;
      queries.setQueryData(["set", set.id], kept);
      queries.invalidateQueries({ queryKey: ["sets"] });
    },
  });
  const change = (edit: (draft: SetDraft) => SetDraft) => {
    latest.current = edit(latest.current);
    setDraft(latest.current);
    keep.mutate(latest.current);
  };
  return { draft, change, keep };
}

/** What the server said of an item, as it is or as it was before its last change; nothing yet of a new one. */
export function viewOf(set: EveningSet, item: SetItem): SetItemOf {
  const same = set.items.find((each) => JSON.stringify(each.item) === JSON.stringify(item));
  const before = same ?? set.items.find((each) => item.song !== undefined && each.item.song === item.song);
  const stub: SetItemOf = {
    item,
    title: "",
    key: "",
    beatTicks: 960,
    ms: (item.minutes ?? 0) * 60_000,
    missing: false,
    arrangements: [],
  };
  return { ...(before ?? stub), item };
}
