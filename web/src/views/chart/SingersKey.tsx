import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { requestOf } from "../../api/asking";
import { api, type Refused, type SingersKeyView, take } from "../../api/client";
import { useWork } from "../../song/desk";
import type { Sheet } from "./useSheet";
import { useTranspose } from "./useTranspose";

const VOICES = [
  { id: "high", name: "high voice", low: "C4", high: "G5" },
  { id: "middle", name: "middle voice", low: "A3", high: "E5" },
  { id: "low", name: "low voice", low: "F3", high: "C5" },
  { id: "tenor", name: "man, high", low: "C3", high: "G4" },
  { id: "baritone", name: "man, middle", low: "A2", high: "E4" },
  { id: "bass", name: "man, low", low: "F2", high: "C4" },
] as const;

const PARTS = [
  { semitones: 0, name: "as it sounds" },
  { semitones: 2, name: "written in B♭" },
  { semitones: 9, name: "written in E♭" },
  { semitones: 7, name: "written in F" },
  { semitones: -1, name: "capo on 1" },
  { semitones: -2, name: "capo on 2" },
  { semitones: -3, name: "capo on 3" },
  { semitones: -4, name: "capo on 4" },
  { semitones: -5, name: "capo on 5" },
];

type Voice = { low: string; high: string; part: number };
const KEPT = "zapateo.voice";

function kept(): Voice {
  try {
    const voice = JSON.parse(localStorage.getItem(KEPT) ?? "") as Voice;
    if (typeof voice.low === "string" && typeof voice.high === "string" && typeof voice.part === "number") return voice;
  } catch {
    // Nothing was kept, or not by this page.
  }
  return { low: "A3", high: "E5", part: 0 };
}

/** In which key the melody sits well for whoever has it, and how that lies under the hands. */
export function SingersKey({ sheet, onDone }: { sheet: Sheet; onDone: () => void }) {
  const { desk, asked } = useWork();
  const transpose = useTranspose(sheet);
  const [voice, setVoice] = useState(kept);
  const set = (more: Partial<Voice>) => {
    const next = { ...voice, ...more };
    setVoice(next);
    localStorage.setItem(KEPT, JSON.stringify(next));
  };
  const keys = useQuery<SingersKeyView[], Refused>({
    queryKey: ["singers-key", asked, voice],
    queryFn: () =>
      take(
        api.POST("/api/arrangements/singers-key", {
          body: {
            arrangement: requestOf({ ...asked, chart: desk.draft.chart }),
            voice: { low: voice.low, high: voice.high },
            part: voice.part,
          },
        }),
      ),
    retry: false,
  });
  return (
    <div>
      <label className="flex items-center gap-2">
        <span className="text-quiet">Who has the tune</span>
        <select
          value={VOICES.find((each) => each.low === voice.low && each.high === voice.high)?.id ?? "own"}
          onChange={(event) => {
            const taken = VOICES.find((each) => each.id === event.target.value);
            if (taken) set({ low: taken.low, high: taken.high });
          }}
          className="h-10 flex-1 rounded-plank border border-line bg-sheet px-1.5"
        >
          {VOICES.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}, {each.low} to {each.high}
            </option>
          ))}
          <option value="own">another range</option>
        </select>
      </label>
      <div className="mt-2 flex items-center gap-2">
        <span className="text-quiet">sits well from</span>
        <NoteField label="Lowest note that sits well" value={voice.low} onChange={(low) => set({ low })} />
        <span className="text-quiet">to</span>
        <NoteField label="Highest note that sits well" value={voice.high} onChange={(high) => set({ high })} />
        <select
          aria-label="How the part is written"
          value={voice.part}
          onChange={(event) => set({ part: Number(event.target.value) })}
          className="h-10 flex-1 rounded-plank border border-line bg-sheet px-1.5"
        >
          {PARTS.map((each) => (
            <option key={each.semitones} value={each.semitones}>
              {each.name}
            </option>
          ))}
        </select>
      </div>
      {keys.isError && <p className="mt-2 border-accent border-l-4 bg-wash px-3 py-2">{keys.error.message}</p>}
      {keys.isPending && <p className="mt-2 text-quiet">Measuring twelve keys …</p>}
      <ul aria-label="Keys for this voice, the best first" className="mt-2 max-h-80 overflow-auto">
        {(keys.data ?? []).slice(0, 6).map((each) => (
          <li key={each.key}>
            <button
              type="button"
              onClick={() => transpose({ semitones: each.semitones }).then(onDone)}
              className="flex min-h-11 w-full items-baseline gap-3 px-1 text-left hover:bg-wash"
            >
              <span className="w-14 font-semibold font-serif text-lg">{each.key}</span>
              <span className="text-[0.92rem] text-quiet leading-snug">{fitOf(each)}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[0.92rem] text-quiet leading-snug">
        Long notes and the last count for more. Where the voice feels no difference the key that is easier to play
        stands first.
      </p>
    </div>
  );
}

/** In words: how much sits well, between which notes, in which octave, how it is written and played. */
export function fitOf(key: SingersKeyView): string {
  const octave =
    key.octaves === 0
      ? ""
      : `, ${Math.abs(key.octaves) === 1 ? "an octave" : "two octaves"} ${key.octaves < 0 ? "lower" : "higher"}`;
  const way = key.semitones === 0 ? "where it is" : `${Math.abs(key.semitones)} ${key.semitones > 0 ? "up" : "down"}`;
  const well = key.inside === 1 ? "all of it sits well" : `${Math.round(key.inside * 100)} % sits well`;
  const part = key.part === key.key ? "" : `; the part is in ${key.part}`;
  return `${well}, ${key.lowest} to ${key.highest}${octave}${key.reached ? "" : ", beyond reach"}; ${way}; difficulty ${Math.round(key.difficulty)}${part}`;
}

function NoteField({ label, value, onChange }: { label: string; value: string; onChange: (note: string) => void }) {
  const [text, setText] = useState(value);
  const [from, setFrom] = useState(value);
  if (from !== value) {
    setFrom(value);
    setText(value);
  }
  return (
    <input
      aria-label={label}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => text.trim() !== value && onChange(text.trim())}
      onKeyDown={(event) => event.key === "Enter" && onChange(text.trim())}
      className="h-10 w-16 rounded-plank border border-line bg-ground px-2 font-serif"
    />
  );
}
