import type { Arrangement, Bar, EveningSet, FormSection, SheetLine } from "../api/client";
import type { Block } from "./blocks";

/**
 * Pages that are written rather than engraved: the chart on planks, the form, headings. Sizes go by the staff's, so
 * that all pages of a stand read alike.
 */
const escaped = (text: string): string =>
  text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;").replace(/"/g, "&quot;");

const svg = (width: number, height: number, inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${round(width)} ${round(height)}">${inside}</svg>`;

const round = (value: number): number => Math.round(value * 10) / 10;

type Written = { size: number; bold?: boolean; italic?: boolean; end?: boolean; quiet?: boolean };

function text(x: number, y: number, words: string, { size, bold, italic, end, quiet }: Written): string {
  const style = `${bold ? ' font-weight="600"' : ""}${italic ? ' font-style="italic"' : ""}${end ? ' text-anchor="end"' : ""}${quiet ? ' class="quiet"' : ""}`;
  return `<text x="${round(x)}" y="${round(y)}" font-size="${round(size)}"${style}>${escaped(words)}</text>`;
}

/** About how wide letters are for their size; what would not fit is written smaller. */
const WIDE = 0.56;
const fitting = (words: string, size: number, room: number): number =>
  Math.min(size, room / Math.max(1, words.length * WIDE));

/** The song's name, and what it is played in. */
export function heading(title: string, under: string, width: number, space: number): Block {
  const size = fitting(title, space * 3.4, width);
  const height = space * 7.5;
  const inside =
    text(0, space * 3.6, title, { size, bold: true }) + text(0, space * 6, under, { size: space * 1.7, quiet: true });
  return { svg: svg(width, height, inside), height, first: -1, last: -1, section: "", opens: false, turn: 1000 };
}

/** The words under a bar: one line of them for each verse, or those of this time. */
export type WordsOf = (bar: Bar) => string;

/**
 * A line of the chart: each bar a plank with a notch for each beat, its chords above where they fall, its words below.
 */
export function chartLine(
  arrangement: Arrangement,
  line: SheetLine,
  perLine: number,
  width: number,
  space: number,
  words: WordsOf,
  degrees: boolean,
): Block {
  const bars = arrangement.bars.slice(line.first, line.last + 1);
  const gap = space * 1.2;
  // A pick-up is as wide as its share of a bar.
  const longest = Math.max(...bars.map((bar) => bar.ticks));
  const shares = bars.map((bar) => Math.max(0.34, bar.ticks / longest));
  const cell =
    (width + gap) /
    Math.max(
      perLine,
      shares.reduce((sum, share) => sum + share, 0),
    );
  let left = 0;
  const top = line.opens && line.section ? space * 3.4 : space * 0.6;
  const plank = top + space * 4.6;
  const sung = bars.some((bar) => words(bar) !== "");
  const pinned = bars.some((bar) => bar.pins.length > 0);
  const height = plank + space * (1.2 + (degrees ? 2 : 0) + (sung ? 2.4 : 0) + (pinned ? 1.8 : 0));
  let inside = line.opens && line.section ? text(0, space * 2, nameOf(line), { size: space * 1.9, bold: true }) : "";
  bars.forEach((bar, at) => {
    const x = left;
    const wide = cell * (shares[at] ?? 1) - gap;
    left += wide + gap;
    const { size, lefts } = placed(bar, wide, space * 3.6);
    for (const [index, chord] of bar.chords.entries()) {
      const here = x + (lefts[index] ?? 0);
      inside += text(here, plank - space, chord.symbol, { size, bold: true });
      if (degrees && chord.degree)
        inside += text(here, plank + space * 2.6, chord.degree, { size: space * 1.6, quiet: true });
    }
    inside += `<rect class="plank" x="${round(x)}" y="${round(plank)}" width="${round(wide)}" height="${round(space * 0.45)}"/>`;
    for (let tick = 0; tick < bar.ticks; tick += bar.beatTicks)
      inside += `<rect class="notch" x="${round(x + (wide * tick) / bar.ticks)}" y="${round(plank - space * 0.25)}" width="${round(space * 0.22)}" height="${round(space * 0.7)}"/>`;
    let under = plank + space * (degrees ? 2.6 : 0.6);
    const said = words(bar);
    if (sung) under += space * 2.2;
    if (said) inside += text(x, under, said, { size: fitting(said, space * 1.9, cell) });
    const pin = bar.pins.map((each) => `${each.warning ? "! " : ""}${each.text}`).join(" · ");
    if (pin) inside += text(x, under + space * 1.8, pin, { size: fitting(pin, space * 1.5, cell), italic: true });
  });
  return {
    svg: svg(width, height, inside),
    height,
    first: line.first,
    last: line.last,
    section: line.section,
    opens: line.opens,
    turn: line.turn,
  };
}

/**
 * Where the chords of a bar stand: where they fall, moved to the left where they would not fit, and smaller only where
 * they still do not.
 */
function placed(bar: Bar, wide: number, most: number): { size: number; lefts: number[] } {
  for (let size = most; ; size *= 0.93) {
    const lefts: number[] = [];
    let limit = wide + size * 0.3;
    for (const chord of [...bar.chords].reverse()) {
      const own = (wide * (chord.tick - bar.tick)) / bar.ticks;
      const left = Math.min(own, limit - chord.symbol.length * WIDE * size);
      lefts.unshift(left);
      limit = left - size * 0.35;
    }
    if ((lefts[0] ?? 0) >= 0 || size < most / 4) return { size, lefts: lefts.map((left) => Math.max(0, left)) };
  }
}

const nameOf = (line: SheetLine): string => (line.pass > 1 ? `${line.section}, time ${line.pass}` : line.section);

export const minutes = (ms: number): string =>
  `${Math.floor(Math.round(ms / 1000) / 60)}:${String(Math.round(ms / 1000) % 60).padStart(2, "0")}`;

/** A section in one line: its name, a plank as long as its bars, what is played and what changes. */
export function formLine(section: FormSection, most: number, width: number, space: number): Block {
  const height = space * 5.2;
  const name = section.name || "The song";
  const plank = (width * section.bars) / most;
  let inside = text(0, space * 2, section.pass > 1 ? `${name}, time ${section.pass}` : name, {
    size: space * 2.1,
    bold: true,
  });
  inside += text(width, space * 2, `${minutes(section.ms)}`, { size: space * 1.7, end: true, quiet: true });
  const what = [
    section.bars === 1 ? "1 bar" : `${section.bars} bars`,
    section.key,
    section.figures.slice(0, 2).join(", ") + (section.figures.length > 2 ? " …" : ""),
    ...section.changes,
    section.vamp ? "goes round until told" : "",
    section.colours > 0 ? `${section.colours} with other chords` : "",
  ].filter((each) => each !== "");
  inside += text(space * 13, space * 2, what.join(" · "), {
    size: fitting(what.join(" · "), space * 1.7, width - space * 19),
  });
  inside += `<rect class="plank" x="0" y="${round(space * 3)}" width="${round(plank)}" height="${round(space * 0.45)}"/>`;
  for (let bar = 0; bar < section.bars; bar++)
    inside += `<rect class="notch" x="${round((plank * bar) / section.bars)}" y="${round(space * 2.8)}" width="${round(space * 0.2)}" height="${round(space * (bar % 4 === 0 ? 0.9 : 0.6))}"/>`;
  return {
    svg: svg(width, height, inside),
    height,
    first: section.first,
    last: section.first + section.bars - 1,
    section: section.name,
    opens: true,
    turn: 0,
  };
}

/** The section's name over an engraved line. */
export function named(block: Block, line: SheetLine, width: number, space: number): Block {
  if (!line.opens || !line.section) return block;
  const head = space * 2.4;
  const inner = block.svg.replace(
    /<svg /,
    `<svg x="0" y="${round(head)}" width="${round(width)}" height="${round(block.height)}" `,
  );
  const height = block.height + head;
  return {
    ...block,
    height,
    svg: svg(width, height, text(0, space * 1.8, nameOf(line), { size: space * 1.7, bold: true }) + inner),
  };
}

/** The list of an evening, with the page each song begins on. */
export function contents(
  set: EveningSet,
  songs: { title: string; pages: unknown[] }[],
  before: number,
  width: number,
  space: number,
): Block[] {
  const blocks: Block[] = [
    heading(
      set.title,
      [set.playedOn ?? "", set.place, minutes(set.ms)].filter((each) => each !== "").join(" · "),
      width,
      space,
    ),
  ];
  let page = before + 1;
  let at = 0;
  for (const each of set.items) {
    const height = space * (each.item.remark || each.item.who ? 5.6 : 3.8);
    let inside = "";
    if (each.item.song && !each.missing) {
      const title = `${at + 1}  ${each.title}`;
      inside += text(0, space * 2.4, title, { size: fitting(title, space * 2.2, width * 0.6), bold: true });
      inside += text(
        width * 0.74,
        space * 2.4,
        `${each.key}   ${each.bpm ? Math.round(each.bpm) : ""}   ${minutes(each.ms)}`,
        {
          size: space * 1.7,
          end: true,
        },
      );
      inside += text(width, space * 2.4, `page ${page}`, { size: space * 1.7, end: true });
      page += songs[at]?.pages.length ?? 0;
      at++;
    } else
      inside += text(
        0,
        space * 2.4,
        each.item.song ? "a song that was removed" : `A break, ${each.item.minutes} minutes`,
        {
          size: space * 1.9,
          italic: true,
          quiet: true,
        },
      );
    const said = [each.item.who ?? "", each.item.remark ?? ""].filter((one) => one !== "").join(" · ");
    if (said)
      inside += text(space * 2, space * 4.6, said, {
        size: fitting(said, space * 1.6, width - space * 2),
        quiet: true,
      });
    blocks.push({ svg: svg(width, height, inside), height, first: 0, last: 0, section: "", opens: false, turn: 0 });
  }
  return blocks;
}
