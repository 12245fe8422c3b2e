import { useRef, useState } from "react";
import type { Page } from "../../sheet/blocks";
import { LinkButton } from "../../ui/LinkButton";
import { MARGIN, type Paper, paperOf } from "./layout";

/** Bytes of a file that can be brought in again. */
const MOST_OF_A_SONG = 1 << 20;

/** The pages on paper: the browser's own print, or a file made page by page. */
export function PaperTools({
  pages,
  paper,
  ready,
  title,
  foot,
  song,
}: {
  pages: Page[];
  paper: Paper;
  ready: boolean;
  title: string;
  foot: string;
  song: string;
}) {
  const [done, setDone] = useState<number | null>(null);
  const [said, setSaid] = useState("");
  const stop = useRef<AbortController | null>(null);
  /** @param all whether the file holds all of the song beside its pages */
  const make = async (all: boolean) => {
    const { mm, width, height } = paperOf(paper);
    stop.current = new AbortController();
    setSaid("");
    setDone(0);
    try {
      const { makePdf, hand, fileName } = await import("../../sheet/pdf");
      const sheets = pages.map((page, at) => ({ page, width, height, foot: `${foot} · ${at + 1} of ${pages.length}` }));
      const pdf = await makePdf(sheets, { mm, margin: MARGIN }, title, setDone, stop.current.signal);
      const name = fileName(title);
      if (all) {
        const { giveWithPages } = await import("../../sheet/giving");
        const fits = await giveWithPages(`/api/songs/${song}/export/zip`, `${name}.zip`, pdf, MOST_OF_A_SONG);
        if (!fits) setSaid("Its pages are too many to be brought in again with it: make the PDF by itself.");
      } else hand(pdf, `${name}.pdf`);
    } catch (error) {
      setSaid(
        stop.current.signal.aborted
          ? "Cancelled; nothing was made."
          : `The file could not be made: ${error instanceof Error ? error.message : String(error)}`,
      );
    } finally {
      setDone(null);
    }
  };
  return (
    <div className="mt-3 grid gap-2">
      {done === null ? (
        <button
          type="button"
          disabled={!ready}
          onClick={() => void make(false)}
          className="min-h-11 w-full rounded-plank border border-grain px-3 font-semibold"
        >
          PDF
        </button>
      ) : (
        <div role="status" className="border-accent border-l-4 pl-3">
          Page {Math.min(done + 1, pages.length)} of {pages.length}
          <progress value={done} max={pages.length} className="block w-full accent-accent" />
          <LinkButton onClick={() => stop.current?.abort()}>Cancel</LinkButton>
        </div>
      )}
      <button
        type="button"
        disabled={!ready}
        onClick={() => window.print()}
        className="min-h-11 w-full rounded-plank border border-grain px-3 font-semibold"
      >
        Print
      </button>
      <button
        type="button"
        disabled={!ready || done !== null}
        title="Chart, MusicXML, MIDI, choices, and these pages: to be brought in again, or given away"
        onClick={() => void make(true)}
        className="min-h-11 w-full rounded-plank border border-grain px-3"
      >
        All of it in one file
      </button>
      {said && (
        <p role="status" className="leading-snug">
          {said}
        </p>
      )}
    </div>
  );
}
