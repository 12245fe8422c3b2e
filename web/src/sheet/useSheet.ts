import { useEffect, useState } from "react";
import type { Asked } from "../api/asking";
import type { Arrangement, Bar, ChartView, FormOf, SheetLine } from "../api/client";
import { fetchLines, fetchScore, type Parts } from "../api/sheet";
import { engraveLine, naturalWidth } from "../score/engraver";
import type { FingersShown } from "../score/fingers";
import { beatSign, keyName, plain } from "../ui/words";
import { type Block, heightOf } from "./blocks";
import { chartLine, formLine, heading, minutes, named } from "./drawn";

/** What stands on the page. */
export const KINDS = [
  { id: "both", name: "Both hands" },
  { id: "lead-left", name: "Tune and left hand" },
  { id: "left", name: "Left hand" },
  { id: "chart", name: "Chords and words" },
  { id: "form", name: "The form" },
] as const;
export type Kind = (typeof KINDS)[number]["id"];

/** How a sheet is laid out; sizes in pixels. */
export type Layout = {
  kind: Kind;
  width: number;
  space: number;
  perLine: number;
  fingers: FingersShown;
  degrees: boolean;
  bpm?: number | undefined;
};

export type Sheet = {
  blocks: Block[];
  done: number;
  of: number;
  error: string | null;
  asked: Asked | null;
  layout: Layout;
};

/** Four bars a line where they have room. */
const USUAL = 4;
/** So many lines are shown at a time while the rest is laid. */
const FEW = 8;
/** A line is pressed together by so much before it has fewer bars. */
const TIGHT = 1.12;

const words = (chart: ChartView | undefined): ((bar: Bar) => string) => {
  const verses = new Map<number, string[]>();
  for (const section of chart?.written ?? [])
    for (const bar of section.bars) if (bar.words.length > 0) verses.set(bar.number, bar.words);
  return (bar) => {
    const own = bar.part === "intro" ? undefined : verses.get(bar.number);
    return own?.[Math.min(bar.round, own.length) - 1] ?? "";
  };
};

/** What is said under the title. */
export const underTitle = (arrangement: Arrangement, ms: number | null, bpm = arrangement.tempo.bpm): string =>
  [
    keyOf(arrangement.key),
    arrangement.bars[0]?.meter ?? "",
    `${beatSign(arrangement.tempo.beatTicks)} = ${plain(bpm)}`,
    arrangement.feel === "straight" ? "" : arrangement.feel,
    ms === null ? "" : minutes((ms * arrangement.tempo.bpm) / bpm),
  ]
    .filter((each) => each !== "")
    .join(" · ");

const keyOf = (key: string): string => (key.includes(" ") ? key : keyName(key, key.endsWith("m") ? "minor" : "major"));

/** How many bars a line has: four, or fewer where the densest would be pressed too much. */
async function barsALine(asked: Asked, arrangement: Arrangement, layout: Layout, parts: Parts): Promise<number> {
  if (layout.perLine > 0) return layout.perLine;
  const lines = await fetchLines(asked, USUAL);
  const busy = (line: SheetLine) =>
    arrangement.strokes.filter((stroke) => stroke.bar >= line.first && stroke.bar <= line.last).length;
  const densest = [...lines].sort((one, other) => busy(other) - busy(one))[0];
  if (!densest) return USUAL;
  const natural = await naturalWidth(
    await fetchScore(asked, densest.first, densest.last, layout.fingers, parts, layout.degrees),
    layout.space,
  );
  const bars = densest.last - densest.first + 1;
  return natural <= layout.width * TIGHT
    ? USUAL
    : (natural / bars) * 3 <= layout.width * TIGHT
      ? 3
      : (natural / bars) * 2 <= layout.width * TIGHT
        ? 2
        : 1;
}

/** Whether a line goes on in the metre of the one before, which is not written again then. */
const sameMeter = (arrangement: Arrangement, line: SheetLine): boolean =>
  line.first > 0 &&
  arrangement.bars.slice(line.first - 1, line.last + 1).every((bar, _, all) => bar.meter === all[0]?.meter);

/** Lines of a sheet one after another, each handed on as soon as it is there. */
export async function* sheetBlocks(
  asked: Asked,
  arrangement: Arrangement,
  chart: ChartView | undefined,
  form: FormOf | undefined,
  layout: Layout,
  signal?: AbortSignal,
): AsyncGenerator<{ block: Block; of: number }> {
  const { kind, width, space } = layout;
  const head = heading(arrangement.title, underTitle(arrangement, form?.ms ?? null, layout.bpm), width, space);
  if (kind === "form") {
    const sections = form?.sections ?? [];
    const most = Math.max(1, ...sections.map((section) => section.bars));
    yield { block: head, of: sections.length + 1 };
    for (const section of sections) yield { block: formLine(section, most, width, space), of: sections.length + 1 };
    return;
  }
  const parts: Parts = kind === "chart" ? "both" : kind;
  const perLine = kind === "chart" ? layout.perLine || USUAL : await barsALine(asked, arrangement, layout, parts);
  const lines = await fetchLines(asked, perLine);
  const of = lines.length + 1;
  yield { block: head, of };
  const said = words(chart);
  for (const line of lines) {
    if (signal?.aborted) return;
    if (kind === "chart") {
      yield { block: chartLine(arrangement, line, perLine, width, space, said, layout.degrees), of };
      continue;
    }
    const xml = await fetchScore(asked, line.first, line.last, layout.fingers, parts, layout.degrees, signal);
    const engraved = await engraveLine(
      sameMeter(arrangement, line) ? xml.replaceAll("<time>", '<time print-object="no">') : xml,
      width,
      space,
    );
    if (engraved.error || !engraved.svg) throw new Error("A line could not be engraved.");
    const block = {
      svg: engraved.svg,
      height: heightOf(engraved.svg, width),
      first: line.first,
      last: line.last,
      section: line.section,
      opens: line.opens,
      turn: line.turn,
    };
    yield { block: named(block, line, width, space), of };
  }
}

/**
 * The lines of a sheet; the last ones stay until the new ones are there.
 *
 * @param layout the same object for the same layout
 */
export function useSheet(
  asked: Asked,
  arrangement: Arrangement | undefined,
  chart: ChartView | undefined,
  form: FormOf | undefined,
  layout: Layout,
): Sheet {
  const [sheet, setSheet] = useState<Sheet>({ blocks: [], done: 0, of: 0, error: null, asked: null, layout });
  useEffect(() => {
    if (!arrangement || !form || layout.width <= 0) return;
    const stop = new AbortController();
    void (async () => {
      const blocks: Block[] = [];
      try {
        for await (const { block, of } of sheetBlocks(asked, arrangement, chart, form, layout, stop.signal)) {
          if (stop.signal.aborted) return;
          blocks.push(block);
          const all = blocks.length === of;
          // A long song shows what is there already the first time it is laid.
          const some = blocks.length % FEW === 0;
          setSheet((before) => ({
            ...before,
            blocks: all || (some && before.asked === null) ? [...blocks] : before.blocks,
            done: blocks.length,
            of,
            error: null,
            ...(all ? { asked, layout } : {}),
          }));
        }
      } catch (error) {
        if (!stop.signal.aborted)
          setSheet((before) => ({ ...before, error: error instanceof Error ? error.message : String(error) }));
      }
    })();
    return () => stop.abort();
  }, [asked, arrangement, chart, form, layout]);
  return sheet;
}
