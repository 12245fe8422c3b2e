/** A line of a page: its picture, and what it says of turning. */
export type Block = {
  svg: string;
  /** In the pixels the page is laid out in. */
  height: number;
  /** Bars by index as they are played, both included; −1 for a heading. */
  first: number;
  last: number;
  section: string;
  opens: boolean;
  /** What it costs to turn the page behind it: 0 where a hand is free. */
  turn: number;
};

export type Page = { blocks: (Block & { top: number })[]; first: number; last: number };

/** What it costs to leave this share of a page empty, and to begin one more. */
const EMPTY = 3;
const ANOTHER = 12;
/** And to turn inside of a section. */
const INSIDE = 1.5;

/**
 * The lines on pages: each page as full as can be, turned where it does the least harm; what is higher than a page has
 * one of its own.
 */
export function paginate(blocks: Block[], height: number, gap: number): Page[] {
  const best: { cost: number; from: number }[] = [{ cost: 0, from: 0 }];
  for (let to = 1; to <= blocks.length; to++) {
    let found = { cost: Number.POSITIVE_INFINITY, from: to - 1 };
    let sum = 0;
    for (let from = to - 1; from >= 0; from--) {
      sum += (blocks[from]?.height ?? 0) + (from < to - 1 ? gap : 0);
      if (sum > height && from < to - 1) break;
      const heading = blocks[to - 1]?.first === -1 && to < blocks.length;
      const empty = to === blocks.length ? 0 : EMPTY * Math.max(0, 1 - sum / height) ** 2 * 4;
      const turn =
        to === blocks.length ? 0 : heading ? 1000 : (blocks[to - 1]?.turn ?? 0) + (blocks[to]?.opens ? 0 : INSIDE);
      const cost = (best[from]?.cost ?? 0) + ANOTHER + empty + turn;
      if (cost < found.cost) found = { cost, from };
    }
    best[to] = found;
  }
  const pages: Page[] = [];
  for (let to = blocks.length; to > 0; ) {
    const from = best[to]?.from ?? 0;
    pages.unshift(laid(blocks.slice(from, to), gap));
    to = from;
  }
  return pages;
}

function laid(blocks: Block[], gap: number): Page {
  let top = 0;
  const placed = blocks.map((block) => {
    const here = { ...block, top };
    top += block.height + gap;
    return here;
  });
  const bars = blocks.filter((block) => block.first >= 0);
  return { blocks: placed, first: bars[0]?.first ?? 0, last: bars.at(-1)?.last ?? 0 };
}

/** The page a bar stands on. */
export const pageOfBar = (pages: Page[], bar: number): number =>
  Math.max(
    0,
    pages.findIndex((page) => bar <= page.last),
  );

/** How high a picture is at a width. */
export function heightOf(svg: string, width: number): number {
  const box = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg);
  return box ? (Number(box[2]) / Number(box[1])) * width : 0;
}
