import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { type Imported, importFile, Refused } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";
import { LeftOut } from "../../ui/Notice";
import { ManyFiles } from "./ManyFiles";

const FORMATS: Record<string, string> = {
  chart: "a chart",
  musicxml: "MusicXML",
  "compressed-musicxml": "compressed MusicXML",
  abc: "ABC",
  midi: "a MIDI file",
  package: "all of a song, with its arrangements and figures",
  "words-with-chords-above": "words with chords above them",
  "words-with-chords-inside": "words with chords inside them",
};

/**
 * Files dropped anywhere on the page, chosen, or pasted as text: what it was understood as is shown before it is kept.
 */
export function Import({ pasted }: { pasted: { text: string } | null }) {
  const [files, setFiles] = useState<File[]>([]);
  const [over, setOver] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  // The list a browser gives is emptied with its field: what is in it is taken out at once.
  const add = useCallback((list: FileList | null) => {
    const brought = [...(list ?? [])];
    setFiles((before) => [...before, ...brought]);
  }, []);
  useEffect(() => {
    if (pasted)
      setFiles((before) => [...before, new File([pasted.text], "What was pasted.txt", { type: "text/plain" })]);
  }, [pasted]);

  useEffect(() => {
    const holds = (event: DragEvent) => event.dataTransfer?.types.includes("Files");
    const enter = (event: DragEvent) => {
      if (!holds(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const leave = (event: DragEvent) => !event.relatedTarget && setOver(false);
    const drop = (event: DragEvent) => {
      if (!holds(event)) return;
      event.preventDefault();
      setOver(false);
      add(event.dataTransfer?.files ?? null);
    };
    window.addEventListener("dragover", enter);
    window.addEventListener("dragleave", leave);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("dragover", enter);
      window.removeEventListener("dragleave", leave);
      window.removeEventListener("drop", drop);
    };
  }, [add]);

  const file = files[0];
  return (
    <>
      <button
        type="button"
        onClick={() => picker.current?.click()}
        className={`h-12 rounded-plank border border-dashed px-4 ${over ? "border-accent bg-wash" : "border-grain"}`}
      >
        {over ? "Let it go here" : "Bring in a file, or drop it here"}
      </button>
      <input
        ref={picker}
        type="file"
        multiple
        aria-label="A file to bring in"
        accept=".musicxml,.xml,.mxl,.abc,.mid,.midi,.txt,.cho,.crd,.pro,.zip"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          add(event.target.files);
          event.target.value = "";
        }}
      />
      {file && files.length === 1 && (
        <Preview key={`${file.name}${file.lastModified}`} file={file} onDone={() => setFiles([])} />
      )}
      {files.length > 1 && <ManyFiles files={files} onDone={() => setFiles([])} />}
    </>
  );
}

function Preview({ file, onDone }: { file: File; onDone: () => void }) {
  const [answer, setAnswer] = useState<Imported | null>(null);
  const [refused, setRefused] = useState<Refused | null>(null);
  const [tracks, setTracks] = useState<{ melody?: number; chords?: number }>({});
  const navigate = useNavigate();
  const queries = useQueryClient();

  useEffect(() => {
    let late = false;
    importFile(file, false, tracks)
      .then((read) => {
        if (late) return;
        setAnswer(read);
        setRefused(null);
      })
      .catch((error) => !late && setRefused(error instanceof Refused ? error : new Refused(0, String(error))));
    return () => {
      late = true;
    };
  }, [file, tracks]);

  const keep = async () => {
    try {
      const kept = await importFile(file, true, tracks);
      queries.invalidateQueries({ queryKey: ["songs"] });
      onDone();
      if (kept.song) navigate(`/songs/${kept.song.id}/chart`);
    } catch (error) {
      setRefused(error instanceof Refused ? error : new Refused(0, String(error)));
    }
  };
  const problems = refused ? refused.problems : (answer?.problems ?? []);
  return (
    <Dialog open onClose={onDone} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-ink/35" />
      <div className="fixed inset-0 flex items-start justify-center overflow-auto p-6">
        <DialogPanel className="w-full max-w-3xl border border-grain bg-sheet px-6 py-5">
          <DialogTitle className="text-2xl">{answer && !refused ? answer.title : file.name}</DialogTitle>
          {refused ? (
            <p className="mt-2 border-accent border-l-4 bg-wash px-3 py-2">{refused.message}</p>
          ) : answer ? (
            <>
              <p className="text-quiet">
                {file.name} was read as {FORMATS[answer.format] ?? answer.format}: {answer.bars} bars
                {answer.hasTune ? ", with a melody" : ""}
                {answer.guesses > 0 ? `, ${answer.guesses} of them with a guessed length` : ""}.
              </p>
              {answer.tracks.length > 0 && (
                <div className="mt-2 flex flex-wrap gap-5">
                  {(["melody", "chords"] as const).map((part) => (
                    <label key={part} className="flex items-center gap-2">
                      <span className="text-quiet">{part === "melody" ? "Melody from" : "Chords from"}</span>
                      <select
                        value={tracks[part] ?? ""}
                        onChange={(event) =>
                          setTracks({ ...tracks, [part]: event.target.value ? Number(event.target.value) : undefined })
                        }
                        className="h-10 rounded-plank border border-line bg-ground px-2"
                      >
                        <option value="">{part === "melody" ? "the likeliest track" : "no track"}</option>
                        {answer.tracks.map((track) => (
                          <option key={track.number} value={track.number}>
                            {track.number} {track.name} ({track.notes} notes{track.chordal ? ", chords" : ""})
                          </option>
                        ))}
                      </select>
                    </label>
                  ))}
                </div>
              )}
              <pre className="mt-3 max-h-72 overflow-auto whitespace-pre-wrap border border-line bg-ground px-3 py-2 font-sans leading-relaxed">
                {answer.chart}
              </pre>
            </>
          ) : (
            <p className="mt-2 text-quiet">Reading …</p>
          )}
          {problems.length > 0 && (
            <section aria-label="What was not understood" className="mt-3">
              <h3>
                {problems.some((problem) => problem.severity === "error")
                  ? "What was wrong"
                  : "What was left out or guessed"}
              </h3>
              <ul className="max-h-40 overflow-auto">
                {problems.map((problem) => (
                  <li
                    key={`${problem.line}.${problem.column}.${problem.code}.${problem.found}`}
                    className="my-0.5 border-grain border-l-4 px-3"
                  >
                    <span className="text-quiet">Line {problem.line}: </span>
                    {problem.message}
                  </li>
                ))}
              </ul>
            </section>
          )}
          {answer && answer.leftOut.length > 0 && (
            <LeftOut what={answer.leftOut}>Some of it cannot be used and is left out</LeftOut>
          )}
          <div className="mt-4 flex flex-wrap items-center gap-5">
            {answer && !refused && (
              <button type="button" onClick={keep} className="h-11 rounded-plank bg-ink px-5 font-semibold text-ground">
                Keep it
              </button>
            )}
            <LinkButton strong onClick={onDone}>
              {refused ? "Close" : "Cancel"}
            </LinkButton>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
