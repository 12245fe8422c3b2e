import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { requestOf } from "../../api/asking";
import { api, type ChartView, type EasyKey, type KeyNotes, type Refused, take } from "../../api/client";
import { Score } from "../../score/Score";
import { useShown, useWork } from "../../song/desk";
import { CheckField } from "../../ui/CheckField";
import { LinkButton } from "../../ui/LinkButton";
import { keyName } from "../../ui/words";
import { SimplifyDialog } from "./SimplifyDialog";
import { SingersKey } from "./SingersKey";
import type { Degrees, Sheet } from "./useSheet";
import { useTranspose } from "./useTranspose";

const TONICS = ["C", "D♭", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"];
const PANEL =
  "absolute top-full left-6 z-30 max-w-[calc(100%-2rem)] rounded-plank border border-grain bg-sheet p-4 shadow-none max-md:left-3";

/** Above the sheet: what it shows, the key and its notes, another key, plainer chords. */
export function Tools({
  chart,
  sheet,
  degrees,
  setDegrees,
  words,
  setWords,
  tune,
  setTune,
}: {
  chart: ChartView;
  sheet: Sheet;
  degrees: Degrees;
  setDegrees: (degrees: Degrees) => void;
  words: boolean;
  setWords: (on: boolean) => void;
  /** Whether the melody is shown; null where there is none. */
  tune: boolean | null;
  setTune: (on: boolean) => void;
}) {
  const [simplify, setSimplify] = useState(false);
  const guesses = sheet.bars.filter((bar) => bar.guessed).length;
  const worded = sheet.bars.some((bar) => bar.words.length > 0);
  return (
    <div className="relative flex flex-wrap items-center gap-x-5 border-line border-b px-6 py-1 max-md:px-3">
      <label className="flex items-center gap-2">
        <span className="text-quiet">Degrees</span>
        <select
          value={degrees}
          onChange={(event) => setDegrees(event.target.value as Degrees)}
          className="h-9 rounded-plank border border-line bg-sheet px-1.5"
        >
          <option value="roman">Roman</option>
          <option value="numbers">numbers</option>
          <option value="none">off</option>
        </select>
      </label>
      {worded && (
        <CheckField on={words} onTurn={setWords}>
          words
        </CheckField>
      )}
      {tune !== null && (
        <CheckField on={tune} onTurn={setTune}>
          tune
        </CheckField>
      )}
      <Popover>
        <PopoverButton className="min-h-9 underline decoration-dotted underline-offset-4">Another key ▾</PopoverButton>
        <PopoverPanel data-over className={`${PANEL} w-[27rem]`}>
          {({ close }) => <OtherKey chart={chart} sheet={sheet} onDone={() => close()} />}
        </PopoverPanel>
      </Popover>
      <Popover>
        <PopoverButton className="min-h-9 underline decoration-dotted underline-offset-4">
          The singer's key ▾
        </PopoverButton>
        <PopoverPanel data-over className={`${PANEL} w-[30rem]`}>
          {({ close }) => <SingersKey sheet={sheet} onDone={() => close()} />}
        </PopoverPanel>
      </Popover>
      <Popover>
        <PopoverButton className="min-h-9 underline decoration-dotted underline-offset-4">
          Notes of the key ▾
        </PopoverButton>
        <PopoverPanel data-over className={`${PANEL} w-[30rem]`}>
          {({ close }) => (
            <>
              <KeyPanel name={chart.key} />
              <p className="mt-2">
                <LinkButton strong onClick={() => close()}>
                  Close
                </LinkButton>
              </p>
            </>
          )}
        </PopoverPanel>
      </Popover>
      <button
        type="button"
        onClick={() => setSimplify(true)}
        className="min-h-9 underline decoration-dotted underline-offset-4"
      >
        Plainer chords
      </button>
      {guesses > 0 && (
        <span className="flex items-center gap-2">
          <span className="font-semibold text-accent">
            {guesses} guessed {guesses === 1 ? "bar" : "bars"}
          </span>
          <LinkButton strong onClick={() => sheet.edit({ kind: "confirmGuesses" })}>
            All are right
          </LinkButton>
        </span>
      )}
      <SimplifyDialog open={simplify} onClose={() => setSimplify(false)} sheet={sheet} />
    </div>
  );
}

function OtherKey({ chart, sheet, onDone }: { chart: ChartView; sheet: Sheet; onDone: () => void }) {
  const { desk, asked } = useWork();
  const transpose = useTranspose(sheet);
  const minor = chart.mode === "minor" || chart.mode === "dorian";
  const suffix = chart.mode === "minor" ? "m" : chart.mode === "major" ? "" : ` ${chart.mode}`;
  const easy = useQuery<EasyKey[], Refused>({
    queryKey: ["easiest", asked],
    queryFn: ({ signal }) =>
      take(
        api.POST("/api/arrangements/easiest-keys", { signal, body: requestOf({ ...asked, chart: desk.draft.chart }) }),
      ),
    retry: false,
  });
  return (
    <div>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="h-11 flex-1 rounded-plank border border-line"
          onClick={() => transpose({ semitones: -1 })}
        >
          a semitone down <kbd className="text-quiet">[</kbd>
        </button>
        <button
          type="button"
          className="h-11 flex-1 rounded-plank border border-line"
          onClick={() => transpose({ semitones: 1 })}
        >
          a semitone up <kbd className="text-quiet">]</kbd>
        </button>
      </div>
      <p className="mt-3 text-quiet">To a key, the shortest way:</p>
      <div className="mt-1 grid grid-cols-6 gap-1">
        {TONICS.map((tonic) => (
          <button
            key={tonic}
            type="button"
            onClick={() => transpose({ key: tonic + suffix }).then(onDone)}
            aria-current={chart.key === tonic + suffix}
            className="h-10 rounded-plank border border-line font-serif aria-[current=true]:border-accent"
          >
            {tonic}
            {minor ? "m" : ""}
          </button>
        ))}
      </div>
      <p className="mt-3 text-quiet">Easiest for this left hand, measured:</p>
      <ul>
        {(easy.data ?? []).slice(0, 4).map((each) => (
          <li key={each.key}>
            <button
              type="button"
              onClick={() => transpose({ semitones: each.semitones }).then(onDone)}
              className="flex min-h-10 w-full items-baseline gap-3 px-1 text-left hover:bg-wash"
            >
              <span className="w-16 font-semibold font-serif text-lg">{each.key}</span>
              <span className="text-[0.92rem] text-quiet">{reason(each)}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function reason(key: EasyKey): string {
  const signs =
    key.signs === 0
      ? "no signs"
      : `${Math.abs(key.signs)} ${key.signs > 0 ? "sharp" : "flat"}${Math.abs(key.signs) > 1 ? "s" : ""}`;
  const basses =
    key.blackRoots === 0
      ? "no bass on a black key"
      : `${Math.round(key.blackRoots * 100)} % of the time the bass is a black key`;
  const way = key.semitones === 0 ? "where it is" : `${Math.abs(key.semitones)} ${key.semitones > 0 ? "up" : "down"}`;
  return `difficulty ${Math.round(key.difficulty)}; ${signs}, ${basses}; ${way}`;
}

/** Relative and parallel, and the notes on staff and keyboard. */
function KeyPanel({ name }: { name: string }) {
  const { setShown } = useShown();
  const [at, setAt] = useState(name);
  const [notes, setNotes] = useState<"scale" | "pentatonic">("scale");
  const key = useQuery<KeyNotes, Refused>({
    queryKey: ["key", at],
    queryFn: () => take(api.GET("/api/keys", { params: { query: { name: at } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const score = useQuery<string, Refused>({
    queryKey: ["key-score", at, notes],
    queryFn: () =>
      take(
        api.GET("/api/keys/score", { params: { query: { name: at, notes } }, parseAs: "text" }) as unknown as Promise<{
          data?: string;
          response: Response;
        }>,
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const tones = notes === "scale" ? key.data?.scale : key.data?.pentatonic;
  useEffect(() => {
    setShown(tones ?? null);
    return () => setShown(null);
  }, [tones, setShown]);
  if (!key.data) return <p className="text-quiet">{key.isError ? key.error.message : "Reading the key …"}</p>;
  const kin = [
    { label: "This song's key", key: name },
    { label: "Relative", key: key.data.relative },
    { label: "Parallel", key: key.data.parallel },
  ];
  return (
    <div>
      <h3 className="text-lg">{keyName(key.data.key, key.data.mode)}</h3>
      <p>
        {kin
          .filter((each) => each.key !== at)
          .map((each) => (
            <span key={each.label} className="mr-4">
              <span className="text-quiet">{each.label}: </span>
              <LinkButton strong onClick={() => setAt(each.key)}>
                {each.key}
              </LinkButton>
            </span>
          ))}
      </p>
      <div className="mt-1 flex gap-4">
        {(["scale", "pentatonic"] as const).map((each) => (
          <label key={each} className="flex min-h-9 items-center gap-1.5">
            <input
              type="radio"
              name="key-notes"
              checked={notes === each}
              onChange={() => setNotes(each)}
              className="size-4 accent-(--accent)"
            />
            {each === "scale" ? "its scale" : "five safe notes (pentatonic)"}
          </label>
        ))}
      </div>
      <p className="mb-2 font-serif text-lg">{tones?.map((tone) => tone.name.replace(/-?\d+$/, "")).join("  ")}</p>
      <Score
        xml={score.data}
        label={`${notes === "scale" ? "Scale" : "Pentatonic"} of ${at}`}
        lit={[]}
        onStroke={() => undefined}
      />
    </div>
  );
}
