import { useState } from "react";
import { requestOf } from "../../api/asking";
import { api, type Colour, type ColourBook, take } from "../../api/client";
import { useWork } from "../../song/desk";
import { movedDraft } from "../../song/moved";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { choose, withoutColour } from "./colours";

const AMOUNTS = ["a little", "some", "much", "rich"];

/** Style and amount for the whole song, and all that is kept, each with its place. */
export function Kept({
  book,
  style,
  onStyle,
  onBar,
  bars,
  taken,
}: {
  book: ColourBook | undefined;
  style: string;
  onStyle: (style: string) => void;
  onBar: (number: number) => void;
  /** The bars that are taken, by index as played; undefined for all. */
  bars: { from: number; to: number } | undefined;
  /** What they are called. */
  taken: string;
}) {
  const { desk, asked } = useWork();
  const [amount, setAmount] = useState(2);
  const [said, setSaid] = useState("");
  const [asks, setAsks] = useState(false);
  const kept = desk.draft.choices.colours ?? [];
  const change = (colours: Colour[]) => desk.change({ choices: choose(desk.draft.choices, colours) });
  const whole = async () => {
    setSaid("");
    try {
      const { choices } = await take(
        api.POST("/api/colours/song", {
          body: { ...requestOf(asked), choices: desk.draft.choices, style, amount, ...(bars ?? {}) },
        }),
      );
      const colours = choices.colours ?? [];
      change(colours);
      setSaid(colours.length > 0 ? "" : "Nothing here asks for it. Take more of it, or another style.");
    } catch (error) {
      setSaid(error instanceof Error ? error.message : String(error));
    }
  };
  /**
   * What is heard one time only cannot stand in a bar that is played again: the person says whether the repeats are to
   * be written out.
   */
  const needsRepeats = kept.some((each) => each.pass !== undefined);
  const write = (repeats: "as-they-are" | "written-out") => {
    setAsks(false);
    return desk
      .edit(async (draft) => {
        const written = await take(
          api.POST("/api/colours/write", {
            params: { query: { repeats } },
            body: { ...requestOf(asked), chart: draft.chart, choices: draft.choices },
          }),
        );
        setSaid(
          written.left > 0
            ? `${written.left === 1 ? "One colour stays" : `${written.left} colours stay`} with the arrangement: a chart says the same every time its bar is played.`
            : "",
        );
        if (repeats === "as-they-are") return { chart: written.chart, choices: written.choices };
        const moved = movedDraft(
          { choices: { ...draft.choices, colours: undefined }, others: draft.others },
          written.moved,
        );
        return { chart: written.chart, ...moved, choices: choose(moved.choices, written.choices.colours ?? []) };
      })
      .catch((error) => setSaid(error instanceof Error ? error.message : String(error)));
  };
  return (
    <section
      aria-label="The whole song"
      className="min-h-0 overflow-auto border-line border-r px-4 py-3 max-md:border-r-0"
    >
      <h2 className="text-lg">The whole song</h2>
      <div className="mt-2 grid gap-2">
        <Choice
          label="Style"
          value={style}
          options={[
            { value: "", label: "Any style" },
            ...(book?.styles ?? []).map((each) => ({ value: each.id, label: each.text })),
          ]}
          onChange={onStyle}
        />
        <Choice
          label="Amount"
          value={String(amount)}
          options={AMOUNTS.map((label, at) => ({ value: String(at + 1), label }))}
          onChange={(value) => setAmount(Number(value))}
        />
        <button
          type="button"
          disabled={!style}
          onClick={() => void whole()}
          className="min-h-11 rounded-plank bg-ink px-3 font-semibold text-sheet disabled:bg-plank disabled:text-quiet"
        >
          {style ? `Colour ${bars ? taken : "the song"}` : "Choose a style first"}
        </button>
        {said && (
          <p role="status" className="leading-snug">
            {said}
          </p>
        )}
      </div>
      <div className="mt-4 flex items-baseline justify-between">
        <h3 className="font-serif text-lg">Kept{kept.length > 0 ? `, ${kept.length}` : ""}</h3>
        {kept.length > 0 && (
          <LinkButton onClick={() => change([])} high={8}>
            plain again
          </LinkButton>
        )}
      </div>
      {kept.length > 0 && (
        <LinkButton
          onClick={() => (needsRepeats ? setAsks(true) : void write("as-they-are"))}
          title="The chart takes these chords; undo brings the borrowed ones back"
          high={8}
        >
          write them into the chart
        </LinkButton>
      )}
      {asks && (
        <div
          role="alertdialog"
          aria-label="Write the repeats out?"
          className="mt-1 grid justify-items-start border-accent border-l-4 pl-2 leading-snug"
        >
          <p>Some are heard one time only. For them every repeat has to be written out, bar by bar.</p>
          <LinkButton onClick={() => void write("written-out")} high={8} strong>
            write the repeats out
          </LinkButton>
          <LinkButton onClick={() => void write("as-they-are")} high={8}>
            leave those with the arrangement
          </LinkButton>
          <LinkButton onClick={() => setAsks(false)} high={8}>
            Cancel
          </LinkButton>
        </div>
      )}
      {kept.length === 0 ? (
        <p className="mt-1 text-quiet leading-snug">
          Nothing yet: the song is played as it was borrowed. What you keep is yours; the chart stays.
        </p>
      ) : (
        <ol aria-label="Kept colours">
          {kept.map((colour) => (
            <li
              key={`${colour.bar}.${colour.pass ?? 0}.${colour.tick}.${colour.rule}`}
              className="flex items-start gap-2 border-line border-t py-1"
            >
              <button type="button" onClick={() => onBar(colour.bar)} className="min-h-8 flex-1 text-left leading-snug">
                <span className="font-semibold">
                  Bar {colour.bar}
                  {colour.pass ? `, time ${colour.pass}` : ""}.
                </span>{" "}
                {book?.rules.find((rule) => rule.id === colour.rule)?.name ?? colour.rule}
              </button>
              <LinkButton
                onClick={() => change(withoutColour(kept, colour))}
                aria-label={`Drop the colour of bar ${colour.bar}`}
                high={8}
                className="px-1"
              >
                drop
              </LinkButton>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
