import { useCallback, useEffect, useRef, useState } from "react";
import { api, type Edit, take } from "../../api/client";
import { useArranged, useMarked, useWork } from "../../song/desk";
import { type NotePlace, placeOf, strokeAt } from "./tune";

export type NoteChange = NonNullable<Extract<Edit, { kind: "note" }>["note"]>;

export type TuneEdit = {
  /** The note that is changed, where one is chosen. */
  place: NotePlace | null;
  /** Why the last change could not be made. */
  says: string;
  change: (note: NoteChange, more?: { pitch?: string; place?: NotePlace }) => void;
};

/**
 * Changes the chosen note of the melody in the chart; changes follow one another, each on what the one before has made.
 */
export function useTuneEdit(): TuneEdit {
  const { desk, chart } = useWork();
  const { arrangement } = useArranged();
  const { struck, setStruck } = useMarked();
  const [says, setSays] = useState("");
  const place =
    arrangement && chart && struck !== null ? placeOf(arrangement, chart, arrangement.strokes[struck]) : null;
  const now = useRef<NotePlace | null>(place);
  const wanted = useRef<NotePlace | null>(null);
  const { edit: queue } = desk;
  const waiting = useRef(0);

  // What is on the screen counts again when no change is on its way.
  useEffect(() => {
    if (waiting.current === 0 && wanted.current === null) now.current = place;
  }, [place]);

  // The note is chosen again in what was laid anew.
  useEffect(() => {
    if (!wanted.current || !arrangement || !chart || waiting.current > 0) return;
    const stroke = strokeAt(arrangement, chart, wanted.current);
    if (stroke < 0) return;
    wanted.current = null;
    setStruck(stroke);
  }, [arrangement, chart, setStruck]);

  const change = useCallback(
    (note: NoteChange, { pitch, place: other }: { pitch?: string; place?: NotePlace } = {}) => {
      waiting.current++;
      queue(async ({ chart: text }) => {
        const here = other ?? now.current;
        if (!here) return null;
        const edit = { kind: "note" as const, ...here, note, pitch };
        const answer = await take(api.POST("/api/charts/edit", { body: { text, edit } }));
        now.current = answer.at ? { bar: answer.at.bar, tick: answer.at.tick, pass: here.pass } : here;
        wanted.current = note === "delete" ? null : now.current;
        if (note === "delete") {
          // Where a rest is there is nothing to change until another note is chosen.
          now.current = null;
          setStruck(null);
        }
        setSays("");
        return { chart: answer.text };
      })
        .catch((error) => setSays(error instanceof Error ? error.message : String(error)))
        .finally(() => {
          waiting.current--;
        });
    },
    [queue, setStruck],
  );
  return { place, says, change };
}
