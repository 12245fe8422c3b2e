import type { Arrangement, Finding, Judgement } from "../../api/client";

/** As a teacher would say it: what was good first, then the three things to mend, each with its bars to loop. */
export function Result({
  arrangement,
  judged,
  onBars,
}: {
  arrangement: Arrangement;
  judged: Judgement;
  onBars: (from: number, to: number) => void;
}) {
  return (
    <section aria-label="How it went" className="grid gap-0.5 border-ink border-l-4 pl-3 text-[1.08rem] leading-snug">
      <p className="font-semibold">
        {judged.clean ? "Clean." : "Once more."}{" "}
        <span className="font-normal text-quiet">
          {Math.round(judged.right * 100)} of 100 in time
          {judged.delayMs > 30 ? `; your instrument's ${Math.round(judged.delayMs)} ms are taken out` : ""}
        </span>
      </p>
      {judged.hands.length > 0 && <p className="text-[0.95rem] text-quiet">{judged.hands.map(ofHand).join("; ")}.</p>}
      {judged.good.length > 0 && <p className="text-quiet">{judged.good.map((finding) => finding.text).join(" ")}</p>}
      {judged.mend.length > 0 && (
        <ol aria-label="To mend">
          {judged.mend.map((finding) => (
            <li key={finding.code + finding.bars.join()}>
              {finding.text}{" "}
              {finding.bars.length > 0 && (
                <button
                  type="button"
                  onClick={() => loop(arrangement, finding, onBars)}
                  className="text-accent underline underline-offset-4"
                >
                  loop it
                </button>
              )}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

function ofHand({ hand, unevenMs, swing, askedSwing }: Judgement["hands"][number]): string {
  const told =
    swing !== undefined && askedSwing !== undefined && askedSwing > 1.1
      ? `, swings ${swing} to 1 of ${askedSwing}`
      : "";
  return `${hand === "L" ? "Left" : "Right"} hand within ${Math.round(unevenMs)} ms${told}`;
}

function loop(arrangement: Arrangement, finding: Finding, onBars: (from: number, to: number) => void): void {
  const first = finding.bars[0] ?? 0;
  const last = finding.bars.find((bar, at) => (finding.bars[at + 1] ?? 99_999) - bar > 2) ?? first;
  onBars(Math.max(0, first - (first === last && first > 0 ? 1 : 0)), Math.min(arrangement.bars.length - 1, last));
}
