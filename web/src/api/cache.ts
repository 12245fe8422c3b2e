import { type InvalidateOptions, type InvalidateQueryFilters, QueryClient } from "@tanstack/react-query";

/**
 * What the server said. What is out of date is asked for again also where its first answer is still on its way:
 * that one may have been read before what changed, and without this it would stand.
 */
export class Said extends QueryClient {
  override async invalidateQueries<K extends readonly unknown[]>(
    filters?: InvalidateQueryFilters<K>,
    options?: InvalidateOptions,
  ) {
    await this.cancelQueries(filters);
    return super.invalidateQueries(filters, options);
  }
}

/** For the whole page. */
export const queries = new Said({
  defaultOptions: { queries: { retry: 1, staleTime: 10_000, refetchOnWindowFocus: false, networkMode: "always" } },
});
