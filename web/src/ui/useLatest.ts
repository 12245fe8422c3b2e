import { useCallback, useLayoutEffect, useRef } from "react";

/** The same function all the time, that does what the latest would. */
export function useLatest<A extends unknown[]>(does: (...args: A) => void): (...args: A) => void {
  const latest = useRef(does);
  // Before the screen is painted, so that no key or press meets what stood there before.
  useLayoutEffect(() => {
    latest.current = does;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
