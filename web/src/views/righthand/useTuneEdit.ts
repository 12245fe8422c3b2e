import { useCallback, useEffect, useRef, useState } from "react";
import { api, type Edit, take } from "../../api/client";
import { useDesk } from "../../song/desk";
import { type NotePlace, placeOf, strokeAt } from "./tune";

export type NoteChange = NonNullable<Edit["note"]>;

export type TuneEdit = {
  /** The note that is changed, where one is chosen. */
  place: NotePlace | null;
  /** Why the last change could not be made. */
  says: string;
  change: (note: NoteChange, more?: { pitch?: string; place?: NotePlace }) => void;
};

/** Changes the chosen note of the melody in the chart; changes follow one another, each on what the one before has made. */
export function useTuneEdit(): TuneEdit {
  const { desk, chart, arrangement, struck, setStruck } = useDesk();
  const [says, setSays] = useState("");
  const place = arrangement && chart && struck !== null ? placeOf(arrangement, chart, arrangement.strokes[struck]) : null;
  const now = useRef<{ text: string; place: NotePlace | null }>({ text: desk.draft.chart, place });
  const wanted = useRef<NotePlace | null>(null);
  const queue = useRef(Promise.resolve());
  const waiting = useRef(0);

  // What is on the screen counts again when no change is on its way.
  useEffect(() => {
    if (waiting.current === 0 && wanted.current === null) now.current = { text: desk.draft.chart, place };
  }, [desk.draft.chart, place]);

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
      queue.current = queue.current.then(async () => {
        try {
          const text = now.current.text;
          const here = other ?? now.current.place;
          if (!here) return;
          const edit = { kind: "note" as const, ...here, note, pitch };
          const answer = await take(api.POST("/api/charts/edit", { body: { text, edit: edit as never } }));
          now.current = { text: answer.text, place: answer.at ? { bar: answer.at.bar, tick: answer.at.tick, pass: here.pass } : here };
          wanted.current = note === "delete" ? null : now.current.place;
          if (note === "delete") {
            // Where a rest is there is nothing to change until another note is chosen.
            now.current.place = null;
            setStruck(null);
          }
          setSays("");
          desk.change({ chart: answer.text });
        } catch (error) {
          setSays(error instanceof Error ? error.message : String(error));
        } finally {
          waiting.current--;
        }
      });
    },
    [desk, setStruck],
  );
  return { place, says, change };
}
