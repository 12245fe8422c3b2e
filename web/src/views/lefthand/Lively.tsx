import type { Arrangement, Choices } from "../../api/client";
import { spiced } from "../../song/scope";

/** What a lively player does otherwise in the taken bars: kept or left plain at a press. */
export function Lively({
  bars,
  selection,
  choices,
  onChange,
}: {
  bars: Arrangement["bars"];
  selection: [number, number];
  choices: Choices;
  onChange: (choices: Choices) => void;
}) {
  const own = choices.spices ?? [];
  const said = own.map((each) => ({ spice: each.split("@")[0] ?? "", bar: Number(each.split("@")[1]) }));
  const here = bars
    .slice(selection[0], selection[1] + 1)
    .filter((bar, at, all) => all.findIndex((other) => other.number === bar.number) === at);
  const lively = here.filter((bar) => bar.choices.spice);
  const plain = said.filter((each) => each.spice === "plain" && here.some((bar) => bar.number === each.bar));
  if (lively.length === 0 && plain.length === 0)
    return <p className="text-[0.92rem] text-quiet">Nothing is played otherwise in these bars.</p>;
  return (
    <ul aria-label="Played otherwise" className="grid">
      {lively.map((bar) => {
        const kept = said.some((each) => each.bar === bar.number && each.spice === bar.choices.spice?.id);
        return (
          <li key={bar.number} className="border-line border-t py-1 leading-snug">
            <span className="font-semibold">Bar {bar.number}: </span>
            {bar.choices.spice?.name}
            {kept ? ", kept" : ""} – <span className="text-quiet">{bar.choices.spice?.use}.</span>{" "}
            <button type="button" className={PRESS} onClick={() => onChange(spiced(choices, bar.number, "plain"))}>
              leave it plain
            </button>{" "}
            <button
              type="button"
              className={PRESS}
              onClick={() => onChange(spiced(choices, bar.number, kept ? undefined : bar.choices.spice?.id))}
            >
              {kept ? "let it go" : "keep it"}
            </button>
          </li>
        );
      })}
      {plain.map((each) => (
        <li key={each.bar} className="border-line border-t py-1 leading-snug">
          <span className="font-semibold">Bar {each.bar}: </span>left plain.{" "}
          <button type="button" className={PRESS} onClick={() => onChange(spiced(choices, each.bar, undefined))}>
            let it be lively
          </button>
        </li>
      ))}
    </ul>
  );
}

const PRESS = "mr-3 min-h-8 text-accent underline underline-offset-4";
