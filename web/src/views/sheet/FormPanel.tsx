import { useRef, useState } from "react";
import { requestOf } from "../../api/asking";
import { type Arrangement, api, type Choices, type FormSection, take } from "../../api/client";
import { ChoiceField } from "../../song/ChoiceField";
import { useWork } from "../../song/desk";
import { movedDraft } from "../../song/moved";
import { rowOf, useTable } from "../../song/table";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { Field } from "../../ui/Field";
import { LinkButton } from "../../ui/LinkButton";
import { keyUpOf, open, timesOf, withBreak, withKeyUp, withTimes } from "./form";

/** What the form is made of, beside what its last bars do. */
const BUILT = [
  "intro",
  "introChords",
  "introWaits",
  "times",
  "tags",
  "lastBar",
  "breaks",
  "vamp",
  "keyUp",
  "ritard",
] as const;

/** How the song is built for this once: what comes before it, how often its sections come, what comes behind. */
export function FormPanel({ arrangement, taken }: { arrangement: Arrangement; taken: FormSection | null }) {
  const { desk, asked } = useWork();
  const { choices } = desk.draft;
  const [said, setSaid] = useState("");
  const turn = useRef(0);
  /** Only what was done last says how it went, however late an answer comes. */
  const speaks = () => {
    const mine = ++turn.current;
    return (words: string) => {
      if (mine === turn.current) setSaid(words);
    };
  };
  const table = useTable();
  /** A row's field; what is usual is left open. */
  const field = (id: keyof Choices, put = (value: unknown) => open(choices, id, value as never)) => {
    const row = rowOf(table, "song", id);
    return (
      row && (
        <ChoiceField
          row={row}
          value={choices[id]}
          onChoose={(more) => {
            const value = more[id];
            void change(put(value === false || String(value) === row.usual ? undefined : value));
          }}
        />
      )
    );
  };
  // What cannot be built of this song is said, and the form stays as it was.
  const change = async (next: Choices) => {
    const say = speaks();
    try {
      await take(api.POST("/api/form", { body: { ...requestOf(asked), choices: next } }));
      say("");
      desk.change({ choices: next });
    } catch (error) {
      say(error instanceof Error ? error.message : String(error));
    }
  };
  const built = BUILT.some((name) => choices[name] !== undefined);
  const write = () => {
    const say = speaks();
    return desk
      .edit(async (draft) => {
        const written = await take(
          api.POST("/api/form/write", { body: { ...requestOf(asked), chart: draft.chart, choices: draft.choices } }),
        );
        const moved = movedDraft(
          { choices: { ...written.choices, colours: undefined }, others: draft.others },
          written.moved,
        );
        return {
          chart: written.chart,
          ...moved,
          choices: { ...moved.choices, ...(written.choices.colours ? { colours: written.choices.colours } : {}) },
        };
      })
      .then(() => say("The chart has it all now; undo brings back what it was."))
      .catch((error) => say(error instanceof Error ? error.message : String(error)));
  };
  return (
    <section
      aria-label="Building the form"
      className="min-h-0 overflow-auto border-line border-l px-4 py-3 max-md:border-l-0"
    >
      {taken && taken.part === "chart" && (
        <OfSection section={taken} arrangement={arrangement} choices={choices} change={change} />
      )}
      <h2 className="text-lg">Before the song</h2>
      <div className="mt-1 grid gap-2">
        {field("intro", (value) =>
          value === "own"
            ? { ...choices, intro: "own", introChords: choices.introChords ?? firstChords(arrangement) }
            : open(choices, "intro", value as Choices["intro"]),
        )}
        {choices.intro === "own" && (
          <Field
            labelled
            className="mt-0.5 block w-full font-serif"
            label="Its chords"
            value={choices.introChords ?? ""}
            onTake={(text) => void change({ ...choices, introChords: text })}
          />
        )}
        {choices.intro && field("introWaits")}
      </div>
      <h2 className="mt-4 text-lg">Behind the song</h2>
      <div className="mt-1 grid gap-2">
        {field("tags")}
        {field("close")}
        {field("ending")}
        <Field
          labelled
          className="mt-0.5 block w-full font-serif"
          label="Another last bar"
          value={choices.lastBar ?? ""}
          placeholder="as in  Fm6 . C ."
          onTake={(text) => void change(open(choices, "lastBar", text))}
        />
        {field("ritard")}
      </div>
      <h2 className="mt-4 text-lg">Until told</h2>
      <Field
        labelled
        className="mt-0.5 block w-full font-serif"
        label="Bars that go round"
        value={choices.vamp ?? ""}
        placeholder="as in  5-8"
        onTake={(text) => void change(open(choices, "vamp", text))}
      />
      {built && (
        <div className="mt-4 grid justify-items-start border-line border-t pt-2">
          <LinkButton onClick={() => void write()} title="Every repeat is written out; undo brings the chart back">
            write the form into the chart
          </LinkButton>
          <LinkButton
            onClick={() => {
              void change(
                [...BUILT, "close" as const].reduce<Choices>((kept, name) => open(kept, name, undefined), choices),
              );
            }}
          >
            as in the chart again
          </LinkButton>
        </div>
      )}
      {said && (
        <p role="status" className="mt-1 leading-snug">
          {said}
        </p>
      )}
    </section>
  );
}

function firstChords(arrangement: Arrangement): string {
  return arrangement.bars
    .slice(0, 4)
    .map((bar) => bar.chords.map((chord) => chord.symbol).join(" "))
    .join(" | ");
}

function OfSection({
  section,
  arrangement,
  choices,
  change,
}: {
  section: FormSection;
  arrangement: Arrangement;
  choices: Choices;
  change: (choices: Choices) => Promise<void>;
}) {
  const before = arrangement.bars[section.first - 1];
  const stop =
    before && before.part === "chart"
      ? before.round > 1
        ? `${before.number}@${before.round}`
        : `${before.number}`
      : null;
  return (
    <div className="mb-4 border-accent border-l-4 pl-3">
      <h2 className="text-lg">
        {section.name || "The song"}
        {section.pass > 1 ? `, time ${section.pass}` : ""}
      </h2>
      <div className="mt-1 grid gap-2">
        <Choice
          label="Played"
          value={String(timesOf(choices, section))}
          options={["once", "twice", "three times", "four times", "five times", "six times"].map((label, at) => ({
            value: String(at + 1),
            label,
          }))}
          onChange={(value) => void change(withTimes(choices, section, Number(value)))}
        />
        <Choice
          label="From its last time on"
          value={String(keyUpOf(choices, section))}
          options={[
            { value: "0", label: "the key it has" },
            { value: "1", label: "a semitone up" },
            { value: "2", label: "a tone up" },
            { value: "3", label: "a minor third up" },
            { value: "4", label: "a major third up" },
          ]}
          onChange={(value) => void change(withKeyUp(choices, section, Number(value)))}
        />
        {stop && (
          <CheckField
            large
            on={(choices.breaks ?? []).includes(stop)}
            onTurn={(on) => void change(withBreak(choices, stop, on))}
          >{`A break before it (bar ${before?.number})`}</CheckField>
        )}
      </div>
    </div>
  );
}
