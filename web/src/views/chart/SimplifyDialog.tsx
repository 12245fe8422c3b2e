import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Refused, type Simplified, take } from "../../api/client";
import { useWork } from "../../song/desk";
import { CheckField } from "../../ui/CheckField";
import { Chord } from "../../ui/Chord";
import { LinkButton } from "../../ui/LinkButton";
import type { Sheet } from "./useSheet";

const KNOWS = [
  { value: "triads", label: "major and minor triads" },
  { value: "sevenths", label: "triads and plain sevenths" },
  { value: "these", label: "just these:" },
] as const;

const HOW: Record<string, string> = {
  bass: "without its bass",
  extension: "without its extension",
  relative: "by its relative",
  dominant: "by the chord it is part of",
};

/** Chords one knows: every change is shown and can be left out; the undo takes all back. */
export function SimplifyDialog({ open, onClose, sheet }: { open: boolean; onClose: () => void; sheet: Sheet }) {
  const { desk } = useWork();
  const [knows, setKnows] = useState<"triads" | "sevenths" | "these">("triads");
  const [own, setOwn] = useState("C F G Am Dm Em G7");
  const [left, setLeft] = useState<Set<string>>(new Set());
  const text = desk.draft.chart;
  const chords = own.split(/[\s,]+/).filter(Boolean);
  const answer = useQuery<Simplified, Refused>({
    queryKey: ["simplify", text, knows, knows === "these" ? own : ""],
    queryFn: () => take(api.POST("/api/charts/simplify", { body: { text, knows, chords } })),
    enabled: open,
    retry: false,
  });
  const changes = answer.data?.changes ?? [];
  const taken = changes.filter((change) => !left.has(`${change.bar}.${change.chord}`));
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-ink/35" />
      <div className="fixed inset-0 flex items-start justify-center overflow-auto p-6">
        <DialogPanel className="w-full max-w-2xl border border-grain bg-sheet px-6 py-5">
          <DialogTitle className="text-2xl">Plainer chords</DialogTitle>
          <fieldset className="mt-2 flex flex-wrap gap-x-5">
            <legend className="text-quiet">I know</legend>
            {KNOWS.map((each) => (
              <label key={each.value} className="flex min-h-10 items-center gap-1.5">
                <input
                  type="radio"
                  name="knows"
                  checked={knows === each.value}
                  onChange={() => setKnows(each.value)}
                  className="size-4 accent-(--accent)"
                />
                {each.label}
              </label>
            ))}
            <input
              aria-label="Chords I know"
              value={own}
              onChange={(event) => setOwn(event.target.value)}
              onFocus={() => setKnows("these")}
              className="h-10 min-w-56 flex-1 rounded-plank border border-line bg-ground px-2 font-serif"
            />
          </fieldset>
          {answer.isError && <p className="mt-2 border-accent border-l-4 bg-wash px-3 py-2">{answer.error.message}</p>}
          <ul className="mt-3 max-h-72 overflow-auto">
            {changes.map((change) => {
              const id = `${change.bar}.${change.chord}`;
              return (
                <li key={id}>
                  <CheckField
                    on={!left.has(id)}
                    onTurn={() =>
                      setLeft((before) => {
                        const next = new Set(before);
                        if (!next.delete(id)) next.add(id);
                        return next;
                      })
                    }
                  >
                    <span className="w-16 text-quiet">bar {change.number}</span>
                    <span className="text-lg">
                      <Chord symbol={change.from} /> → <Chord symbol={change.to} />
                    </span>
                    <span className="text-quiet">{HOW[change.how] ?? change.how}</span>
                  </CheckField>
                </li>
              );
            })}
          </ul>
          {answer.data && changes.length === 0 && (
            <p className="mt-2">Nothing to change: you know every chord of this song that can be said more plainly.</p>
          )}
          {answer.data && answer.data.left.length > 0 && (
            <p className="mt-2 text-quiet">
              Nothing you know comes near {answer.data.left.join(", ")}; they stay as they are.
            </p>
          )}
          <div className="mt-4 flex gap-5">
            <button
              type="button"
              disabled={taken.length === 0}
              onClick={() => {
                sheet.edit({
                  kind: "replaceChords",
                  changes: taken.map((change) => ({ bar: change.bar, chord: change.chord, symbol: change.to })),
                });
                onClose();
              }}
              className="h-11 rounded-plank bg-ink px-5 font-semibold text-ground"
            >
              Change {taken.length} {taken.length === 1 ? "chord" : "chords"}
            </button>
            <LinkButton strong onClick={onClose}>
              Leave the song as it is
            </LinkButton>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
