import { memo } from "react";
import type { Stroke, Tone } from "../api/client";
import { type Aim, AimKey } from "./AimKey";
import { centre, keys } from "./geometry";
import { HandShape } from "./HandShape";

const LOWEST = 24;
const HIGHEST = 84;
const LENGTH = 76;
const BLACK_LENGTH = 48;
const ROOM_ABOVE = 20;

const ALL = keys(LOWEST, HIGHEST);
const WIDTH = Math.max(...ALL.map((key) => key.x + key.width));

/** The keyboard to scale, with the strokes that sound laid on it and the stretch of the left hand's in millimetres. */
export const Keyboard = memo(function Keyboard({
  strokes,
  spanMm,
  shown = null,
  aims = [],
  onKey,
}: {
  strokes: Stroke[];
  spanMm: number;
  shown?: Tone[] | null;
  /** Notes to improvise on, by what they are to the chord. */
  aims?: Aim[];
  /** Where the keys can be played: told when one goes down and up. */
  onKey?: ((midi: number, down: boolean) => void) | undefined;
}) {
  const left = strokes.find((stroke) => stroke.hand === "L");
  const sounding = strokes.flatMap((stroke) => stroke.notes.map((note) => ({ ...note, hand: stroke.hand })));
  const label =
    shown && shown.length > 0
      ? `Keyboard: ${shown.map((tone) => tone.name).join(", ")}`
      : sounding.length === 0
        ? "Keyboard, C1 to C6"
        : `Keyboard: ${sounding.map((note) => `${note.name}, ${note.hand === "L" ? "left" : "right"} hand${note.finger ? `, finger ${note.finger}` : ""}`).join("; ")}`;
  return (
    <svg
      viewBox={`-1 ${-ROOM_ABOVE} ${WIDTH + 2} ${LENGTH + ROOM_ABOVE + 1}`}
      className="block w-full"
      role="img"
      aria-label={label}
      preserveAspectRatio="xMidYMax meet"
    >
      <Keys onKey={onKey} />
      {aims.map((aim) => (
        <AimKey key={aim.midi} aim={aim} lowest={LOWEST} keyLength={LENGTH} blackLength={BLACK_LENGTH} />
      ))}
      {strokes.map((stroke) => (
        <HandShape
          key={`${stroke.hand}${stroke.tick}`}
          stroke={stroke}
          lowest={LOWEST}
          keyLength={LENGTH}
          blackLength={BLACK_LENGTH}
        />
      ))}
      {sounding.map((note) => (
        <KeyMark
          key={`${note.hand}${note.midi}`}
          midi={note.midi}
          name={note.name}
          right={note.hand === "R"}
          finger={note.finger}
        />
      ))}
      {(shown ?? []).map((tone) => (
        <ShownKey key={tone.midi} midi={tone.midi} name={tone.name} />
      ))}
      {left && left.notes.length > 1 && <Stretch stroke={left} spanMm={spanMm} />}
    </svg>
  );
});

/** The keys themselves, drawn once. */
const Keys = memo(function Keys({ onKey }: { onKey: ((midi: number, down: boolean) => void) | undefined }) {
  return (
    <>
      {ALL.map((key) => (
        <rect
          key={key.midi}
          x={key.x + (key.black ? 0.4 : 0.3)}
          y={0}
          width={key.width - (key.black ? 0.8 : 0.6)}
          height={key.black ? BLACK_LENGTH : LENGTH}
          rx={1.2}
          fill={key.black ? "var(--key-black)" : "var(--key-white)"}
          data-key={key.midi}
          onPointerDown={onKey && (() => onKey(key.midi, true))}
          onPointerUp={onKey && (() => onKey(key.midi, false))}
          onPointerLeave={onKey && ((event) => event.buttons > 0 && onKey(key.midi, false))}
          stroke={key.black ? "none" : "var(--grain)"}
          strokeWidth={0.6}
        />
      ))}
      {[24, 36, 48, 60, 72, 84].map((midi) => (
        <text key={midi} x={centre(midi, LOWEST)} y={LENGTH - 5} textAnchor="middle" fontSize={9.5} fill="#5d5346">
          C{midi / 12 - 1}
        </text>
      ))}
    </>
  );
});

/**
 * The tip of the finger that holds a key, an arch of the house: the left hand's filled, the right hand's open; its
 * number in it, the note over it.
 */
function KeyMark({ midi, name, right, finger }: { midi: number; name: string; right: boolean; finger: number | null }) {
  const black = [1, 3, 6, 8, 10].includes(midi % 12);
  const x = centre(midi, LOWEST);
  const y = black ? BLACK_LENGTH - 13 : LENGTH - 26;
  const letter = name.replace(/-?\d+$/, "");
  const tip = right ? "#1d5560" : black ? "#ec8c61" : "#a4452a";
  const inside = right ? "#1d5560" : black ? "#211c16" : "#fffdf7";
  return (
    <g>
      <path
        d={`M${x - 7.5} ${y + 12}V${y - 2}a7.5 8 0 0 1 15 0V${y + 12}z`}
        fill={right ? "var(--key-white)" : tip}
        stroke={right ? tip : "#fffdf7"}
        strokeWidth={right ? 2.2 : 1.2}
      />
      <text x={x} y={y + 7} textAnchor="middle" fontSize={finger === null ? 9.5 : 11.5} fontWeight={600} fill={inside}>
        {finger ?? letter}
      </text>
      {finger !== null && (
        <text x={x} y={y - 14} textAnchor="middle" fontSize={11} fontWeight={600} fill={black ? "#fffdf7" : "#211c16"}>
          {letter}
        </text>
      )}
    </g>
  );
}

/** A key of a scale: a small plank on it, for neither hand. */
function ShownKey({ midi, name }: { midi: number; name: string }) {
  const black = [1, 3, 6, 8, 10].includes(midi % 12);
  const y = black ? BLACK_LENGTH - 20 : LENGTH - 34;
  return (
    <g>
      <rect
        x={centre(midi, LOWEST) - 6.5}
        y={y}
        width={13}
        height={17}
        rx={1.5}
        fill="#e6d7bb"
        stroke="#211c16"
        strokeWidth={1}
      />
      <text x={centre(midi, LOWEST)} y={y + 12} textAnchor="middle" fontSize={9} fontWeight={600} fill="#211c16">
        {name.replace(/-?\d+$/, "")}
      </text>
    </g>
  );
}

const EASE: Record<Stroke["ease"], string> = {
  comfortable: "",
  stretch: " – a stretch",
  "key-edge": " – at the key edges",
  "out-of-reach": " – out of reach",
};

function Stretch({ stroke, spanMm }: { stroke: Stroke; spanMm: number }) {
  const low = stroke.notes[0];
  const high = stroke.notes[stroke.notes.length - 1];
  if (!low || !high) return null;
  const from = centre(low.midi, LOWEST);
  const to = centre(high.midi, LOWEST);
  const words = `${stroke.stretchMm.toFixed(1)} mm of ${spanMm}${stroke.rolled ? " – rolled" : EASE[stroke.ease]}`;
  return (
    <g stroke="var(--accent)" fill="none" strokeWidth={1.4}>
      <path d={`M${from} -2V-7H${to}V-2`} />
      <text
        x={(from + to) / 2}
        y={-11}
        textAnchor="middle"
        fontSize={10.5}
        fontWeight={600}
        fill="var(--accent)"
        stroke="none"
      >
        {words}
      </text>
    </g>
  );
}
