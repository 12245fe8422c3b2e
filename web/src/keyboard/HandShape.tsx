import type { Stroke } from "../api/client";
import { centre } from "./geometry";

/** Between the tips of a hand at rest, in millimetres; the thumb lies further off. */
const APART = 22;
const THUMB_APART = 34;
const FINGERS = [1, 2, 3, 4, 5];

type Tip = { finger: number; x: number; key: number | null };

/** Where the five tips lie: on their keys where they play, between or beside those where they rest. */
export function tipsOf(stroke: Stroke, lowest: number): Tip[] {
  const left = stroke.hand === "L";
  const placed = new Map<number, { x: number; midi: number }>();
  for (const note of stroke.notes)
    if (note.finger) placed.set(note.finger, { x: centre(note.midi, lowest), midi: note.midi });
  if (placed.size === 0) return [];
  const used = [...placed.keys()].sort((a, b) => a - b);
  const along = (finger: number) => (finger === 1 ? 0 : THUMB_APART + (finger - 2) * APART) * (left ? -1 : 1);
  return FINGERS.map((finger) => {
    const own = placed.get(finger);
    if (own) return { finger, x: own.x, key: own.midi };
    const below = used.filter((each) => each < finger).at(-1);
    const above = used.find((each) => each > finger);
    const at = (each: number) => placed.get(each)?.x ?? 0;
    if (below !== undefined && above !== undefined) {
      const share = (along(finger) - along(below)) / (along(above) - along(below));
      return { finger, x: at(below) + share * (at(above) - at(below)), key: null };
    }
    const near = below ?? above ?? finger;
    return { finger, x: at(near) + along(finger) - along(near), key: null };
  });
}

/** The hand as it lies on the keys, in the keyboard's millimetres; only what is over the keys is seen. */
export function HandShape({
  stroke,
  lowest,
  keyLength,
  blackLength,
}: {
  stroke: Stroke;
  lowest: number;
  keyLength: number;
  blackLength: number;
}) {
  const tips = tipsOf(stroke, lowest);
  if (tips.length === 0) return null;
  const middle = tips.reduce((sum, tip) => sum + tip.x, 0) / tips.length;
  const left = stroke.hand === "L";
  return (
    <g>
      {tips.map((tip) => {
        const black = tip.key !== null && [1, 3, 6, 8, 10].includes(tip.key % 12);
        const rests = tip.key === null;
        const y = rests
          ? keyLength - (tip.finger === 1 ? 8 : 22)
          : black
            ? blackLength - 6
            : keyLength - (tip.finger === 1 ? 14 : 22);
        const knuckle = middle + (tip.x - middle) * 0.55 + (tip.finger === 1 ? (left ? 10 : -10) : 0);
        return (
          <path
            key={tip.finger}
            d={`M${tip.x} ${y}L${knuckle} ${keyLength + 46}`}
            stroke={left ? "var(--accent)" : "#1d5560"}
            strokeOpacity={rests ? 0.14 : 0.26}
            strokeWidth={tip.finger === 1 ? 18 : 14}
            strokeLinecap="round"
            fill="none"
          />
        );
      })}
    </g>
  );
}
