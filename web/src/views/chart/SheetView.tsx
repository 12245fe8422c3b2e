import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import type { ChartView, Fit, WrittenSection } from "../../api/client";
import { beatSign, keyName, plain } from "../../ui/words";
import { BarBox } from "./BarBox";
import { type Degrees, rowsOf, type Sheet } from "./useSheet";

const NONE: Fit["notes"] = [];

/**
 * The sheet as it is read: sections, rows that follow the phrase, repeats, endings, words. Every bar can be chosen,
 * typed into and moved.
 */
export function SheetView({
  chart,
  sheet,
  stale,
  playing,
  degrees,
  words,
  tune,
  coloured,
  typing,
  onType,
}: {
  chart: ChartView;
  sheet: Sheet;
  stale: boolean;
  playing: number;
  degrees: Degrees;
  words: boolean;
  /** The melody by the bar as played; empty where it is not shown. */
  tune: Map<number, Fit["notes"]>;
  /** What is heard instead of a bar's own chords, by the bar as played. */
  coloured: Map<number, string>;
  /** The bar that is typed into, and what it begins with; null for none. */
  typing: { bar: number; text: string } | null;
  onType: (typing: { bar: number; text: string } | null) => void;
}) {
  const regions = new Map(chart.regions.slice(1).map((region) => [region.bar, keyName(region.key, region.mode)]));
  const names = chart.written.map((section) => section.name || "the beginning");
  return (
    <article className={stale ? "opacity-60" : undefined}>
      <h2 className="sr-only">{chart.title}</h2>
      <p className="text-quiet">
        <KeyLine chart={chart} /> · {chart.meter} · {plain(chart.tempo.bpm)} {beatSign(chart.tempo.beatTicks)}s a minute
        · {chart.feel}
        {chart.form.length > 0 && ` · ${chart.form.map((place) => names[place]).join(" – ")}`}
      </p>
      {chart.written.map((section, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two sections may have one name
        <section key={place} aria-label={names[place]} className="mt-2">
          <Heading
            section={section}
            place={place}
            count={chart.written.length}
            again={section.again === null ? "" : (names[section.again] ?? "")}
            sheet={sheet}
          />
          {rowsOf(section.bars).map((row) => (
            <ol
              key={row[0]?.bar}
              className="mb-1.5 grid gap-y-1 max-sm:grid-cols-2!"
              style={{ gridTemplateColumns: `repeat(${Math.max(4, row.length)}, minmax(0, 1fr))` }}
            >
              {row.map((bar, index) => (
                <BarBox
                  key={bar.bar}
                  bar={bar}
                  before={row[index - 1] ?? sheet.bars[bar.bar - 1]}
                  last={index === row.length - 1}
                  region={regions.get(bar.bar)}
                  chosen={sheet.chosen !== null && bar.bar >= sheet.chosen[0] && bar.bar <= sheet.chosen[1]}
                  chord={sheet.chosen?.[0] === bar.bar ? sheet.chord : -1}
                  playing={bar.played.includes(playing)}
                  degrees={degrees}
                  words={words}
                  tune={tune.get(bar.played[0] ?? -1) ?? NONE}
                  coloured={bar.played.map((index) => coloured.get(index)).find(Boolean) ?? ""}
                  typing={typing?.bar === bar.bar ? typing.text : null}
                  sheet={sheet}
                  onType={onType}
                />
              ))}
            </ol>
          ))}
        </section>
      ))}
    </article>
  );
}

function KeyLine({ chart }: { chart: ChartView }) {
  const [first, second] = chart.keys;
  const said = keyName(chart.key, chart.mode);
  if (chart.keyGiven || !first)
    return (
      <span
        title={
          first
            ? `By the chords: ${keyName(first.key, first.mode)}, ${Math.round(first.confidence * 100)} %`
            : undefined
        }
      >
        {said}
      </span>
    );
  return (
    <span>
      {said}, found from the chords ({Math.round(first.confidence * 100)} % sure
      {second ? `; else ${keyName(second.key, second.mode)}` : ""})
    </span>
  );
}

function Heading({
  section,
  place,
  count,
  again,
  sheet,
}: {
  section: WrittenSection;
  place: number;
  count: number;
  again: string;
  sheet: Sheet;
}) {
  const name = section.name || (count > 1 ? "Beginning" : "");
  if (!name) return null;
  const acts = [
    { label: "Copy it below itself", change: "COPY" as const, off: false },
    { label: "Move it earlier", change: "EARLIER" as const, off: place === 0 },
    { label: "Move it later", change: "LATER" as const, off: place === count - 1 },
    { label: "Take it out", change: "DELETE" as const, off: count === 1 },
  ];
  return (
    <div className="flex items-baseline gap-3">
      <h3 className="text-lg leading-8">
        <button
          type="button"
          disabled={section.bars.length === 0}
          onClick={() => sheet.choose(section.firstBar, section.firstBar + section.bars.length - 1)}
          title={`Choose all of ${name}`}
          className="min-h-8 disabled:opacity-100"
        >
          {name}
        </button>
      </h3>
      {section.again !== null && (
        <span className="text-quiet">
          {again} once more{section.bars.length > 0 ? ", but it ends:" : ""}
        </span>
      )}
      <Menu>
        <MenuButton aria-label={`What to do with ${name}`} className="min-h-8 px-2 text-quiet">
          ···
        </MenuButton>
        <MenuItems
          modal={false}
          anchor="bottom start"
          className="z-30 rounded-plank border border-grain bg-sheet py-1 outline-none [--anchor-gap:2px]"
        >
          {acts.map((act) => (
            <MenuItem key={act.change} disabled={act.off}>
              <button
                type="button"
                onClick={() => sheet.edit({ kind: "section", section: place, change: act.change })}
                className="flex min-h-10 w-full items-center px-4 text-left data-disabled:opacity-40 data-focus:bg-wash"
              >
                {act.label}
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
    </div>
  );
}
