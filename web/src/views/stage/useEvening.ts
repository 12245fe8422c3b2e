import { useSearchParams } from "react-router";

/** The set that is played from, if one is. */
export type Evening = { id: string | null; next?: () => void; before?: () => void; said: string | null };

export function useEvening(): Evening {
  const [search] = useSearchParams();
  return { id: search.get("set"), said: null };
}
