import { useCallback, useEffect, useRef } from "react";

/** The same function all the time, that does what the latest would. */
export function useLatest<A extends unknown[]>(does: (...args: A) => void): (...args: A) => void {
  const latest = useRef(does);
  useEffect(() => {
    latest.current = does;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
