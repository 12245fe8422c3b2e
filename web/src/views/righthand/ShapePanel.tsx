import type { Colour } from "../../api/client";
import { useOneShape } from "../../api/queries";
import { Chord } from "../../ui/Chord";
import { LinkButton } from "../../ui/LinkButton";

/** One shape for the chosen bars, held while the bass moves: what it states of each chord and what it loses. */
export function ShapePanel({
  chart,
  colours,
  bars,
  onHold,
}: {
  chart: string;
  colours?: Colour[] | undefined;
  bars: string;
  onHold: () => void;
}) {
  const shape = useOneShape(chart, bars, colours);
  if (shape.isError) return <p className="leading-snug">{shape.error.message}</p>;
  if (!shape.data) return <p className="text-quiet">Searching …</p>;
  const seen = new Set<string>();
  const over = shape.data.over.filter((each) => !seen.has(each.chord) && seen.add(each.chord));
  return (
    <div className="grid gap-2">
      <p className="leading-snug text-quiet">
        Held over {bars.includes("-") ? `bars ${bars.replace("-", "–")}` : `bar ${bars}`} while the bass moves:
      </p>
      <p className="font-semibold font-serif text-2xl">{shape.data.notes.join(" ")}</p>
      <p className="leading-snug">
        <LinkButton onClick={onHold} high={8} className="text-left">
          Let the right hand hold such shapes
        </LinkButton>
        <span className="text-quiet">, each for as long as it carries the chords, four bars at most.</span>
      </p>
      <ul aria-label="What the shape states" className="grid gap-1.5">
        {over.map((each) => (
          <li key={each.chord} className="border-grain border-l-4 px-2 leading-snug">
            <span className="text-lg">
              <Chord symbol={each.chord} />
            </span>
            <span className="block text-[0.92rem]">states {each.states.join(" ") || "nothing"}</span>
            {each.loses.length > 0 && (
              <span className="block text-[0.92rem] text-quiet">loses {each.loses.join(" ")}</span>
            )}
            {each.adds.length > 0 && (
              <span className="block text-[0.92rem] text-quiet">adds {each.adds.join(" ")}</span>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
