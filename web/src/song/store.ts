import { useRef, useSyncExternalStore } from "react";

/** A value and who is told when it becomes another one; it knows of no screen. */
export class Store<S extends object> {
  private readonly listeners = new Set<() => void>();

  constructor(private now: S) {}

  get state(): S {
    return this.now;
  }

  /** With something else in it; where nothing is another than before nobody is told. */
  protected set(more: Partial<S>): void {
    const names = Object.keys(more) as (keyof S)[];
    if (names.every((name) => Object.is(this.now[name], more[name]))) return;
    this.now = { ...this.now, ...more };
    for (const listener of this.listeners) listener();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
}

/** What is looked at of a store; it renders again when that becomes another, field by field. */
export function useStored<S extends object, T>(store: Store<S>, select: (state: S) => T): T {
  const last = useRef<T | undefined>(undefined);
  return useSyncExternalStore(store.subscribe, () => {
    const next = select(store.state);
    if (!alike(last.current, next)) last.current = next;
    return last.current as T;
  });
}

/** Whether two values are the same, or have the same in all of their fields. */
function alike(one: unknown, two: unknown): boolean {
  if (Object.is(one, two)) return true;
  if (typeof one !== "object" || typeof two !== "object" || !one || !two || Array.isArray(one)) return false;
  const names = Object.keys(two);
  return (
    names.length === Object.keys(one).length &&
    names.every((name) => Object.is(one[name as keyof object], two[name as keyof object]))
  );
}
