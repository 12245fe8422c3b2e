import { useEffect, useMemo, useRef } from "react";
import type { Problem, WrittenBar } from "../../api/client";
import { offsetOf, pieces, placeOf } from "./marks";

const FACE =
  "absolute inset-0 m-0 whitespace-pre-wrap break-words px-3 py-2 font-sans text-[1.05rem] leading-[1.65] [tab-size:4]";

/**
 * The chart's text; mistakes are marked where they stand, the bars that are chosen on the sheet are shaded, and the
 * cursor chooses its bar there.
 */
export function Editor({
  text,
  problems,
  bars,
  chosen,
  field,
  onChange,
  onLeave,
  onBar,
}: {
  text: string;
  problems: Problem[];
  bars: WrittenBar[];
  chosen: [number, number] | null;
  field: React.RefObject<HTMLTextAreaElement | null>;
  onChange: (text: string) => void;
  onLeave: () => void;
  onBar: (bar: number) => void;
}) {
  const backdrop = useRef<HTMLDivElement>(null);
  const runs = useMemo(
    () =>
      bars
        .filter((bar) => chosen && bar.bar >= chosen[0] && bar.bar <= chosen[1])
        .map((bar) => offsetOf(text, bar.place.line, bar.place.column))
        .map((from, index) => ({ from, to: from + (bars[(chosen?.[0] ?? 0) + index]?.place.length ?? 0) })),
    [bars, chosen, text],
  );
  // The chosen bar comes into view unless the writer is at work here.
  const first = runs[0]?.from;
  useEffect(() => {
    const area = field.current;
    if (!area || first === undefined || document.activeElement === area) return;
    const mark = backdrop.current?.querySelector<HTMLElement>("[data-chosen]");
    if (!mark) return;
    if (mark.offsetTop < area.scrollTop || mark.offsetTop + 30 > area.scrollTop + area.clientHeight)
      area.scrollTop = Math.max(0, mark.offsetTop - area.clientHeight / 3);
  }, [first, field]);

  const follow = (area: HTMLTextAreaElement) => {
    if (area.selectionStart !== area.selectionEnd) return;
    const { line, column } = placeOf(text, area.selectionStart);
    const bar = bars.find(
      (each) =>
        each.place.line === line && column >= each.place.column && column <= each.place.column + each.place.length,
    );
    if (bar && !(chosen && chosen[0] === bar.bar && chosen[1] === bar.bar)) onBar(bar.bar);
  };

  return (
    <div className="relative mt-1 min-h-40 flex-1 rounded-plank border border-grain bg-sheet">
      <div ref={backdrop} aria-hidden="true" className={`${FACE} overflow-hidden text-transparent`}>
        {pieces(text, problems, runs).map((piece, index) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: the pieces have no name but their place
            key={index}
            data-chosen={piece.chosen || undefined}
            className={`${piece.chosen ? "bg-plank" : ""} ${
              piece.problem
                ? `border-b-[3px] ${piece.problem.severity === "error" ? "border-accent bg-wash" : "border-grain"}`
                : ""
            }`}
          >
            {piece.text}
          </span>
        ))}
        {"\n"}
      </div>
      <textarea
        ref={field}
        value={text}
        onChange={(event) => onChange(event.target.value)}
        onBlur={onLeave}
        onScroll={(event) => {
          if (backdrop.current) backdrop.current.scrollTop = event.currentTarget.scrollTop;
        }}
        onKeyUp={(event) => event.key.startsWith("Arrow") && follow(event.currentTarget)}
        onClick={(event) => follow(event.currentTarget)}
        spellCheck={false}
        autoCapitalize="off"
        autoCorrect="off"
        aria-label="Chart text"
        aria-invalid={problems.some((problem) => problem.severity === "error")}
        aria-describedby="chart-problems"
        className={`${FACE} h-full w-full resize-none bg-transparent`}
      />
    </div>
  );
}
