import { useCallback, useEffect, useRef } from "react";
import { typedMoves } from "../../api/client";
import type { Draft } from "../../song/draft";
import { movedDraft } from "../../song/moved";
import type { DraftDesk } from "../../song/openDraft";

const PAUSE = 400;

/**
 * Typing in the chart: what hangs on bars goes where they go. It is reckoned anew from where the typing began, so that
 * a bar that is taken out and written again has back what hung on it.
 */
export function useTyped(desk: DraftDesk): { type: (chart: string) => void; leave: () => void } {
  const run = useRef<{ from: Draft; now: Pick<Draft, "choices" | "others">; asked: string; over: boolean } | null>(
    null,
  );
  const { draft, change } = desk;
  const latest = useRef(draft);
  latest.current = draft;

  const type = useCallback(
    (chart: string) => {
      const { choices, others } = latest.current;
      const goesOn =
        run.current && !run.current.over && run.current.now.choices === choices && run.current.now.others === others;
      if (!goesOn)
        run.current = { from: latest.current, now: { choices, others }, asked: latest.current.chart, over: false };
      change({ chart }, "typing");
    },
    [change],
  );
  const leave = useCallback(() => {
    if (run.current) run.current.over = true;
  }, []);

  useEffect(() => {
    const now = run.current;
    if (!now || draft.chart === now.asked || draft.choices !== now.now.choices || draft.others !== now.now.others)
      return;
    const timer = setTimeout(async () => {
      const moves = await typedMoves(now.from.chart, draft.chart).catch(() => null);
      if (!moves || run.current !== now || latest.current !== draft) return;
      now.asked = draft.chart;
      const moved = movedDraft(now.from, moves);
      if (JSON.stringify(moved) === JSON.stringify(now.now)) return;
      now.now = moved;
      change(moved, "typing");
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [draft, change]);

  return { type, leave };
}
