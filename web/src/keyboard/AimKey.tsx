import { centre } from "./geometry";

/**
 * A key to improvise on: a third or seventh to aim at, another tone of the chord, a note of its scale, one to pass
 * through only.
 */
export type Aim = { midi: number; name: string; kind: "guide" | "chord" | "scale" | "avoid" };

/**
 * Told apart by shape: a house for a note to aim at, a square for a tone of the chord, a bar for one of the scale, a
 * cross for one not to hold.
 */
export function AimKey({
  aim,
  lowest,
  keyLength,
  blackLength,
}: {
  aim: Aim;
  lowest: number;
  keyLength: number;
  blackLength: number;
}) {
  const black = [1, 3, 6, 8, 10].includes(aim.midi % 12);
  const x = centre(aim.midi, lowest);
  const y = black ? blackLength - 16 : keyLength - 30;
  const ink = black ? "#fffdf7" : "#1d5560";
  return (
    <g data-aim={aim.kind}>
      <AimShape kind={aim.kind} x={x} y={y} ink={ink} ground={black ? "#211c16" : "#fffdf7"} />
      {(aim.kind === "guide" || aim.kind === "chord") && (
        <text
          x={x}
          y={y + 5}
          textAnchor="middle"
          fontSize={9}
          fontWeight={600}
          fill={aim.kind === "guide" ? (black ? "#211c16" : "#fffdf7") : ink}
        >
          {aim.name}
        </text>
      )}
    </g>
  );
}

export function AimShape({
  kind,
  x,
  y,
  ink,
  ground,
}: {
  kind: Aim["kind"];
  x: number;
  y: number;
  ink: string;
  ground: string;
}) {
  if (kind === "guide")
    return <path d={`M${x - 7} ${y + 9}V${y - 3}L${x} ${y - 10}L${x + 7} ${y - 3}V${y + 9}z`} fill={ink} />;
  if (kind === "chord")
    return <rect x={x - 6.5} y={y - 5} width={13} height={14} fill={ground} stroke={ink} strokeWidth={1.8} />;
  if (kind === "scale") return <rect x={x - 5} y={y + 4} width={10} height={4} fill={ink} />;
  return <path d={`M${x - 4} ${y}l8 8m0 -8l-8 8`} stroke={ink} strokeWidth={1.8} fill="none" />;
}
