import { type ReactNode, useState } from "react";

type Side = {
  /** What it is called when it is folded away. */
  name: string;
  panel: ReactNode;
  /** The widest and the narrowest, in rem. */
  wide: number;
  narrow: number;
};

const KEPT = "zapateo.folded.";
const FOLDED = "2.75rem";

/**
 * A view of a song: its bars on top, the work in the middle, a panel on either side that can be folded away. Below one
 * another where there is no room beside.
 */
export function Workbench({
  top,
  left,
  right,
  children,
}: {
  top: ReactNode;
  left: Side;
  right: Side;
  children: ReactNode;
}) {
  const [leftFolded, foldLeft] = useFolded(left.name);
  const [rightFolded, foldRight] = useFolded(right.name);
  return (
    <div
      style={{ gridTemplateColumns: `${width(left, leftFolded)} minmax(0, 1fr) ${width(right, rightFolded)}` }}
      className="grid h-full grid-rows-[auto_minmax(0,1fr)] max-md:flex max-md:flex-col max-md:overflow-auto"
    >
      <div className="col-span-3 max-md:w-full">{top}</div>
      <Foldable side={left} at="left" folded={leftFolded} fold={foldLeft} />
      {children}
      <Foldable side={right} at="right" folded={rightFolded} fold={foldRight} />
    </div>
  );
}

function width(side: Side, folded: boolean): string {
  return folded ? FOLDED : `clamp(${side.narrow}rem, ${(side.wide / 80) * 100}vw, ${side.wide}rem)`;
}

function useFolded(name: string): [boolean, (folded: boolean) => void] {
  const [folded, setFolded] = useState(() => localStorage.getItem(KEPT + name) === "yes");
  return [
    folded,
    (next) => {
      localStorage.setItem(KEPT + name, next ? "yes" : "no");
      setFolded(next);
    },
  ];
}

function Foldable({
  side,
  at,
  folded,
  fold,
}: {
  side: Side;
  at: "left" | "right";
  folded: boolean;
  fold: (folded: boolean) => void;
}) {
  const inward = at === "left" ? "‹" : "›";
  const outward = at === "left" ? "›" : "‹";
  if (folded)
    return (
      <>
        <button
          type="button"
          aria-label={`Show ${side.name}`}
          title={`Show ${side.name}`}
          onClick={() => fold(false)}
          className={`flex flex-col items-center gap-3 border-line py-3 font-semibold font-serif max-md:hidden ${at === "left" ? "border-r" : "border-l"}`}
        >
          <span aria-hidden="true">{outward}</span>
          <span aria-hidden="true" className="[writing-mode:vertical-rl]">
            {side.name}
          </span>
        </button>
        <div className="hidden max-md:contents">{side.panel}</div>
      </>
    );
  return (
    <div
      className={`relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] max-md:contents ${at === "left" ? "" : "max-md:order-last"}`}
    >
      {side.panel}
      <button
        type="button"
        data-over
        aria-label={`Fold ${side.name} away`}
        title={`Fold ${side.name} away`}
        onClick={() => fold(true)}
        className={`absolute bottom-2 z-10 flex h-11 w-5 items-center justify-center rounded-plank border border-line bg-plank text-quiet max-md:hidden ${at === "left" ? "-right-2.5" : "-left-2.5"}`}
      >
        <span aria-hidden="true">{inward}</span>
      </button>
    </div>
  );
}
