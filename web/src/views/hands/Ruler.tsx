import { useRef, useState } from "react";
import type { Measuring } from "../../api/client";
import { keys } from "../../keyboard/geometry";
import { LinkButton } from "../../ui/LinkButton";

/** As most screens have it, until a card says otherwise. */
const USUAL_PX_PER_MM = 96 / 25.4;
const KEPT = "zapateo.pxPerMm";
const LOWEST = 48;
const HIGHEST = 67;
/** Of the keys' length only the front is drawn: what a hand lies on. */
const KEY_MM = 52;
const BLACK_MM = 24;
const STEP_MM = 1;

export type Measured = "whole" | "thumbIndex" | "indexLittle";

const ENDS: Record<Measured, [string, string]> = {
  whole: ["thumb", "little finger"],
  thumbIndex: ["thumb", "index"],
  indexLittle: ["index", "little finger"],
};

/**
 * Keys as large as they are, to lay a hand on: two marks are moved to its tips. The screen is told its scale by a bank
 * card.
 */
export function Ruler({
  measuring,
  side,
  what,
  mm,
  onMeasure,
}: {
  measuring: Measuring;
  side: "left" | "right";
  what: Measured;
  mm: number;
  onMeasure: (mm: number) => void;
}) {
  const [scale, setScale] = useState(() => Number(localStorage.getItem(KEPT)) || USUAL_PX_PER_MM);
  const [calibrating, setCalibrating] = useState(false);
  const [start, setStart] = useState(12);
  const board = useRef<SVGSVGElement>(null);
  const all = keys(LOWEST, HIGHEST);
  const width = Math.max(...all.map((key) => key.x + key.width));
  const calibrate = (next: number) => {
    setScale(next);
    localStorage.setItem(KEPT, String(next));
  };
  const [near, far] = side === "left" ? [...ENDS[what]].reverse() : ENDS[what];
  const drag = (end: 0 | 1) => (event: React.PointerEvent) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    const move = (moved: PointerEvent) => {
      const box = board.current?.getBoundingClientRect();
      if (!box) return;
      const at = Math.min(width, Math.max(0, ((moved.clientX - box.left) / box.width) * width));
      if (end === 0) {
        const first = Math.min(at, start + mm - 1);
        onMeasure(round(start + mm - first));
        setStart(first);
      } else onMeasure(round(Math.max(1, at - start)));
    };
    const target = event.currentTarget as Element;
    const drop = () => {
      target.removeEventListener("pointermove", move as EventListener);
      target.removeEventListener("pointerup", drop);
    };
    target.addEventListener("pointermove", move as EventListener);
    target.addEventListener("pointerup", drop);
  };
  const press = (event: React.KeyboardEvent) => {
    const by =
      event.key === "ArrowRight" || event.key === "ArrowUp"
        ? STEP_MM
        : event.key === "ArrowLeft" || event.key === "ArrowDown"
          ? -STEP_MM
          : 0;
    if (by === 0) return;
    event.preventDefault();
    onMeasure(round(Math.max(1, mm + by)));
  };
  return (
    <div>
      <div className="overflow-x-auto">
        <svg
          ref={board}
          viewBox={`0 -14 ${width} ${KEY_MM + 16}`}
          style={{ width: width * scale, height: (KEY_MM + 16) * scale }}
          className="block touch-none"
          aria-label="Keys at their true size"
        >
          {all.map((key) => (
            <rect
              key={key.midi}
              x={key.x + 0.3}
              y={0}
              width={key.width - 0.6}
              height={key.black ? BLACK_MM : KEY_MM}
              rx={1}
              fill={key.black ? "var(--key-black)" : "var(--key-white)"}
              stroke={key.black ? "none" : "var(--grain)"}
              strokeWidth={0.5}
            />
          ))}
          <path d={`M${start} -4H${start + mm}`} stroke="var(--accent)" strokeWidth={0.9} />
          <text x={start + mm / 2} y={-6} textAnchor="middle" fontSize={5.5} fontWeight={600} fill="var(--accent)">
            {mm.toFixed(0)} mm
          </text>
          {([0, 1] as const).map((end) => (
            <g
              key={end}
              role="slider"
              tabIndex={0}
              aria-label={`Tip of the ${end === 0 ? near : far}`}
              aria-valuemin={40}
              aria-valuemax={300}
              aria-valuenow={mm}
              aria-valuetext={`${mm.toFixed(0)} millimetres apart`}
              onPointerDown={drag(end)}
              onKeyDown={press}
              className="cursor-ew-resize"
            >
              <path d={`M${end === 0 ? start : start + mm} -8V${KEY_MM}`} stroke="var(--accent)" strokeWidth={0.9} />
              <circle
                cx={end === 0 ? start : start + mm}
                cy={37}
                r={6.5}
                fill="var(--accent)"
                fillOpacity={0.85}
                stroke="#fffdf7"
                strokeWidth={0.8}
              />
              <text
                x={end === 0 ? start : start + mm}
                y={KEY_MM - 2}
                textAnchor="middle"
                fontSize={5}
                fill="var(--accent)"
                fontWeight={600}
              >
                {end === 0 ? near : far}
              </text>
            </g>
          ))}
        </svg>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1">
        <LinkButton onClick={() => setCalibrating(!calibrating)}>
          {calibrating ? "the keys are true now" : "are these keys as large as real ones?"}
        </LinkButton>
        {calibrating && (
          <label className="flex items-center gap-2">
            smaller
            <input
              type="range"
              min={2}
              max={9}
              step={0.01}
              value={scale}
              onChange={(event) => calibrate(Number(event.target.value))}
              className="w-72 accent-(--accent)"
              aria-label="Scale of the screen"
            />
            larger
          </label>
        )}
      </div>
      {calibrating && (
        <div className="mt-1">
          <p className="max-w-xl text-quiet">
            Hold a bank card against the screen and move the slider until the frame is as large as the card (
            {measuring.cardWidthMm.toFixed(2)} × {measuring.cardHeightMm.toFixed(2)} mm, ISO/IEC 7810 ID-1), or lay a
            ruler along it.
          </p>
          <div
            role="img"
            aria-label="A frame as large as a bank card should be"
            className="mt-1 border-2 border-accent"
            style={{ width: measuring.cardWidthMm * scale, height: measuring.cardHeightMm * scale }}
          />
        </div>
      )}
    </div>
  );
}

function round(mm: number): number {
  return Math.round(mm);
}
