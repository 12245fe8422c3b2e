import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type EveningSet, type Refused, type SetItem, type SetLine, take } from "./client";

export const useSets = () => useQuery<SetLine[], Refused>({ queryKey: ["sets"], queryFn: () => take(api.GET("/api/sets")), staleTime: 0 });

export const useSet = (id: string | null) =>
  useQuery<EveningSet, Refused>({
    queryKey: ["set", id],
    queryFn: () => take(api.GET("/api/sets/{id}", { params: { path: { id: id ?? "" } } })),
    enabled: id !== null,
    retry: false,
  });

export type SetDraft = { title: string; place: string; playedOn: string | undefined; items: SetItem[] };

export const draftOfSet = (set: EveningSet): SetDraft => ({
  title: set.title,
  place: set.place,
  playedOn: set.playedOn ?? undefined,
  items: set.items.map((each) => each.item),
});

/** Keeps an evening; each change waits for the one before, and is made of what is kept then. */
export function useKeepSet(id: string) {
  const queries = useQueryClient();
  return useMutation<EveningSet, Refused, (draft: SetDraft) => SetDraft>({
    scope: { id: `set-${id}` },
    networkMode: "always",
    mutationFn: async (edit) => {
      const kept = queries.getQueryData<EveningSet>(["set", id]);
      if (!kept) throw new Error("The set is not open.");
      const { playedOn, ...next } = edit(draftOfSet(kept));
      const body = { ...next, ...(playedOn ? { playedOn } : {}), version: kept.version };
      return take(api.PUT("/api/sets/{id}", { params: { path: { id } }, body }));
    },
    onSuccess: (set) => {
      queries.setQueryData(["set", id], set);
      queries.invalidateQueries({ queryKey: ["sets"] });
    },
  });
}
