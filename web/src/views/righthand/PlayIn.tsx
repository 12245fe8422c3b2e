import { useEffect, useMemo, useState } from "react";
import { useArranged, useMarked, useSound } from "../../song/desk";
import { computerKeys, midiKeyboards, type NoteSource } from "../../sound/noteInput";
import { usePlaying } from "../../sound/playing";
import { standIn } from "../../sound/standIn";
import { Choice } from "../../ui/Choice";
import { scriptOf } from "./script";
import { useTake } from "./useTake";

/**
 * A melody played in over the chosen bars: on the computer's keys, the keyboard of the screen, a MIDI keyboard, or by
 * its stand-in.
 */
export function PlayIn() {
  const { arrangement, bpm } = useArranged();
  const { selection } = useMarked();
  const sound = useSound();
  const [plugged, setPlugged] = useState<NoteSource[]>([]);
  const [chosen, setChosen] = useState(computerKeys.id);
  const { elapsed } = sound;
  const waiting = usePlaying((head) => head.counting || !head.playing);
  useEffect(() => {
    midiKeyboards().then(setPlugged);
  }, []);
  const sources = useMemo(
    () => [computerKeys, ...plugged, standIn(arrangement ? scriptOf(arrangement, selection, bpm) : [], elapsed)],
    [plugged, arrangement, selection, bpm, elapsed],
  );
  const source = sources.find((each) => each.id === chosen) ?? computerKeys;
  const { take, start, stop } = useTake(source);
  if (!arrangement) return null;
  const first = arrangement.bars[selection[0]]?.number;
  const last = arrangement.bars[selection[1]]?.number;
  return (
    <div className="grid gap-2">
      <p className="leading-snug">
        After a bar of clicks the left hand plays {first === last ? `bar ${first}` : `bars ${first}–${last}`}, and you
        play the tune over it, one note at a time. It is put under the bars in the rhythm you meant; undo brings back
        what was there.
      </p>
      <Choice
        label="Played on"
        value={source.id}
        options={sources.map((each) => ({ value: each.id, label: each.name }))}
        onChange={setChosen}
        disabled={take.state === "playing"}
        reason={
          source.id === "keys"
            ? "A S D F G H J K are white keys from C4, W E T Y U the black ones; Z and X go an octave down and up. The keyboard below can be played too."
            : "The keyboard below can be played too."
        }
      />
      {take.state === "playing" ? (
        <button type="button" onClick={stop} className="min-h-11 rounded-plank bg-accent px-4 font-semibold text-sheet">
          Stop the take
        </button>
      ) : (
        <button
          type="button"
          onClick={start}
          className="min-h-11 rounded-plank border border-grain bg-plank px-4 font-semibold"
        >
          Record a take
        </button>
      )}
      <p role="status" className="leading-snug">
        {take.state === "playing" && (waiting ? "Counting in …" : `${take.notes} notes so far`)}
        {take.state === "reading" && "Finding the rhythm …"}
        {take.state === "kept" && `Kept: ${take.notes} notes.`}
        {take.state === "empty" && take.says}
        {take.state === "failed" && `The take could not be put under these bars: ${take.says}`}
      </p>
      {take.state === "kept" && <p className="font-serif leading-snug">{take.says}</p>}
      <p className="text-[0.9rem] text-quiet leading-snug">
        Rest your hands after 20 to 30 minutes; keep headphones moderate.
      </p>
    </div>
  );
}
