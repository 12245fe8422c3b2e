import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, type Keeping as Kept, type Refused, take as taken, upload } from "../../api/client";
import { watched } from "../../api/watched";
import { hand } from "../../sheet/pdf";
import { LinkButton } from "../../ui/LinkButton";
import { LeftOut } from "../../ui/Notice";

const useKeeping = () =>
  useQuery<Kept, Refused>({ queryKey: ["keeping"], queryFn: () => taken(api.GET("/api/keeping")), staleTime: 60_000 });

const counted = (number: number, one: string, many: string) =>
  number === 0 ? [] : [number === 1 ? `1 ${one}` : `${number} ${many}`];

type Added = { songs: number; evenings: number; figures: number; hands: number; leftOut: string[] };

/** What was added, in words. */
export function addedOf(added: Omit<Added, "leftOut">): string {
  const parts = [
    ...counted(added.songs, "song", "songs"),
    ...counted(added.evenings, "evening", "evenings"),
    ...counted(added.figures, "figure", "figures"),
    ...counted(added.hands, "pair of hands", "pairs of hands"),
  ];
  return parts.length === 0 ? "There was nothing in it to add." : `Added: ${parts.join(", ")}.`;
}

/** Everything in one file, away and back, and where the daily copies lie. */
export function Keeping() {
  const keeping = useKeeping();
  const queries = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [leftOut, setLeftOut] = useState<string[]>([]);
  const picker = useRef<HTMLInputElement>(null);
  const stop = useRef<AbortController | null>(null);
  const take = async () => {
    stop.current = new AbortController();
    setBusy(true);
    setLeftOut([]);
    setSaid("Putting it together …");
    try {
      const file = await watched(
        "/api/keeping/everything",
        ({ done, of }) => of > 0 && setSaid(`Song ${done + 1} of ${of} …`),
        stop.current.signal,
      );
      hand(await file.blob(), "zapateo.zip");
      setSaid("All of it is in zapateo.zip.");
    } catch (error) {
      setSaid(
        stop.current.signal.aborted
          ? "Cancelled."
          : `It could not be had: ${error instanceof Error ? error.message : error}`,
      );
    }
    stop.current = null;
    setBusy(false);
  };
  const bring = async (file: File) => {
    setBusy(true);
    setLeftOut([]);
    setSaid(`Reading ${file.name} …`);
    try {
      const added = await upload<Added>("/api/keeping/everything", file);
      setSaid(addedOf(added));
      setLeftOut(added.leftOut);
      queries.invalidateQueries();
    } catch (error) {
      setSaid(`${file.name}: ${error instanceof Error ? error.message : error}`);
    }
    setBusy(false);
  };
  const newest = keeping.data?.copies[0];
  return (
    <section aria-labelledby="keeping" className="mx-5 mb-10 border-line border-t pt-4">
      <h2 id="keeping" className="text-xl">
        Copies
      </h2>
      <p className="mt-1 max-w-3xl text-quiet">
        All songs, evenings, figures and hands in one file of open formats, for another Zapateo or for safety. Bringing
        it back adds what is in it.
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        <a
          href="/api/keeping/everything"
          download
          aria-disabled={busy}
          onClick={(event) => {
            event.preventDefault();
            if (!busy) void take();
          }}
          className="flex h-11 items-center rounded-plank border border-grain px-4 font-semibold"
        >
          Take everything away
        </a>
        <button
          type="button"
          disabled={busy}
          onClick={() => picker.current?.click()}
          className="h-11 rounded-plank border border-grain border-dashed px-4"
        >
          Bring back …
        </button>
        <input
          ref={picker}
          type="file"
          accept=".zip"
          aria-label="A file of everything to bring back"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = "";
            if (file) void bring(file);
          }}
        />
        <p role="status">{said}</p>
        {stop.current && (
          <LinkButton strong onClick={() => stop.current?.abort()}>
            Cancel
          </LinkButton>
        )}
        {said && !busy && (
          <LinkButton
            strong
            onClick={() => {
              setSaid(null);
              setLeftOut([]);
            }}
          >
            Close
          </LinkButton>
        )}
      </div>
      {leftOut.length > 0 && <LeftOut what={leftOut}>Some of it could not be used and was left out</LeftOut>}
      {keeping.data?.folder && (
        <p className="mt-3 max-w-3xl text-quiet">
          A copy of everything is made once a day in <span className="break-all text-ink">{keeping.data.folder}</span>
          {newest
            ? `, the last one on ${new Date(newest.made).toLocaleString("en-GB", { day: "numeric", month: "long", hour: "2-digit", minute: "2-digit" })}`
            : ""}
          . <code>./zapateo restore</code> puts one in the place of what is here.
        </p>
      )}
    </section>
  );
}
