import { useState } from "react";
import type { Figure } from "../../api/client";
import { type Step, StepLine } from "../../steps/StepLine";

/** The figure book as cards: the step line is the picture. One press tries a figure, while it plays too. */
export function Figures({
  figures,
  chosen,
  meter,
  onChoose,
}: {
  figures: Figure[];
  chosen: string | undefined;
  meter: string;
  onChoose: (id: string) => void;
}) {
  const [onlyFitting, setOnlyFitting] = useState(false);
  const shown = figures.filter(
    (figure) => !onlyFitting || figure.meters[0] === meter || (figure.meters[0] !== "3/4" && figure.meters.includes(meter)),
  );
  return (
    <section
      aria-label="Figures"
      className="flex min-h-0 flex-col border-line border-r max-md:order-last max-md:shrink-0 max-md:border-t max-md:border-r-0"
    >
      <div className="flex items-baseline justify-between px-5 pt-2 pb-1">
        <h2 className="text-lg">Figures</h2>
        <label className="flex min-h-8 items-center gap-1.5 text-quiet">
          <input
            type="checkbox"
            checked={onlyFitting}
            onChange={(event) => setOnlyFitting(event.target.checked)}
            className="size-4 accent-(--accent)"
          />
          made for {meter}
        </label>
      </div>
      <ul className="min-h-0 flex-1 overflow-auto max-md:flex">
        {shown.map((figure) => {
          const floor = figure.strokes.find((bar) => bar.meter === meter) ?? figure.strokes[0];
          const active = figure.id === chosen;
          return (
            <li key={figure.id} className="border-line border-b max-md:w-60 max-md:shrink-0">
              <button
                type="button"
                aria-pressed={active}
                onClick={() => onChoose(figure.id)}
                className={`block w-full border-l-4 px-4 pt-1 pb-0.5 text-left ${active ? "border-accent bg-wash" : "border-transparent"}`}
              >
                <span className="block font-semibold leading-tight">{figure.name}</span>
                <span className="block text-[0.86rem] text-quiet leading-tight">
                  {figure.family} · {figure.minTempo}–{figure.maxTempo} · level {figure.level}
                </span>
                {floor && (
                  <StepLine
                    barTicks={floor.barTicks}
                    beatTicks={floor.beatTicks}
                    steps={floor.strokes as Step[]}
                    label={`${figure.use} Step line in ${floor.meter}.`}
                  />
                )}
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
