import { useEffect, useRef, useState } from "react";
import { playing } from "../sound/playing";
import { useLatest } from "../ui/useLatest";
import { engrave } from "./engraver";
import { mark } from "./verdicts";

/** The engraved page of some bars. Strokes that sound are lit by the ids the server gave their notes. */
export function Score({
  xml,
  label,
  lit,
  onStroke,
  onLift,
  verdicts,
  onSpace,
}: {
  xml: string | undefined;
  label: string;
  /** Strokes that are lit while nothing plays; what plays is lit by itself. */
  lit: number[];
  onStroke: (stroke: number) => void;
  /** A note was dragged so many places of the staff up, or down below zero; it has been struck before. */
  onLift?: ((stroke: number, steps: number) => void) | undefined;
  /** What became of notes in a take, by their ids; drawn by shape. */
  verdicts?: ReadonlyMap<string, string> | undefined;
  /** Told how many pixels lie from one line of the staff to the next. */
  onSpace?: ((pixels: number) => void) | undefined;
}) {
  const told = useLatest((pixels: number) => onSpace?.(pixels));
  const drag = useRef<{ stroke: number; y: number; space: number } | null>(null);
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const [page, setPage] = useState<{ svg?: string; error?: string }>({});

  useEffect(() => {
    if (!holder.current) return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.round(entry?.contentRect.width ?? 0)));
    observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);

  useEffect(() => {
    if (!xml || width === 0) return;
    let late = false;
    const room = roomOf(holder.current);
    engrave(xml, width, room).then((answer) => {
      if (late) return;
      setPage(answer);
      if (answer.space && answer.height) told(answer.space * Math.min(1, room / answer.height));
    });
    return () => {
      late = true;
    };
  }, [xml, width, told]);

  // What sounds is lit past React: it changes with every note, the page with every line.
  const strokes = lit.join(" ");
  useEffect(() => {
    const root = holder.current;
    if (!root || !page.svg) return;
    const notes = notesOf(root);
    let now: Element[] = [];
    const light = () => {
      const head = playing.head();
      for (const note of now) note.classList.remove("lit");
      const wanted = head.playing ? head.strokes : strokes === "" ? [] : strokes.split(" ").map(Number);
      now = wanted.flatMap((stroke) => notes.get(stroke) ?? []);
      for (const note of now) note.classList.add("lit");
    };
    light();
    const leave = playing.subscribe(light);
    return () => {
      leave();
      for (const note of now) note.classList.remove("lit");
    };
  }, [strokes, page]);

  useEffect(() => {
    const root = holder.current;
    return root && page.svg && verdicts ? mark(root, verdicts) : undefined;
  }, [verdicts, page]);

  return (
    <div
      ref={holder}
      className="score min-h-40 rounded-plank border border-line bg-sheet px-2"
      data-ready={page.svg ? "yes" : "no"}
    >
      {page.error ? (
        <p className="p-4">The staff could not be engraved. The keyboard and the step line are right all the same.</p>
      ) : page.svg ? (
        // biome-ignore lint/a11y/useKeyWithClickEvents: every stroke can be reached with the arrow keys on the step line
        <div
          role="img"
          aria-label={label}
          // biome-ignore lint/security/noDangerouslySetInnerHtml: the page comes from our own engraver
          dangerouslySetInnerHTML={{ __html: page.svg }}
          onPointerDown={(event) => {
            const note = noteAt(event);
            const stroke = /^s(\d+)n/.exec(note?.id ?? "");
            if (!onLift || !note || !stroke) return;
            drag.current = { stroke: Number(stroke[1]), y: event.clientY, space: spaceOf(note) };
            event.preventDefault();
            onStroke(Number(stroke[1]));
          }}
          onPointerUp={(event) => {
            const from = drag.current;
            drag.current = null;
            const steps = from ? Math.round(((from.y - event.clientY) / from.space) * 2) : 0;
            if (from && steps !== 0) onLift?.(from.stroke, steps);
          }}
          onClick={(event) => {
            if (onLift) return;
            const stroke = /^s(\d+)n/.exec(noteAt(event)?.id ?? "");
            if (stroke) onStroke(Number(stroke[1]));
          }}
        />
      ) : (
        <p className="p-4 text-quiet">Engraving …</p>
      )}
    </div>
  );
}

/** How high the page may be, in pixels. */
function roomOf(holder: Element | null): number {
  return (
    (holder && Number.parseFloat(getComputedStyle(holder).getPropertyValue("--page-room"))) || Number.POSITIVE_INFINITY
  );
}

/** The notes of a page by the strokes they belong to. */
function notesOf(root: Element): Map<number, Element[]> {
  const notes = new Map<number, Element[]>();
  for (const note of root.querySelectorAll('[id^="s"]')) {
    const stroke = /^s(\d+)n/.exec(note.id);
    if (!stroke) continue;
    const all = notes.get(Number(stroke[1]));
    if (all) all.push(note);
    else notes.set(Number(stroke[1]), [note]);
  }
  return notes;
}

/** Pixels from one line of a note's staff to the next. */
function spaceOf(note: Element): number {
  const lines = [...(note.closest("g.staff")?.querySelectorAll(":scope > path") ?? [])].map(
    (line) => line.getBoundingClientRect().top,
  );
  return Math.max(4, Math.abs((lines[1] ?? 0) - (lines[0] ?? 8)));
}

/** How far beside its head a note is still meant, in pixels. */
const NEAR = 4;

/** The note that is pressed: a hollow head is hit in its middle too, and a small one a little beside it. */
function noteAt(event: React.MouseEvent): Element | null {
  const hit = (event.target as Element).closest("g.note");
  if (hit) return hit;
  const { clientX: x, clientY: y } = event;
  const heads = [...event.currentTarget.querySelectorAll("g.note .notehead")];
  const near = heads.find((head) => {
    const box = head.getBoundingClientRect();
    return x >= box.left - NEAR && x <= box.right + NEAR && y >= box.top - NEAR && y <= box.bottom + NEAR;
  });
  return near?.closest("g.note") ?? null;
}
