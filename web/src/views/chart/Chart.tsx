import { useRef } from "react";
import type { ChartView, Problem } from "../../api/client";
import { useDesk } from "../../song/desk";
import { Chord } from "../../ui/Chord";
import { beatSign, keyName, plain } from "../../ui/words";
import { offsetOf, pieces } from "./marks";

/** The chart's text on one side, the sheet it makes on the other, both live. */
export function Chart() {
  const { desk, chart, chartError, sound, selection, select, arrangement } = useDesk();
  const problems = chartError ? chartError.problems : (chart?.problems ?? []);
  const field = useRef<HTMLTextAreaElement>(null);
  const show = (problem: Problem) => {
    if (!field.current || problem.line === null || problem.column === null) return;
    const from = offsetOf(desk.draft.chart, problem.line, problem.column);
    field.current.focus();
    field.current.setSelectionRange(from, from + Math.max(1, problem.length ?? 1));
  };
  return (
    <div className="grid h-full grid-cols-[minmax(22rem,2fr)_3fr] max-md:block max-md:overflow-auto">
      <section aria-label="Chart text" className="flex min-h-0 flex-col border-line border-r px-5 py-3 max-md:border-r-0 max-md:px-3">
        <h2 className="text-lg">Text</h2>
        <Editor text={desk.draft.chart} problems={problems} field={field} onChange={(text) => desk.change({ chart: text }, "typing")} />
        <Problems problems={problems} error={chartError && chartError.problems.length === 0 ? chartError.message : null} onShow={show} />
      </section>
      <section aria-label="Sheet" className="min-h-0 overflow-auto px-6 py-3 max-md:px-3">
        {chart ? (
          <Sheet
            chart={chart}
            stale={Boolean(chartError)}
            playing={sound.head.playing ? sound.head.bar : -1}
            selection={arrangement ? selection : [-1, -1]}
            onBar={(index) => select(index, index)}
          />
        ) : chartError ? (
          <p className="mt-10 max-w-md text-lg">
            The sheet appears here as soon as one bar can be read, such as | C | on a line of its own.
          </p>
        ) : (
          <p className="text-quiet">Reading …</p>
        )}
      </section>
    </div>
  );
}

function Editor({
  text,
  problems,
  field,
  onChange,
}: {
  text: string;
  problems: Problem[];
  field: React.RefObject<HTMLTextAreaElement | null>;
  onChange: (text: string) => void;
}) {
  const backdrop = useRef<HTMLDivElement>(null);
  const face = "absolute inset-0 m-0 whitespace-pre-wrap break-words px-3 py-2 font-sans text-[1.12rem] leading-[1.7] [tab-size:4]";
  return (
    <div className="relative mt-1 min-h-72 flex-1 rounded-plank border border-grain bg-sheet">
      <div ref={backdrop} aria-hidden="true" className={`${face} overflow-hidden text-transparent`}>
        {pieces(text, problems).map((piece, index) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: the pieces have no name but their place
            key={index}
            className={
              piece.problem ? `border-b-[3px] ${piece.problem.severity === "error" ? "border-accent bg-wash" : "border-grain"}` : undefined
            }
          >
            {piece.text}
          </span>
        ))}
        {"\n"}
      </div>
      <textarea
        ref={field}
        value={text}
        onChange={(event) => onChange(event.target.value)}
        onScroll={(event) => {
          if (backdrop.current) backdrop.current.scrollTop = event.currentTarget.scrollTop;
        }}
        spellCheck={false}
        autoCapitalize="off"
        autoCorrect="off"
        aria-label="Chart text"
        aria-invalid={problems.some((problem) => problem.severity === "error")}
        aria-describedby="chart-problems"
        className={`${face} h-full w-full resize-none bg-transparent`}
      />
    </div>
  );
}

function Problems({ problems, error, onShow }: { problems: Problem[]; error: string | null; onShow: (problem: Problem) => void }) {
  return (
    <div id="chart-problems" role="status" className="mt-2 max-h-48 shrink-0 overflow-auto">
      {error && <p className="border-accent border-l-4 bg-wash px-3 py-2">{error}</p>}
      {problems.length === 0 && !error && <p className="py-2 text-quiet">Every sign could be read. The question mark above lists them.</p>}
      <ul>
        {problems.map((problem) => (
          <li key={`${problem.line}.${problem.column}.${problem.code}`}>
            <button
              type="button"
              onClick={() => onShow(problem)}
              className={`my-0.5 block min-h-10 w-full border-l-4 px-3 py-1.5 text-left ${problem.severity === "error" ? "border-accent bg-wash" : "border-grain"}`}
            >
              <span className="font-semibold">
                Line {problem.line}, column {problem.column}:
              </span>{" "}
              {problem.message}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Sheet({
  chart,
  stale,
  playing,
  selection,
  onBar,
}: {
  chart: ChartView;
  stale: boolean;
  playing: number;
  selection: [number, number];
  onBar: (index: number) => void;
}) {
  let meter = "";
  return (
    <article className={stale ? "opacity-60" : undefined}>
      <h2 className="text-[1.9rem] leading-tight">{chart.title}</h2>
      <p className="text-quiet">
        {keyName(chart.key, chart.mode)}
        {chart.keyGiven ? "" : ", found from the chords"} · {chart.meter} · {plain(chart.tempo.bpm)} {beatSign(chart.tempo.beatTicks)}s a
        minute · {chart.feel}
      </p>
      {chart.sections.map((section, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two sections may have one name
        <section key={at} className="mt-4">
          {section.name && <h3 className="mb-1 text-lg">{section.name}</h3>}
          <ol className="grid grid-cols-4 gap-y-1.5 max-sm:grid-cols-2">
            {section.bars.map((bar) => {
              const newMeter = bar.meter !== meter;
              meter = bar.meter;
              const chosen = bar.index >= selection[0] && bar.index <= selection[1];
              return (
                <li key={bar.index} className="border-ink border-l-2 last:border-r-2 [&:nth-child(4n)]:border-r-2">
                  <button
                    type="button"
                    onClick={() => onBar(bar.index)}
                    aria-label={`Bar ${bar.number}: ${bar.chords.map((chord) => chord.symbol).join(", ")}`}
                    aria-pressed={chosen}
                    className={`relative block h-[4.4rem] w-full px-1.5 pt-0.5 text-left ${playing === bar.index ? "bg-wash" : ""}`}
                  >
                    <span className="flex justify-between text-[0.8rem] text-quiet leading-none">
                      <span>{bar.number}</span>
                      {newMeter && <span className="font-semibold text-ink">{bar.meter}</span>}
                    </span>
                    <span className="relative mt-0.5 block h-12">
                      {bar.chords.map((chord, index) => (
                        <span
                          // biome-ignore lint/suspicious/noArrayIndexKey: the same chord may stand twice in a bar
                          key={index}
                          className="absolute top-0"
                          style={{ left: `${((chord.beat - 1) / bar.chords.reduce((sum, each) => sum + each.beats, 0)) * 100}%` }}
                        >
                          <span
                            className={`block leading-tight ${bar.chords.length > 2 ? "text-base" : bar.chords.length > 1 ? "text-[1.15rem]" : "text-[1.45rem]"}`}
                          >
                            {chord.degree || chord.symbol === "N.C." ? (
                              <Chord symbol={chord.symbol} />
                            ) : (
                              <span className="font-serif text-accent line-through">{chord.symbol}</span>
                            )}
                          </span>
                          <span className="block text-[0.86rem] text-quiet leading-tight">{chord.degree}</span>
                        </span>
                      ))}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
        </section>
      ))}
    </article>
  );
}
