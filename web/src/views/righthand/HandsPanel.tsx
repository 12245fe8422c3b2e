import type { Bar, RightHand } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";

const MENDED: Record<string, string> = {
  "left-thinned": "the left hand leaves out what would run into the right",
  "left-revoiced": "the left hand takes another tone over its bass",
  "left-lowered": "the left hand goes an octave down",
  "right-raised": "the right hand goes an octave up",
};
const KEPT: Record<string, string> = {
  "same-key": "both hands want one key",
  crossed: "the right hand lies below the left",
  "too-close": "closer than a minor third, and low",
};

/**
 * How the hands meet in the chosen bars: the count with who strikes on it, and how room was made where they would have
 * run together.
 */
export function HandsPanel({
  bars,
  selection,
  right,
  onChange,
}: {
  bars: Bar[];
  selection: [number, number];
  right: RightHand;
  onChange: (right: RightHand) => void;
}) {
  const here = bars.slice(selection[0], selection[1] + 1);
  const met = here.filter((bar) => bar.meeting);
  const elsewhere = bars.filter(
    (bar) =>
      (bar.index < selection[0] || bar.index > selection[1]) &&
      bar.meeting &&
      (bar.meeting.mended.length > 0 || bar.meeting.kept.length > 0),
  );
  const asTheyAre = right.asTheyAre ?? [];
  if (met.length === 0)
    return (
      <p className="leading-snug">Only one hand plays here. Give the right hand chords, the melody or a chorus.</p>
    );
  return (
    <div className="grid gap-2">
      <p className="text-quiet leading-snug">Count aloud and tap: L left, R right, LR together.</p>
      <ul aria-label="How the hands meet" className="grid gap-1.5">
        {met.slice(0, MOST_SHOWN).map((bar) => (
          <li
            key={bar.index}
            className={`border-l-4 px-2 leading-snug ${bar.meeting?.kept.length ? "border-accent" : "border-grain"}`}
          >
            <span className="text-quiet">bar {bar.number}</span>
            <span className="flex flex-wrap gap-x-2.5">
              {bar.meeting?.order.split(", ").map((strike) => {
                const [count, hands = ""] = strike.split(" ");
                return (
                  <span key={strike} className="whitespace-nowrap">
                    {count}
                    <sub className={`ml-0.5 font-semibold ${hands === "R" ? "text-(--right)" : ""}`}>{hands}</sub>
                  </span>
                );
              })}
            </span>
            {bar.meeting?.mended.map((way) => (
              <span key={way} className="block text-[0.92rem]">
                To keep apart, {MENDED[way] ?? way}.
              </span>
            ))}
            {bar.meeting?.kept.map((way) => (
              <span key={way} className="block font-semibold text-[0.92rem] text-accent">
                They run together: {KEPT[way] ?? way}.
              </span>
            ))}
            {(bar.meeting?.mended.length || asTheyAre.includes(bar.number)) && (
              <LinkButton
                high={8}
                onClick={() =>
                  onChange({
                    ...right,
                    asTheyAre: asTheyAre.includes(bar.number)
                      ? asTheyAre.filter((each) => each !== bar.number)
                      : [...asTheyAre, bar.number].sort((one, other) => one - other),
                  })
                }
              >
                {asTheyAre.includes(bar.number) ? "keep them apart again" : "leave it as it was"}
              </LinkButton>
            )}
          </li>
        ))}
      </ul>
      {met.length > MOST_SHOWN && (
        <p className="text-quiet">and {met.length - MOST_SHOWN} more; take fewer bars to see them.</p>
      )}
      {elsewhere.length > 0 && (
        <p className="text-quiet leading-snug">
          Room was made in {[...new Set(elsewhere.map((bar) => bar.number))].slice(0, 12).join(", ")} too: bars with ⇅
          above.
        </p>
      )}
    </div>
  );
}

const MOST_SHOWN = 16;
