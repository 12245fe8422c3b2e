import { useEffect } from "react";
import { isTaken } from "./keys";
import { useLatest } from "./useLatest";

/**
 * The keys of a view, by name, before those of the house; none while someone types or has a list open. Told whether a
 * button or a link has the focus, which has its own keys.
 */
export function usePresses(keys: (onButton: boolean) => Map<string, () => void>): void {
  const press = useLatest((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.altKey || event.ctrlKey || event.metaKey || isTaken(event)) return;
    const found = keys((event.target as HTMLElement).closest?.("button, a") != null).get(event.key);
    if (!found) return;
    event.preventDefault();
    found();
  });
  useEffect(() => {
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [press]);
}
