import { QueryClient } from "@tanstack/react-query";

/** What the server said, for the whole page. */
export const queries = new QueryClient({
  defaultOptions: { queries: { retry: 1, staleTime: 10_000, refetchOnWindowFocus: false, networkMode: "always" } },
});
