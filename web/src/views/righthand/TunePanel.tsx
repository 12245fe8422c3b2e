import { useEffect, useRef } from "react";
import { useArranged, useMarked, useShown, useSound } from "../../song/desk";
import { LinkButton } from "../../ui/LinkButton";
import { isTune, lengthName } from "./tune";
import type { NoteChange, TuneEdit } from "./useTuneEdit";

const CHANGES: { note: NoteChange; label: string; says: string }[] = [
  { note: "up", label: "higher", says: "the key's next note (↑)" },
  { note: "down", label: "lower", says: "the key's note below (↓)" },
  { note: "sharper", label: "♯", says: "a semitone up (Alt ↑)" },
  { note: "flatter", label: "♭", says: "a semitone down (Alt ↓)" },
  { note: "octave-up", label: "octave ↑", says: "Shift ↑" },
  { note: "octave-down", label: "octave ↓", says: "Shift ↓" },
  { note: "longer", label: "longer", says: "takes from what follows (. )" },
  { note: "shorter", label: "shorter", says: "leaves a rest (, )" },
  { note: "earlier", label: "earlier", says: "into the rest or past the note before it (Shift ←)" },
  { note: "later", label: "later", says: "into the rest or past the note behind it (Shift →)" },
  { note: "add", label: "add a note", says: "in the rest behind it, or as its second half (Insert)" },
  { note: "delete", label: "delete", says: "leaves a rest (Delete)" },
];

const KEYS: Record<string, NoteChange> = {
  ArrowUp: "up",
  ArrowDown: "down",
  "Alt ArrowUp": "sharper",
  "Alt ArrowDown": "flatter",
  "Shift ArrowUp": "octave-up",
  "Shift ArrowDown": "octave-down",
  ".": "longer",
  ",": "shorter",
  "Shift ArrowLeft": "earlier",
  "Shift ArrowRight": "later",
  Insert: "add",
  Delete: "delete",
  Backspace: "delete",
};

const MOST_SHOWN = 64;

/** A change by a key, where it is one of those. */
function pressed(event: React.KeyboardEvent, edit: TuneEdit): void {
  const note = KEYS[`${event.altKey ? "Alt " : ""}${event.shiftKey ? "Shift " : ""}${event.key}`];
  if (!note || event.ctrlKey || event.metaKey || event.defaultPrevented || !edit.place) return;
  edit.change(note);
  event.preventDefault();
}

/** The melody of the chosen bars, note by note, to be corrected: here, by keys, or on the staff. */
export function TunePanel({
  edit,
  onMelody,
  onFirst,
  shown,
}: {
  edit: TuneEdit;
  onMelody: () => void;
  /** Puts a note where the first of the chosen bars begins. */
  onFirst: () => void;
  shown: boolean;
}) {
  const { arrangement } = useArranged();
  const { selection, struck, setStruck } = useMarked();
  const { setOnKey } = useShown();
  const sound = useSound();
  const { change, place } = edit;
  const chosen = place !== null;
  useEffect(() => {
    if (!chosen) return;
    setOnKey((midi, down) => {
      sound.sing(midi, down);
      if (down) change("pitch", { pitch: String(midi) });
    });
    return () => setOnKey(null);
  }, [chosen, change, setOnKey, sound.sing]);
  const notes = (arrangement?.strokes ?? [])
    .map((stroke, index) => ({ stroke, index }))
    .filter(({ stroke }) => isTune(stroke) && stroke.bar >= selection[0] && stroke.bar <= selection[1]);
  const list = useRef<HTMLDivElement>(null);
  const deleted = useRef<number | null>(null);
  const count = notes.length;
  // Whoever deletes a note stays in the list, on the one that follows.
  // biome-ignore lint/correctness/useExhaustiveDependencies: looks when a note is gone
  useEffect(() => {
    const at = deleted.current;
    deleted.current = null;
    if (at === null || at < 0 || count === 0) return;
    const next = Math.min(at, count - 1);
    setStruck(notes[next]?.index ?? null);
    list.current?.querySelectorAll("button")[next]?.focus();
  }, [count]);
  if (!arrangement) return null;
  if (!shown)
    return (
      <p className="leading-snug">
        The right hand does not play the melody here.{" "}
        <LinkButton onClick={onMelody} high={8}>
          Put it on the staff
        </LinkButton>
      </p>
    );
  const choose = (index: number) => {
    setStruck(index);
    sound.strike(index);
  };
  const walk = (event: React.KeyboardEvent) => {
    if (
      event.altKey ||
      event.shiftKey ||
      event.ctrlKey ||
      event.metaKey ||
      (event.key !== "ArrowLeft" && event.key !== "ArrowRight")
    )
      return;
    const here = notes.findIndex(({ index }) => index === struck);
    const next = notes[Math.max(0, Math.min(notes.length - 1, here + (event.key === "ArrowLeft" ? -1 : 1)))];
    if (next) choose(next.index);
    event.preventDefault();
  };
  return (
    <div className="grid gap-2">
      <p className="text-quiet leading-snug">
        Press a note on the staff or here, then change it; on the staff it can be dragged up and down, and the keyboard
        below names its key.
      </p>
      {/* biome-ignore lint/a11y/useSemanticElements: a list of notes that the arrow keys walk through, with changes by keys */}
      <div
        ref={list}
        role="group"
        aria-label="The tune, note by note"
        onKeyDown={(event) => {
          walk(event);
          if (event.key === "Delete" || event.key === "Backspace")
            deleted.current = notes.findIndex(({ index }) => index === struck);
          pressed(event, edit);
        }}
        className="flex max-h-60 flex-wrap gap-x-0.5 overflow-auto"
      >
        {notes.slice(0, MOST_SHOWN).map(({ stroke, index }, at) => {
          const bar = arrangement.bars[stroke.bar];
          const name = stroke.notes.at(-1)?.name ?? "";
          return (
            <span key={index} className="flex items-baseline">
              {notes[at - 1]?.stroke.bar !== stroke.bar && (
                <span className="pr-0.5 pl-1 text-[0.82rem] text-quiet">{bar?.number}</span>
              )}
              <button
                type="button"
                aria-pressed={struck === index}
                aria-label={`${name}, ${lengthName(stroke.written.ticks)}, bar ${bar?.number}`}
                tabIndex={struck === index || (struck === null && at === 0) || (!chosen && at === 0) ? 0 : -1}
                ref={(button) => {
                  if (struck === index && button?.parentElement?.parentElement?.contains(document.activeElement))
                    button.focus();
                }}
                onClick={() => choose(index)}
                className={`min-h-8 min-w-8 rounded-plank px-1 font-serif ${struck === index ? "bg-wash font-semibold text-accent" : ""}`}
              >
                {name}
              </button>
            </span>
          );
        })}
        {notes.length === 0 && (
          <p className="leading-snug">
            No melody in these bars.{" "}
            <LinkButton onClick={onFirst} high={8}>
              Put a first note in bar {arrangement.bars[selection[0]]?.number}
            </LinkButton>
          </p>
        )}
        {notes.length > MOST_SHOWN && (
          <p className="text-quiet">and {notes.length - MOST_SHOWN} more; take fewer bars.</p>
        )}
      </div>
      <p className="text-quiet leading-snug">
        ↑ ↓ by the key's notes, with Alt by semitones, with Shift by octaves. The full stop is longer, the comma
        shorter. Shift ← → earlier and later. Insert adds a note behind it, Delete takes it out, Ctrl Z brings it back.
      </p>
    </div>
  );
}

/** What can be done with the chosen note, under the staff. */
export function TuneTools({ edit }: { edit: TuneEdit }) {
  const { arrangement } = useArranged();
  const { struck } = useMarked();
  const stroke = edit.place && struck !== null ? arrangement?.strokes[struck] : undefined;
  return (
    <fieldset onKeyDown={(event) => pressed(event, edit)} className="mt-1 border-line border-b pb-2">
      <legend className="sr-only">Change the chosen note</legend>
      <p className="flex items-baseline gap-3 leading-snug">
        {stroke ? (
          <span>
            <span className="font-semibold font-serif text-lg">{stroke.notes.at(-1)?.name}</span>,{" "}
            {lengthName(stroke.written.ticks)}
          </span>
        ) : (
          <span className="text-quiet">Choose a note of the tune to change it.</span>
        )}
        <span role="status" className="text-accent">
          {edit.says}
        </span>
      </p>
      <div className="flex flex-wrap gap-1">
        {CHANGES.map(({ note, label, says: hint }) => (
          <button
            key={note}
            type="button"
            disabled={!stroke}
            title={hint}
            onClick={() => edit.change(note)}
            className="min-h-9 min-w-9 rounded-plank border border-line bg-sheet px-1.5 text-[0.95rem] disabled:text-quiet"
          >
            {label}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
