import { useRef, useState } from "react";
import type { EveningSet, Measures } from "../../api/client";
import { useFingersShown } from "../../score/fingers";
import { type Block, type Page, paginate } from "../../sheet/blocks";
import { contents } from "../../sheet/drawn";
import { standOf } from "../../sheet/evening";
import { keep, keepOrder } from "../../sheet/stand";
import { LinkButton } from "../../ui/LinkButton";
import { MARGIN, PAPER_SPACE, paperOf, useWanted } from "../sheet/layout";
import { standSize } from "../stage/screen";

/** Bytes of a file that can be brought in again. */
const MOST_OF_AN_EVENING = 32 << 20;

type Work = { what: string; done: number; of: number };

/**
 * What takes a while: the evening kept for the stand, and its pages on paper; each shows how far it is and can be
 * stopped.
 */
export function EveningTools({ set, hand }: { set: EveningSet; hand: Measures | undefined }) {
  const [wanted] = useWanted();
  const fingers = useFingersShown();
  const [work, setWork] = useState<Work | null>(null);
  const [said, setSaid] = useState("");
  const stop = useRef<AbortController | null>(null);
  const songs = set.items.map((each, at) => ({ each, at })).filter(({ each }) => each.item.song && !each.missing);
  const does = async (what: string, job: (signal: AbortSignal, told: (done: number) => void) => Promise<string>) => {
    stop.current = new AbortController();
    setSaid("");
    setWork({ what, done: 0, of: songs.length });
    try {
      setSaid(await job(stop.current.signal, (done) => setWork({ what, done, of: songs.length })));
    } catch (error) {
      setSaid(
        stop.current.signal.aborted
          ? "Cancelled."
          : `It stopped: ${error instanceof Error ? error.message : String(error)}`,
      );
    } finally {
      setWork(null);
    }
  };
  const keepAll = () =>
    does("Keeping", async (signal, told) => {
      const { registerPages } = await import("../../sheet/offline");
      await registerPages();
      const { width } = standSize();
      for (const [index, { each, at }] of songs.entries()) {
        told(index);
        const stand = await standOf(
          each,
          hand,
          { kind: wanted.kind, width, space: wanted.space, perLine: wanted.perLine, fingers, degrees: wanted.degrees },
          signal,
        );
        if (!(await keep(stand, `${set.id}/${at}`)))
          return "This browser keeps nothing for the stand (it needs loopback or a secure address).";
      }
      await keepOrder(set.id, set);
      return `Kept in this browser: ${songs.length} songs with their pages stay with the server away.`;
    });
  /** @param all whether the file holds all of the evening beside its pages */
  const pdf = (all: boolean) =>
    does("Page", async (signal, told) => {
      const { makePdf, hand: give, fileName } = await import("../../sheet/pdf");
      const paper = paperOf(wanted.paper);
      const laid: { title: string; pages: Page[] }[] = [];
      for (const { each } of songs) {
        const stand = await standOf(
          each,
          hand,
          {
            kind: wanted.kind,
            width: paper.width,
            space: PAPER_SPACE,
            perLine: wanted.perLine,
            fingers,
            degrees: wanted.degrees,
          },
          signal,
        );
        laid.push({ title: stand.title, pages: paginate(stand.blocks, paper.height, PAPER_SPACE * 2) });
        told(laid.length);
      }
      const list = (first: number): Block[] => contents(set, laid, first, paper.width, PAPER_SPACE);
      const front = paginate(list(1), paper.height, 0);
      const order = [...paginate(list(front.length), paper.height, 0), ...laid.flatMap((song) => song.pages)];
      setWork({ what: "Page", done: 0, of: order.length });
      const sheets = order.map((page, at) => ({
        page,
        width: paper.width,
        height: paper.height,
        foot: `${set.title} · ${at + 1} of ${order.length}`,
      }));
      const made = await makePdf(
        sheets,
        { mm: paper.mm, margin: MARGIN },
        set.title,
        (done) => setWork({ what: "Page", done, of: order.length }),
        signal,
      );
      const name = fileName(set.title);
      if (all) {
        const { giveWithPages } = await import("../../sheet/giving");
        if (
          !(await giveWithPages(
            `/api/sets/${set.id}/export/zip`,
            `${name}.zip`,
            made,
            MOST_OF_AN_EVENING,
            (far) => setWork({ what: "Song", ...far }),
            signal,
          ))
        )
          return "Its pages are too many to be brought in again with it: make the PDF by itself.";
      } else give(made, `${name}.pdf`);
      return `${order.length} pages.`;
    });
  return (
    <>
      {work ? (
        <div role="status" className="border-accent border-l-4 py-1 pl-3">
          {work.what} {Math.min(work.done + 1, work.of)} of {work.of}
          <progress value={work.done} max={work.of} className="block w-full accent-accent" />
          <LinkButton onClick={() => stop.current?.abort()}>Cancel</LinkButton>
        </div>
      ) : (
        <>
          <button
            type="button"
            disabled={songs.length === 0}
            onClick={() => void keepAll()}
            className="min-h-11 rounded-plank border border-grain px-3"
          >
            Keep it for the stand
          </button>
          <button
            type="button"
            disabled={songs.length === 0}
            onClick={() => void pdf(false)}
            className="min-h-11 rounded-plank border border-grain px-3"
          >
            PDF of the evening
          </button>
          <button
            type="button"
            disabled={songs.length === 0}
            title="Its order, each song's own file, and the pages: to be brought in again, or given away"
            onClick={() => void pdf(true)}
            className="min-h-11 rounded-plank border border-grain px-3"
          >
            All of it in one file
          </button>
        </>
      )}
      {said && (
        <p role="status" className="leading-snug">
          {said}
        </p>
      )}
    </>
  );
}
