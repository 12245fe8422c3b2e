import { useEffect, useMemo, useState } from "react";
import { Link } from "react-router";
import { useForm } from "../../api/sheet";
import { SHOWN, showFingers, useFingersShown } from "../../score/fingers";
import { paginate } from "../../sheet/blocks";
import { PageView } from "../../sheet/PageView";
import { PrintPages } from "../../sheet/PrintPages";
import { KINDS, type Kind, useSheet } from "../../sheet/useSheet";
import { useArranged, useWork } from "../../song/desk";
import { NoBars } from "../../song/NoBars";
import { playedBar, usePlaying } from "../../sound/playing";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { FormPanel } from "./FormPanel";
import { FormStrip } from "./FormStrip";
import { MARGIN, PAPER_SPACE, PAPERS, type Paper, paperOf, useWanted } from "./layout";
import { PaperTools } from "./PaperTools";

/** What goes on the music stand: the form, and the pages as paper has them. */
export function Sheet() {
  const { chart, asked, song, chartError } = useWork();
  const { arrangement, arrangementError } = useArranged();
  const form = useForm(asked, Boolean(arrangement));
  const [first, setFirst] = useState<number | null>(null);
  const [wanted, want] = useWanted();
  const fingers = useFingersShown();
  const bar = usePlaying(playedBar);
  const paper = paperOf(wanted.paper);
  const [room, measured] = useRoom();
  const layout = useMemo(
    () => ({
      kind: wanted.kind,
      width: paper.width,
      space: PAPER_SPACE,
      perLine: wanted.perLine,
      fingers,
      degrees: wanted.degrees,
    }),
    [wanted.kind, paper.width, wanted.perLine, fingers, wanted.degrees],
  );
  const sheet = useSheet(asked, arrangement, chart, form.data, layout);
  const pages = useMemo(() => paginate(sheet.blocks, paper.height, PAPER_SPACE * 2), [sheet.blocks, paper.height]);
  if (!arrangement || !form.data)
    return <NoBars error={chartError ?? arrangementError ?? form.error} waiting="Laying the pages …" />;
  const taken = form.data.sections.find((section) => section.first === first) ?? null;
  const waiting = sheet.done < sheet.of || sheet.asked !== asked;
  return (
    <div className="grid h-full grid-rows-[auto_minmax(0,1fr)]">
      <FormStrip
        form={form.data}
        taken={taken}
        onTake={(section) => setFirst(section.first === first ? null : section.first)}
        bar={bar}
      />
      <div className="grid min-h-0 grid-cols-[17rem_minmax(0,1fr)_19rem] max-lg:grid-cols-[14rem_minmax(0,1fr)_16rem] max-md:block max-md:overflow-auto">
        <section
          aria-label="The page"
          className="min-h-0 overflow-auto border-line border-r px-4 py-3 max-md:border-r-0"
        >
          <Link
            to={`/songs/${song.id}/stage`}
            className="flex min-h-12 items-center justify-center rounded-plank bg-ink px-3 font-semibold text-lg text-sheet"
          >
            Open the Stage
          </Link>
          <p className="mt-1 text-[0.92rem] text-quiet leading-snug">
            Full screen, turned by foot, by hand or by itself.
          </p>
          <h2 className="mt-3 text-lg">What stands there</h2>
          <div className="mt-1 grid gap-2">
            <Choice
              label="Page"
              value={wanted.kind}
              options={KINDS.map((kind) => ({ value: kind.id, label: kind.name }))}
              onChange={(value) => want({ kind: value as Kind })}
            />
            {wanted.kind !== "form" && (
              <Choice
                label="Bars a line"
                value={String(wanted.perLine)}
                options={[
                  { value: "0", label: "four, where they have room" },
                  ...[2, 3, 4, 6, 8].map((bars) => ({ value: String(bars), label: String(bars) })),
                ]}
                onChange={(value) => want({ perLine: Number(value) })}
              />
            )}
            {wanted.kind !== "form" && wanted.kind !== "chart" && (
              <Choice
                label="Fingers"
                value={fingers}
                options={SHOWN.map((each) => ({ value: each, label: each }))}
                onChange={showFingers}
              />
            )}
            {wanted.kind !== "form" && (
              <CheckField large on={wanted.degrees} onTurn={(degrees) => want({ degrees })}>
                Degrees of the chords
              </CheckField>
            )}
            <Choice
              label="Paper"
              value={wanted.paper}
              options={PAPERS.map((each) => ({ value: each.id, label: each.name }))}
              onChange={(value) => want({ paper: value as Paper })}
            />
          </div>
          <PaperTools
            pages={pages}
            paper={wanted.paper}
            ready={!waiting && !sheet.error}
            title={arrangement.title}
            foot={footOf(arrangement.title, song.version)}
            song={song.id}
          />
        </section>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it is scrolled by keys where it is longer than the screen */}
        <section aria-label="Pages" tabIndex={0} className="min-h-0 overflow-auto bg-plank/40 p-5 max-md:p-2">
          <p role="status" className="mb-2 text-quiet">
            {sheet.error
              ? `The pages could not be laid: ${sheet.error} The chart and the arrangement are safe.`
              : waiting
                ? `Engraving line ${Math.min(sheet.done + 1, sheet.of)} of ${sheet.of || "…"}`
                : `${pages.length} ${pages.length === 1 ? "page" : "pages"}`}
          </p>
          <div ref={measured} className="grid gap-5">
            {pages.map((page, at) => (
              <figure
                key={`${page.first}.${page.last}`}
                className="mx-auto border border-line bg-sheet"
                style={{ padding: MARGIN / 2, zoom: room > 0 ? Math.min(1, room / (paper.width + MARGIN + 2)) : 1 }}
              >
                <PageView
                  page={page}
                  width={paper.width}
                  height={paper.height}
                  label={`Page ${at + 1} of ${pages.length}`}
                />
                <figcaption className="text-end text-[0.86rem] text-quiet">
                  {at + 1} of {pages.length}
                </figcaption>
              </figure>
            ))}
          </div>
        </section>
        <PrintPages
          pages={pages}
          width={paper.width}
          height={paper.height}
          margin={MARGIN}
          mm={paper.mm}
          foot={footOf(arrangement.title, song.version)}
        />
        <FormPanel arrangement={arrangement} taken={taken} />
      </div>
    </div>
  );
}

/** What is small at the foot of a page: which state of the song it is, and when. */
function footOf(title: string, version: number): string {
  return `${title} · version ${version}, ${new Date().toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" })}`;
}

/** How wide the pages may be, in pixels. */
function useRoom(): [number, (element: HTMLElement | null) => void] {
  const [room, setRoom] = useState(0);
  const [element, measured] = useState<HTMLElement | null>(null);
  useEffect(() => {
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setRoom(Math.round(entry?.contentRect.width ?? 0)));
    observer.observe(element);
    return () => observer.disconnect();
  }, [element]);
  return [room, measured];
}
