import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { api, type Hands, type Measures, type Measuring, Refused, type TryKeys, take } from "../../api/client";
import { useHands, useMeasuring } from "../../api/queries";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { Mark } from "../../ui/Mark";
import { Scheme } from "../../ui/Scheme";
import { Toggle } from "../../ui/Toggle";
import { type Measured, Ruler } from "./Ruler";
import { useHandsDraft } from "./useHandsDraft";

type Side = "left" | "right";
type Way = NonNullable<Measures["tenths"]>;

const WAYS: { value: Way; label: string; reason: string }[] = [
  { value: "roll", label: "Roll it", reason: "The bass a moment before the beat, the top on it." },
  {
    value: "pedal",
    label: "Catch it with the pedal",
    reason: "The bass first, held by the pedal; without one it is rolled.",
  },
  { value: "omit", label: "Leave the top out", reason: "Only what the hand holds." },
  { value: "play", label: "Play it all the same", reason: "Never force a stretch." },
];

const MEASURED: { what: Measured; name: string; field: "spanMm" | "thumbIndexMm" | "indexLittleMm" }[] = [
  { what: "whole", name: "Thumb to little finger", field: "spanMm" },
  { what: "thumbIndex", name: "Thumb to index", field: "thumbIndexMm" },
  { what: "indexLittle", name: "Index to little finger", field: "indexLittleMm" },
];

const WIDTHS = [
  { value: "164.5", label: "Full size, octave 164.5 mm" },
  { value: "152", label: "Narrow, octave 152 mm" },
  { value: "141", label: "Narrower, octave 141 mm" },
];

/** Whose hands play, measured on keys as large as they are, and what they play on. */
export function MyHands() {
  const [search] = useSearchParams();
  const back = search.get("back") ?? "/";
  const hands = useHands();
  const measuring = useMeasuring();
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState("");
  const inUse = hands.data?.find((each) => each.inUse);
  const run = async (work: () => Promise<unknown>) => {
    setTrouble("");
    try {
      await work();
    } catch (error) {
      setTrouble(error instanceof Refused ? error.message : String(error));
    }
    await queries.invalidateQueries({ queryKey: ["hands"] });
  };
  const add = () =>
    run(() =>
      take(
        api.POST("/api/hands", {
          body: {
            name: hands.data?.length ? `Hands ${hands.data.length + 1}` : "My hands",
            measures: {
              left: { spanMm: measuring.data?.usualMm ?? 201 },
              right: { spanMm: measuring.data?.usualMm ?? 201 },
            },
          },
        }),
      ),
    );
  return (
    <div className="flex min-h-full flex-col">
      <header className="flex min-h-[3.75rem] flex-wrap items-center gap-x-4 border-line border-b px-5 max-md:px-3">
        <Link to="/" aria-label="Repertoire" className="flex h-11 items-center">
          <Mark />
        </Link>
        <h1 className="text-2xl">My hands</h1>
        <Link
          to={back.startsWith("/") ? back : "/"}
          className="flex h-11 items-center text-accent underline underline-offset-4"
        >
          {back === "/" ? "to the repertoire" : "back to the song"}
        </Link>
        <span className="ml-auto">
          <Scheme />
        </span>
      </header>
      <main className="grid flex-1 grid-cols-[minmax(0,1fr)_16.5rem] grid-rows-[auto_1fr] max-md:block">
        <section
          aria-label="Whose hands"
          className="col-span-2 flex flex-wrap items-center gap-x-6 gap-y-1 border-line border-b px-6 py-2 max-md:px-4"
        >
          <h2 className="text-lg">Whose</h2>
          <ul className="flex flex-wrap gap-x-5">
            {(hands.data ?? []).map((each) => (
              <li key={each.id} className="flex items-center">
                <Toggle
                  onClick={() =>
                    run(() => take(api.POST("/api/hands/{id}/use", { params: { path: { id: each.id } } })))
                  }
                  on={each.inUse}
                  className="min-h-11 text-left"
                >
                  {each.name}
                  <span className="block text-[0.86rem] text-quiet">
                    {Math.round(each.measures.left?.spanMm ?? 201)} and {Math.round(each.measures.right?.spanMm ?? 201)}{" "}
                    mm
                    {each.inUse ? ", in use" : ""}
                  </span>
                </Toggle>
                <button
                  type="button"
                  aria-label={`Delete ${each.name}`}
                  onClick={() => run(() => take(api.DELETE("/api/hands/{id}", { params: { path: { id: each.id } } })))}
                  className="size-9 text-quiet"
                >
                  ×
                </button>
              </li>
            ))}
          </ul>
          <button
            type="button"
            onClick={add}
            className="h-10 rounded-plank border border-line bg-plank px-3 font-semibold"
          >
            {hands.data?.length ? "Measure another pair" : "Measure my hands"}
          </button>
          {trouble && (
            <p role="alert" className="border-accent border-l-4 bg-wash px-2 py-1">
              {trouble}
            </p>
          )}
        </section>
        {hands.isError && (
          <p className="col-span-2 p-6 text-lg">
            {hands.error.message} Songs are fitted to a usual hand of 201 mm meanwhile.
          </p>
        )}
        {hands.isSuccess && !inUse && (
          <div className="col-span-2 px-6 py-6">
            <p className="max-w-xl text-lg">
              {hands.data.length === 0
                ? "No hands are measured yet. Until they are, every song is fitted to a hand that spans 201 mm from thumb to little finger, on a full-size piano with a pedal."
                : "None of these is in use: press one. Until then a hand of 201 mm is taken."}
            </p>
          </div>
        )}
        {inUse && measuring.data && <Pair key={inUse.id} kept={inUse} measuring={measuring.data} />}
      </main>
    </div>
  );
}

function Pair({ kept, measuring }: { kept: Hands; measuring: Measuring }) {
  const draft = useHandsDraft(kept);
  const [side, setSide] = useState<Side>("left");
  const [what, setWhat] = useState<Measured>("whole");
  const { measures } = draft;
  const hand = measures[side] ?? { spanMm: measuring.usualMm };
  const instrument = measures.instrument ?? {};
  const field = MEASURED.find((each) => each.what === what)?.field ?? "spanMm";
  const set = (name: "spanMm" | "thumbIndexMm" | "indexLittleMm", mm: number | undefined) => {
    const next = { ...hand, [name]: mm };
    // Inner fingers never open further than the whole hand.
    for (const inner of ["thumbIndexMm", "indexLittleMm"] as const)
      if ((next[inner] ?? 0) > next.spanMm) next[inner] = next.spanMm;
    draft.change({
      measures: {
        ...measures,
        [side]: Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)) as typeof next,
      },
    });
  };
  const limits = what === "whole" ? [measuring.smallestMm, measuring.largestMm] : [40, hand.spanMm];
  const mm = hand[field] ?? (what === "whole" ? measuring.usualMm : Math.round((hand.spanMm * 2) / 3));
  const measure = (value: number) => set(field, Math.min(limits[1] ?? 300, Math.max(limits[0] ?? 40, value)));
  const tries: TryKeys[] = measuring[what];
  const tenths = WAYS.find((way) => way.value === (measures.tenths ?? "roll"));
  const octaves = WAYS.find((way) => way.value === (measures.octaves ?? "roll"));
  return (
    <>
      <section aria-label="Measure" className="min-w-0 px-6 py-3 max-md:px-4">
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <label className="grid">
            <span className="text-quiet">Name</span>
            <input
              value={draft.name}
              maxLength={80}
              onChange={(event) => draft.change({ name: event.target.value })}
              className="h-10 w-44 rounded-plank border border-line bg-sheet px-2.5 font-semibold"
            />
          </label>
          <fieldset className="flex gap-1">
            <legend className="text-quiet">Which hand</legend>
            {(["left", "right"] as const).map((each) => (
              <button
                key={each}
                type="button"
                aria-pressed={side === each}
                onClick={() => setSide(each)}
                className={`h-10 rounded-plank border px-4 ${side === each ? "border-accent bg-wash font-semibold text-accent" : "border-line bg-sheet"}`}
              >
                {each}
              </button>
            ))}
          </fieldset>
          <button
            type="button"
            onClick={() => draft.change({ measures: { ...measures, left: { ...hand }, right: { ...hand } } })}
            className="h-10 text-accent underline underline-offset-4"
          >
            both alike
          </button>
          <p
            role="status"
            className={`ml-auto ${draft.state === "refused" ? "font-semibold text-accent" : "text-quiet"}`}
          >
            {draft.state === "kept" ? "kept" : draft.state === "keeping" ? "keeping …" : `not kept: ${draft.why}`}
          </p>
        </div>
        <div className="mt-3 flex flex-wrap gap-x-6 gap-y-2">
          {MEASURED.map((each) => (
            <label
              key={each.what}
              className={`border-b-2 pb-1 ${what === each.what ? "border-accent" : "border-transparent"}`}
            >
              <span className={what === each.what ? "font-semibold text-accent" : "text-quiet"}>{each.name}</span>
              <span className="flex items-baseline gap-1.5">
                <input
                  type="number"
                  inputMode="numeric"
                  min={each.what === "whole" ? measuring.smallestMm : 40}
                  max={each.what === "whole" ? measuring.largestMm : hand.spanMm}
                  value={hand[each.field] ?? ""}
                  placeholder={String(Math.round((hand.spanMm * 2) / 3))}
                  aria-label={`${each.name}, ${side} hand, in millimetres`}
                  onFocus={() => setWhat(each.what)}
                  onChange={(event) => {
                    setWhat(each.what);
                    const typed = event.target.value === "" ? undefined : Number(event.target.value);
                    if (each.field !== "spanMm" || typed !== undefined) set(each.field, typed);
                  }}
                  className="h-11 w-20 rounded-plank border border-line bg-sheet px-2 font-serif text-2xl"
                />
                mm
              </span>
            </label>
          ))}
        </div>
        <p className="mt-2 text-quiet">
          Lay the {side} hand on the keys below, open but not forced, and move the marks to the two tips; or say what
          you can just hold; or type it.
        </p>
        <div className="mt-2">
          <Ruler measuring={measuring} side={side} what={what} mm={mm} onMeasure={measure} />
        </div>
        <fieldset className="mt-3">
          <legend className="font-semibold">
            The widest of these that you can just hold,{" "}
            {MEASURED.find((each) => each.what === what)?.name.toLowerCase()}
          </legend>
          <div className="mt-1 flex flex-wrap gap-1">
            {tries.map((each) => (
              <button
                key={each.interval}
                type="button"
                aria-pressed={Math.abs(mm - each.mm) < 0.6}
                onClick={() => measure(Math.ceil(each.mm))}
                className={`min-h-11 rounded-plank border px-3 text-left leading-tight ${Math.abs(mm - Math.ceil(each.mm)) < 0.6 ? "border-accent bg-wash text-accent" : "border-line bg-sheet"}`}
              >
                {each.interval}
                <span className="block text-[0.86rem] text-quiet">
                  {each.lowName}–{each.highName}, {each.mm.toFixed(0)} mm
                </span>
              </button>
            ))}
          </div>
        </fieldset>
        <p className="mt-3 border-accent border-l-4 bg-wash px-3 py-1.5 leading-snug">
          <strong>Take care of your hands.</strong> A tenth is not worth an injury: no forced stretch, wrist low and
          loose, roll it instead. Rest after 20 to 30 minutes. Stop at pain, numbness or tingling and see a doctor or
          physiotherapist; ask a teacher about technique. Keep headphones moderate. Estimates, not medical advice.
        </p>
      </section>
      <section aria-label="What you play on" className="border-line border-l px-5 py-3">
        <h2 className="text-lg">What is too wide</h2>
        <div className="mt-1 grid gap-2">
          <Choice
            label="A tenth"
            value={measures.tenths ?? "roll"}
            options={WAYS}
            reason={tenths?.reason}
            onChange={(value) => draft.change({ measures: { ...measures, tenths: value } })}
          />
          <Choice
            label="An octave"
            value={measures.octaves ?? "roll"}
            options={WAYS}
            reason={octaves?.reason}
            onChange={(value) => draft.change({ measures: { ...measures, octaves: value } })}
          />
        </div>
        <h2 className="mt-4 text-lg">My instrument</h2>
        <div className="mt-1 grid gap-2">
          <Choice
            label="Keys"
            value={String(instrument.keys ?? 88)}
            options={measuring.sizes.map((keys) => ({ value: String(keys), label: `${keys} keys` }))}
            reason="Arrangements stay on them."
            onChange={(value) =>
              draft.change({ measures: { ...measures, instrument: { ...instrument, keys: Number(value) } } })
            }
          />
          <Choice
            label="Width of its keys"
            value={String(instrument.octaveMm ?? measuring.octaveMm)}
            options={WIDTHS}
            reason="On narrow keys a hand reaches further."
            onChange={(value) =>
              draft.change({ measures: { ...measures, instrument: { ...instrument, octaveMm: Number(value) } } })
            }
          />
          <CheckField
            on={instrument.pedal ?? true}
            onTurn={(on) => draft.change({ measures: { ...measures, instrument: { ...instrument, pedal: on } } })}
          >
            it has a sustaining pedal
          </CheckField>
        </div>
      </section>
    </>
  );
}
