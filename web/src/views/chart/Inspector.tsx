import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, type ReadingByEar, type Refused, take, type WrittenBar, type WrittenChord } from "../../api/client";
import { useArranged, useShown, useSound, useWork } from "../../song/desk";
import { playing } from "../../sound/playing";
import { Chord } from "../../ui/Chord";
import { isTaken } from "../../ui/keys";
import { LinkButton } from "../../ui/LinkButton";
import type { Sheet } from "./useSheet";

const ROLES: Record<string, string> = {
  own: "of the key",
  "secondary-dominant": "secondary dominant",
  "flat-second": "♭II for V",
  borrowed: "borrowed from the parallel key",
  "passing-diminished": "passing diminished",
  other: "from outside the key",
};

const WHY: Record<string, string> = {
  quality: "other quality",
  relative: "relative",
  borrowed: "borrowed",
  bass: "other bass",
  dominant: "dominant of the next",
  suspended: "suspended",
};

/** What the chosen chord means, and its likely readings to be heard in place. */
export function Inspector({ sheet }: { sheet: Sheet }) {
  const bar = sheet.chosen ? sheet.bars[sheet.chosen[0]] : undefined;
  const chord = bar?.chords[Math.min(sheet.chord, bar.chords.length - 1)];
  if (!bar || !chord || !sheet.chosen)
    return (
      <p className="py-2 text-quiet">
        Choose a bar on the sheet: type its chords, drag them to another beat, or hear what else they could be.
      </p>
    );
  const many = sheet.chosen[1] > sheet.chosen[0];
  return (
    <div className="min-h-0">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-lg">
          {many ? `Bars ${bar.number}–${sheet.bars[sheet.chosen[1]]?.number}` : `Bar ${bar.number}`}
        </h3>
        <BarActions bar={bar} sheet={sheet} />
      </div>
      {!many && <ChordFacts chord={chord} bar={bar} sheet={sheet} />}
      {!many && chord.degree && <Ear key={`${bar.bar}.${sheet.chord}`} bar={bar} chord={chord} sheet={sheet} />}
    </div>
  );
}

function BarActions({ bar, sheet }: { bar: WrittenBar; sheet: Sheet }) {
  const [from, to] = sheet.chosen ?? [bar.bar, bar.bar];
  const acts: { name: string; title: string; act: () => void; off?: boolean }[] = [
    {
      name: "insert",
      title: "A bar before this one (Insert)",
      act: () => sheet.edit({ kind: "insert", bar: from, content: "" }),
    },
    { name: "delete", title: "Take out (Delete)", act: () => sheet.edit({ kind: "delete", bar: from, to }) },
    {
      name: "copy",
      title: "Once more behind (Ctrl+D)",
      act: () => sheet.edit({ kind: "copy", bar: from, to, before: to + 1 }),
    },
    { name: "← move", title: "One bar earlier (Alt+←)", act: () => moveBars(sheet, -1), off: from === 0 },
    {
      name: "move →",
      title: "One bar later (Alt+→)",
      act: () => moveBars(sheet, 1),
      off: to === sheet.bars.length - 1,
    },
    {
      name: "join",
      title: "Put this bar and the next into one (J)",
      act: () => sheet.edit({ kind: "join", bar: from }),
      off: from + 1 >= sheet.bars.length,
    },
  ];
  return (
    <span className="flex flex-wrap gap-x-2.5">
      {acts.map((each) => (
        <button
          key={each.name}
          type="button"
          title={each.title}
          disabled={each.off}
          onClick={each.act}
          className="min-h-8 text-[0.95rem] underline decoration-dotted underline-offset-4"
        >
          {each.name}
        </button>
      ))}
    </span>
  );
}

/** The chosen bars one place earlier or later; they stay chosen. */
export async function moveBars(sheet: Sheet, by: number): Promise<void> {
  if (!sheet.chosen) return;
  const [from, to] = sheet.chosen;
  if (from + by < 0 || to + by >= sheet.bars.length) return;
  // They are chosen where they will be at once, so that the next key moves them on, however slowly this one is
  // answered.
  sheet.choose(from + by, to + by);
  if (!(await sheet.edit({ kind: "move", bar: from, to, before: by < 0 ? from - 1 : to + 2 }))) sheet.choose(from, to);
}

function ChordFacts({ chord, bar, sheet }: { chord: WrittenChord; bar: WrittenBar; sheet: Sheet }) {
  const { doubles, setDoubles } = useShown();
  const doubled = chord.tones.some((tone) => /𝄫|𝄪/u.test(tone));
  if (!chord.degree)
    return (
      <p className="text-quiet">{chord.symbol === "N.C." ? "No chord here." : "This cannot be read as a chord."}</p>
    );
  const slash = chord.symbol.includes("/") && !chord.symbol.endsWith("6/9");
  return (
    <p className="leading-snug">
      <span className="font-semibold text-[1.1rem]">
        <Chord symbol={chord.symbol} />
      </span>{" "}
      is <span className="font-semibold">{chord.degree}</span> ({chord.numbers}), {ROLES[chord.role] ?? chord.role}:{" "}
      {chord.tones.join(" ")}.{" "}
      {(doubled || doubles === "simple") && (
        <>
          <LinkButton strong onClick={() => setDoubles(doubled ? "simple" : "thirds")}>
            {doubled ? "Write double flats and sharps simply" : "Spell by thirds"}
          </LinkButton>{" "}
        </>
      )}
      {slash && `Left hand ${chord.bass} alone, right hand ${chord.tones.join(" ")}. `}
      {chord.otherName && (
        <>
          Also called <Chord symbol={chord.otherName} />.{" "}
        </>
      )}
      {chord.movement !== null &&
        (chord.common.length > 0
          ? `Shares ${chord.common.join(" ")} with the next chord; its voices move ${chord.movement} ${chord.movement === 1 ? "semitone" : "semitones"}.`
          : `Shares nothing with the next chord; its voices move ${chord.movement} ${chord.movement === 1 ? "semitone" : "semitones"}.`)}
      {chord.respelled && (
        <>
          {" "}
          In this key it is written <Chord symbol={chord.respelled} />.{" "}
          <LinkButton
            strong
            onClick={() =>
              sheet.edit({
                kind: "replaceChords",
                changes: [{ bar: bar.bar, chord: sheet.chord, symbol: chord.respelled as string }],
              })
            }
          >
            Write it so
          </LinkButton>
        </>
      )}
    </p>
  );
}

/** By ear: each likely reading at one key, heard in place between its neighbours; nothing is kept until it is. */
function Ear({ bar, chord, sheet }: { bar: WrittenBar; chord: WrittenChord; sheet: Sheet }) {
  const { desk } = useWork();
  const { arrangement } = useArranged();
  const { trial, setTrial } = useShown();
  const sound = useSound();
  const [written, setWritten] = useState(chord.symbol);
  useEffect(() => {
    if (trial === null) setWritten(chord.symbol);
  }, [trial, chord.symbol]);
  const [open, setOpen] = useState(false);
  const [heard, setHeard] = useState<number | null>(null);
  const [starting, setStarting] = useState(false);
  const text = desk.draft.chart;
  const readings = useQuery<ReadingByEar[], Refused>({
    queryKey: ["readings", text, bar.bar, sheet.chord],
    queryFn: () => take(api.POST("/api/charts/readings", { body: { text, bar: bar.bar, chord: sheet.chord } })),
    enabled: open,
    retry: false,
  });
  const all = useMemo(() => readings.data ?? [], [readings.data]);
  const close = useCallback(() => {
    setTrial(null);
    setHeard(null);
    setOpen(false);
  }, [setTrial]);
  const hear = useCallback(
    (index: number | null) => {
      setHeard(index);
      setTrial(index === null ? null : (all[index]?.text ?? null));
      const played = bar.played[0] ?? 0;
      sheet.loop(played - 1, played + 1);
      if (!playing.head().playing) setStarting(true);
    },
    [all, bar.played, setTrial, sheet],
  );
  // The first sound is the reading itself, not what stood there before it was laid out.
  const wanted = heard === null ? written : all[heard]?.symbol;
  const laid = arrangement?.bars[bar.played[0] ?? 0]?.chords[sheet.chord]?.symbol;
  useEffect(() => {
    if (!starting || laid !== wanted) return;
    setStarting(false);
    sound.toggle();
  }, [starting, laid, wanted, sound]);
  const { setListening } = sheet;
  useEffect(() => {
    setListening(open);
    return () => setListening(false);
  }, [open, setListening]);
  const keep = useCallback(() => {
    const chosen = heard === null ? undefined : all[heard];
    if (chosen) sheet.put(chosen.text);
    setHeard(null);
    setOpen(false);
  }, [all, heard, sheet]);

  // A digit that comes before the readings do is heard as soon as they are there.
  const [queued, setQueued] = useState<number | null>(null);
  useEffect(() => {
    if (queued === null || all.length === 0) return;
    setQueued(null);
    if (queued < all.length) hear(queued);
  }, [queued, all.length, hear]);
  const latest = useRef({ all, open, heard, hear, keep, close });
  latest.current = { all, open, heard, hear, keep, close };
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const now = latest.current;
      if (isTaken(event) || event.ctrlKey || event.altKey || event.metaKey) return;
      const digit = /^[0-9]$/.test(event.key) ? Number(event.key) : null;
      if (event.key === "e") now.open ? now.close() : setOpen(true);
      else if (!now.open) return;
      else if (digit === 0) now.hear(null);
      else if (digit !== null && digit <= now.all.length) now.hear(digit - 1);
      else if (digit !== null && now.all.length === 0) setQueued(digit - 1);
      else if (event.key === "Enter" && now.heard !== null) now.keep();
      else if (event.key === "Escape") now.close();
      else return;
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    window.addEventListener("keydown", press, true);
    return () => window.removeEventListener("keydown", press, true);
  }, []);
  useEffect(() => () => setTrial(null), [setTrial]);

  if (!open)
    return (
      <LinkButton strong onClick={() => setOpen(true)}>
        What else could <Chord symbol={chord.symbol} /> be? Hear it (E)
      </LinkButton>
    );
  return (
    <fieldset className="mt-1">
      <legend className="text-quiet">
        By ear: a key hears it in place, Enter keeps it, Escape leaves it as it was.
      </legend>
      {readings.isError && <p>{readings.error.message}</p>}
      <div className="flex flex-wrap gap-1.5 pt-1">
        <EarButton
          digit={0}
          symbol={written}
          why="as written"
          on={trial === null && heard === null}
          onClick={() => hear(null)}
        />
        {all.map((reading, index) => (
          <EarButton
            key={reading.symbol}
            digit={index + 1}
            symbol={reading.symbol}
            why={WHY[reading.why] ?? reading.why}
            on={heard === index}
            onClick={() => hear(index)}
          />
        ))}
      </div>
      <div className="flex gap-4">
        {heard !== null && (
          <LinkButton strong onClick={keep}>
            Keep {all[heard]?.symbol}
          </LinkButton>
        )}
        <LinkButton strong onClick={close}>
          Leave it
        </LinkButton>
      </div>
    </fieldset>
  );
}

function EarButton({
  digit,
  symbol,
  why,
  on,
  onClick,
}: {
  digit: number;
  symbol: string;
  why: string;
  on: boolean;
  onClick: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={`Hear ${symbol}, ${why}, key ${digit}`}
      onClick={onClick}
      className={`flex min-h-11 items-baseline gap-1.5 rounded-plank border px-2 py-0.5 text-left ${on ? "border-accent bg-wash" : "border-line bg-sheet"}`}
    >
      <span className="font-semibold text-accent">{digit}</span>
      <span>
        <span className="block text-[1.1rem] leading-tight">
          <Chord symbol={symbol} />
        </span>
        <span className="block text-[0.82rem] text-quiet leading-tight">{why}</span>
      </span>
    </button>
  );
}
