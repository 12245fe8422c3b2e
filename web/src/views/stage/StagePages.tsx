import { type ReactNode, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { pageOfBar, paginate } from "../../sheet/blocks";
import { PageView } from "../../sheet/PageView";
import { positionOf, type Stand } from "../../sheet/stand";
import { useLatest } from "../../ui/useLatest";
import { BACK, NEXT, TURNING, useAwake, usePedal, useStageKeys } from "./pedal";

/** Which page is seen, and whether the top of the next one stands over it already. */
type Turned = { page: number; half: boolean };

export type Turning = "hand" | "playing" | "count";

/** What of the screen's width turns back, and what turns on. */
const ZONE = 0.28;
const GAP = 1;

/** The pages of a song, full screen: turned by foot, by hand, or by the music. */
export function StagePages({
  stand,
  laid,
  height,
  bar,
  turning,
  setTurning,
  halves,
  sustain,
  onLeave,
  onSize,
  onNextSong,
  onSongBefore,
  tools,
  notice,
}: {
  stand: Stand;
  /** Whether all of it is there. */
  laid: boolean;
  /** Of a page, in pixels. */
  height: number;
  /** The bar that sounds, −1 while nothing does. */
  bar: number;
  turning: Turning;
  setTurning: (turning: Turning) => void;
  halves: boolean;
  sustain: boolean;
  onLeave: () => void;
  onSize: (by: number) => void;
  /** Of a set. */
  onNextSong?: (() => void) | undefined;
  onSongBefore?: (() => void) | undefined;
  tools: ReactNode;
  notice?: ReactNode;
}) {
  const pages = useMemo(() => paginate(stand.blocks, height, stand.space * GAP), [stand, height]);
  const [turned, setTurned] = useState<Turned>({ page: 0, half: false });
  const [open, setOpen] = useState(false);
  const counted = useCount(stand, turning === "count");
  const now = turning === "playing" ? bar : counted;
  const last = Math.max(0, pages.length - 1);
  // What stood at the top stays there when the size of the page changes.
  const first = useRef(0);
  useEffect(() => setTurned({ page: pageOfBar(pages, first.current), half: false }), [pages]);
  const page = Math.min(turned.page, last);
  first.current = pages[page]?.first ?? 0;

  const go = useLatest((by: number) => {
    if (by > 0 && page === last && !turned.half) {
      onNextSong?.();
      return;
    }
    if (by < 0 && page === 0 && !turned.half) {
      onSongBefore?.();
      return;
    }
    const halved =
      halves &&
      !turned.half &&
      page < last &&
      coverOf(pages[page]?.blocks ?? [], pages[page + 1]?.blocks ?? [], height) !== null;
    if (by > 0) setTurned(halved ? { page, half: true } : { page: Math.min(last, page + 1), half: false });
    else setTurned(turned.half ? { page, half: false } : { page: Math.max(0, page - 1), half: false });
  });
  const next = useCallback(() => go(1), [go]);
  usePedal(next, sustain);
  useAwake();

  // The page goes with the music: the top of the next one comes when the lower half is played.
  useEffect(() => {
    if (turning === "hand" || now < 0) return;
    const at = pageOfBar(pages, now);
    const block = pages[at]?.blocks.find((each) => now >= each.first && now <= each.last);
    const low = block ? block.top > height / 2 - block.height / 2 : false;
    setTurned((before) => {
      const half = halves && low && coverOf(pages[at]?.blocks ?? [], pages[at + 1]?.blocks ?? [], height) !== null;
      return before.page === at && before.half === half ? before : { page: at, half };
    });
  }, [now, pages, turning, halves, height]);

  const press = useLatest((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const inside = (event.target as Element | null)?.closest?.("[data-stage-tools]");
    if (inside && event.key !== "Escape" && !event.key.startsWith("Page")) return;
    const does: Record<string, () => void> = {
      escape: () => (open ? setOpen(false) : onLeave()),
      "+": () => onSize(1),
      "=": () => onSize(1),
      "-": () => onSize(-1),
      home: () => setTurned({ page: 0, half: false }),
      end: () => setTurned({ page: last, half: false }),
      c: () => setTurning(turning === "count" ? "hand" : "count"),
    };
    const turns = TURNING.includes(event.key);
    // A pedal that stays down turns once.
    if (turns && event.repeat) {
      event.preventDefault();
      event.stopImmediatePropagation();
      return;
    }
    if (NEXT.includes(event.key)) go(1);
    else if (BACK.includes(event.key)) go(-1);
    else if (does[event.key.toLowerCase()]) does[event.key.toLowerCase()]?.();
    else return;
    event.preventDefault();
    event.stopImmediatePropagation();
  });
  useStageKeys(press);

  // The pages beside it are laid once it is seen: a turn only shows what is there already.
  const settled = useDeferredValue(page);
  const cover = turned.half ? coverOf(pages[page]?.blocks ?? [], pages[page + 1]?.blocks ?? [], height) : null;
  const place = positionOf(stand.sections, now >= 0 ? now : (pages[page]?.first ?? 0));
  return (
    <div
      className="fixed inset-0 z-40 flex flex-col bg-sheet text-ink"
      data-stage
      data-page={page + 1}
      data-pages={pages.length}
      data-laid={laid}
      data-half={turned.half}
      onClick={(event) => {
        if ((event.target as Element).closest("[data-stage-tools]")) return;
        const x = event.clientX / window.innerWidth;
        if (x > 1 - ZONE) go(1);
        else if (x < ZONE) go(-1);
        else setOpen(!open);
      }}
      onKeyDown={() => undefined}
      role="document"
      aria-label={`${stand.title}, page ${page + 1} of ${pages.length}`}
    >
      <div className="relative mx-auto mt-3" style={{ width: stand.width, height }}>
        {pages.map((each, at) =>
          at !== page && Math.abs(at - settled) > 1 ? null : (
            <div
              key={`${each.first}.${each.last}`}
              className="absolute inset-0 bg-sheet"
              style={{
                visibility: at === page || (cover && at === page + 1) ? "visible" : "hidden",
                zIndex: at === page ? 0 : 1,
                clipPath: cover && at === page + 1 ? `inset(0 0 ${height - cover.to}px 0)` : undefined,
              }}
            >
              <PageView
                page={cover && at === page + 1 ? { ...each, blocks: each.blocks.slice(0, cover.lines) } : each}
                width={stand.width}
                height={height}
                label={`Page ${at + 1} of ${pages.length}`}
              />
            </div>
          ),
        )}
        {cover && (
          <div
            aria-hidden="true"
            className="absolute inset-x-0 z-10 border-accent border-t-2 border-dashed"
            style={{ top: cover.to - 6 }}
          />
        )}
      </div>
      <p
        className="mx-auto flex w-full items-baseline justify-between px-6 text-quiet text-xl"
        style={{ maxWidth: stand.width + 48 }}
      >
        <span role="status">{place}</span>
        <span>
          {stand.title} · {page + 1}
          {turned.half ? "½" : ""} of {pages.length}
          {laid ? "" : " …"}
        </span>
      </p>
      {notice}
      {open && (
        <div
          data-stage-tools
          role="toolbar"
          aria-label="The stage"
          className="absolute inset-x-0 bottom-0 z-20 flex flex-wrap items-center gap-3 border-grain border-t bg-ground px-5 py-3"
        >
          <button
            type="button"
            onClick={onLeave}
            className="min-h-12 rounded-plank bg-ink px-4 font-semibold text-sheet"
          >
            Leave the stage
          </button>
          {tools}
        </div>
      )}
    </div>
  );
}

type Line = { top: number; height: number };

/**
 * How many lines of the next page stand over this one, and down to where: lines of this page are covered whole, and at
 * least its last stays to be played; null where it would not.
 */
export function coverOf(page: Line[], next: Line[], height: number): { lines: number; to: number } | null {
  for (let lines = next.length; lines > 0; lines--) {
    const last = next[lines - 1];
    const end = last ? last.top + last.height : 0;
    const left = page.find((line) => line.top >= end);
    if (left && end <= height * 0.62) return { lines, to: left.top };
  }
  return null;
}

/** The bar a silent count has come to, −1 while nothing counts. */
function useCount(stand: Stand, on: boolean): number {
  const [bar, setBar] = useState(-1);
  useEffect(() => {
    if (!on) {
      setBar(-1);
      return;
    }
    const from = performance.now();
    const timer = window.setInterval(() => {
      const now = performance.now() - from;
      const at = stand.begins.findIndex(
        (begins, index) => now >= begins && now < (stand.begins[index + 1] ?? Number.POSITIVE_INFINITY),
      );
      setBar(at >= stand.begins.length - 1 ? stand.begins.length - 2 : at);
    }, 50);
    return () => window.clearInterval(timer);
  }, [on, stand.begins]);
  return bar;
}
