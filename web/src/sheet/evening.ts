import type { Asked } from "../api/asking";
import { api, type Measures, type SetItem, type SetItemOf, type Tonight, take } from "../api/client";
import { fetchArrangement, fetchChart, fetchForm } from "../api/sheet";
import type { Block } from "./blocks";
import { beginsOf, type Stand } from "./stand";
import { type Layout, sheetBlocks } from "./useSheet";

/** A song of an evening as it is played that night: in its key, its arrangement, its tempo. */
export const tonightOf = (item: SetItem): Promise<Tonight> => take(api.POST("/api/sets/tonight", { body: item }));

/** Its pages for the stand or for paper; a signal stops it between lines. */
export async function standOf(
  each: SetItemOf,
  hand: Measures | undefined,
  layout: Layout,
  signal?: AbortSignal,
): Promise<Stand> {
  const { chart: text, choices, tempo } = await tonightOf(each.item);
  const asked: Asked = { chart: text, choices, hand, figures: [] };
  const [arrangement, chart, form] = await Promise.all([
    fetchArrangement(asked),
    fetchChart(asked.chart),
    fetchForm(asked),
  ]);
  const bpm = tempo ?? arrangement.tempo.bpm;
  const blocks: Block[] = [];
  for await (const { block } of sheetBlocks(asked, arrangement, chart, form, { ...layout, bpm }, signal))
    blocks.push(block);
  signal?.throwIfAborted();
  return {
    song: each.item.song ?? "",
    title: arrangement.title,
    kind: layout.kind,
    width: layout.width,
    space: layout.space,
    blocks,
    sections: form.sections,
    begins: beginsOf(arrangement).map((ms) => (ms * arrangement.tempo.bpm) / bpm),
    bpm,
  };
}
