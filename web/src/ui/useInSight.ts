import { type RefObject, useEffect } from "react";

const GAP = 8;

/**
 * Brings the pressed thing of a list into sight whenever `when` changes, not while it is null, and again two frames
 * later: what came into sight by it may be higher than it was taken for.
 */
export function useInSight(list: RefObject<HTMLElement | null>, when: string | null): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: looks when it is told to
  useEffect(() => {
    if (when === null) return;
    const look = () => {
      const pressed = list.current?.querySelector('[aria-pressed="true"]');
      if (!list.current || !pressed) return;
      const box = list.current.getBoundingClientRect();
      const own = pressed.getBoundingClientRect();
      if (own.top < box.top || own.bottom > box.bottom) list.current.scrollTop += own.top - box.top - GAP;
    };
    look();
    let frame = requestAnimationFrame(() => {
      frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, [when]);
}
