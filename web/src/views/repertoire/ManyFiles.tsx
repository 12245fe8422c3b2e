import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { importFile } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";

type Read = { title: string; bars: number; told: number } | { why: string };
type Kept = { id: string } | { why: string };

const why = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** Several files at once: read one by one as they are looked at, kept together, summed up. */
export function ManyFiles({ files, onDone }: { files: File[]; onDone: () => void }) {
  const [read, setRead] = useState<Read[]>([]);
  const [kept, setKept] = useState<Kept[] | null>(null);
  const [busy, setBusy] = useState(false);
  const left = useRef(false);
  const queries = useQueryClient();

  useEffect(() => {
    left.current = false;
    void (async () => {
      for (const [at, file] of files.entries()) {
        const found: Read = await importFile(file, false)
          .then((answer) => ({ title: answer.title, bars: answer.bars, told: answer.problems.length }))
          .catch((error) => ({ why: why(error) }));
        if (left.current) return;
        setRead((before) => [...before.slice(0, at), found]);
      }
    })();
    return () => {
      left.current = true;
    };
  }, [files]);

  const keep = async () => {
    setBusy(true);
    const all: Kept[] = [];
    for (const [at, file] of files.entries()) {
      const found = read[at];
      all.push(
        found && "why" in found
          ? found
          : await importFile(file, true)
              .then((answer) => (answer.song ? { id: answer.song.id } : { why: "it was not kept" }))
              .catch((error) => ({ why: why(error) })),
      );
      if (left.current) return;
      setKept([...all]);
    }
    setBusy(false);
    queries.invalidateQueries({ queryKey: ["songs"] });
  };
  const good = read.filter((each) => !("why" in each)).length;
  const done = read.length === files.length;
  const songs = kept?.filter((each) => "id" in each).length ?? 0;
  const bad = kept ? kept.length - songs : read.length - good;
  const summary = kept
    ? busy
      ? `Keeping ${kept.length} of ${files.length} …`
      : `${songs === 1 ? "1 song is" : `${songs} songs are`} kept${bad > 0 ? `, ${bad === 1 ? "1 file" : `${bad} files`} could not be read` : ""}.`
    : done
      ? `${good === 1 ? "1 file" : `${good} files`} can be kept${bad > 0 ? `, ${bad} cannot be read` : ""}.`
      : `Reading ${read.length + 1} of ${files.length} …`;
  return (
    <Dialog open onClose={onDone} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-ink/35" />
      <div className="fixed inset-0 flex items-start justify-center overflow-auto p-6">
        <DialogPanel className="w-full max-w-3xl border border-grain bg-sheet px-6 py-5">
          <DialogTitle className="text-2xl">{files.length} files</DialogTitle>
          <p role="status" className="mt-1">
            {summary}
          </p>
          <progress
            aria-label="How far it is"
            className="mt-2 block h-2 w-full accent-(--accent)"
            max={files.length}
            value={busy ? (kept?.length ?? 0) : read.length}
          />
          <ul className="mt-3 max-h-96 overflow-auto border-line border-t">
            {files.map((file, at) => {
              const found = read[at];
              const song = kept?.[at];
              const wrong = song && "why" in song ? song.why : found && "why" in found ? found.why : null;
              return (
                <li
                  key={`${file.name}.${at.toString()}`}
                  className="flex items-baseline gap-3 border-line border-b py-2"
                >
                  <span className="min-w-0 flex-1">
                    <span className="font-semibold">{found && "title" in found ? found.title : file.name}</span>
                    {found && "title" in found && (
                      <span className="text-quiet">
                        {" "}
                        {file.name}, {found.bars === 1 ? "1 bar" : `${found.bars} bars`}
                        {found.told > 0
                          ? `, ${found.told === 1 ? "1 thing" : `${found.told} things`} left out or guessed`
                          : ""}
                      </span>
                    )}
                    {wrong && <span className="block border-accent border-l-4 px-2">{wrong}</span>}
                  </span>
                  {song && "id" in song ? (
                    <Link
                      to={`/songs/${song.id}/chart`}
                      onClick={onDone}
                      className="text-accent underline underline-offset-4"
                    >
                      open
                    </Link>
                  ) : (
                    <span className="text-quiet">{found ? (wrong ? "not read" : "read") : ""}</span>
                  )}
                </li>
              );
            })}
          </ul>
          <div className="mt-4 flex items-center gap-5">
            {!kept && (
              <button
                type="button"
                disabled={!done || good === 0}
                onClick={() => void keep()}
                className="h-11 rounded-plank bg-ink px-5 font-semibold text-ground disabled:opacity-50"
              >
                {good === 1 ? "Keep it" : `Keep all ${good}`}
              </button>
            )}
            <LinkButton strong onClick={onDone}>
              {kept && !busy ? "Close" : "Cancel"}
            </LinkButton>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
