/**
 * The shape of a verdict, told without colour: a wedge that leans early or late, a cross for another key, a ring for a
 * missing one, a diamond for another octave.
 */
export function shapeOf(verdict: string, x: number, y: number, r: number): { d: string; filled: boolean } | null {
  switch (verdict) {
    case "early":
      return { d: `M${x - 1.9 * r} ${y}l${2 * r} ${-1.3 * r}v${2.6 * r}z`, filled: true };
    case "late":
      return { d: `M${x + 1.9 * r} ${y}l${-2 * r} ${-1.3 * r}v${2.6 * r}z`, filled: true };
    case "wrong":
      return { d: `M${x - r} ${y - r}l${2 * r} ${2 * r}m0 ${-2 * r}l${-2 * r} ${2 * r}`, filled: false };
    case "missed":
      return {
        d: `M${x - 1.1 * r} ${y}a${1.1 * r} ${1.1 * r} 0 1 0 ${2.2 * r} 0a${1.1 * r} ${1.1 * r} 0 1 0 ${-2.2 * r} 0`,
        filled: false,
      };
    case "octave":
      return {
        d: `M${x} ${y - 1.3 * r}l${1.3 * r} ${1.3 * r}l${-1.3 * r} ${1.3 * r}l${-1.3 * r} ${-1.3 * r}z`,
        filled: false,
      };
    default:
      return null;
  }
}

const SVG = "http://www.w3.org/2000/svg";

/**
 * Draws verdicts round the heads of an engraved page, by the ids of its notes; gives back what takes them away again.
 */
export function mark(root: Element, verdicts: ReadonlyMap<string, string>): () => void {
  const drawn: Element[] = [];
  for (const [id, verdict] of verdicts) {
    const note = root.querySelector(`[id="${id}"], [id^="${id}-"], [id^="${id}_"]`);
    const head = note?.querySelector<SVGGraphicsElement>(".notehead");
    if (!note || !head?.getBBox) continue;
    const box = head.getBBox();
    const r = Math.max(box.width, box.height) * 0.62;
    const aside = verdict === "early" ? -r : verdict === "late" ? r : 0;
    const shape = shapeOf(
      verdict,
      box.x + box.width / 2 + aside,
      box.y + box.height / 2,
      verdict === "early" || verdict === "late" ? r * 0.7 : r,
    );
    if (!shape) continue;
    const path = document.createElementNS(SVG, "path");
    path.setAttribute("d", shape.d);
    path.setAttribute("class", shape.filled ? "verdict filled" : "verdict");
    path.setAttribute("stroke-width", String(r * 0.3));
    note.append(path);
    drawn.push(path);
  }
  return () => {
    for (const path of drawn) path.remove();
  };
}
