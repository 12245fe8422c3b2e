import type { Figure } from "../../api/client";
import { useFigures } from "../../api/queries";
import { useArranged, useMarked, useWork } from "../../song/desk";
import { FigureEditor } from "./FigureEditor";
import { songMeter } from "./figureDraft";

/** A figure, or a copy of it. */
export type Edited = { figure: Figure; copy: boolean };

/** The figure that is being written, tried on the song at hand until it is kept or left. */
export function EditedFigure({
  edited,
  setEdited,
  onKept,
}: {
  edited: Edited;
  setEdited: (none: null) => void;
  onKept: (id: string) => void;
}) {
  const { setTried } = useWork();
  const { arrangement } = useArranged();
  const { selection } = useMarked();
  const figures = useFigures();
  return (
    <FigureEditor
      key={edited.figure.id}
      figure={edited.figure}
      copy={edited.copy}
      songMeter={songMeter(arrangement?.bars ?? [], selection[0])}
      families={[...new Set((figures.data ?? []).map((each) => each.family))]}
      onTry={setTried}
      onKept={(kept) => {
        setEdited(null);
        onKept(kept.id);
      }}
      onClose={() => setEdited(null)}
    />
  );
}
