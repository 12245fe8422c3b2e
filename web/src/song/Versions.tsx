import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { useInfiniteQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Refused, type SongState, type SongVersion, take } from "../api/client";
import { LinkButton } from "../ui/LinkButton";

const PAGE = 50;

/**
 * Earlier states of the song, to be had back; the present one is not lost by it. A state with a name is always in the
 * list, of others only as many as an eye takes in.
 */
export function Versions({ songId, onTake }: { songId: string; onTake: (state: SongState) => void }) {
  const [open, setOpen] = useState(false);
  const [naming, setNaming] = useState<number | null>(null);
  const [trouble, setTrouble] = useState("");
  const queries = useQueryClient();
  const key = ["versions", songId, open];
  const versions = useInfiniteQuery<SongVersion[], Refused, SongVersion[], unknown[], number | undefined>({
    queryKey: key,
    queryFn: ({ pageParam }) =>
      take(
        api.GET("/api/songs/{id}/versions", {
          params: { path: { id: songId }, query: { before: pageParam, most: PAGE } },
        }),
      ),
    initialPageParam: undefined,
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last.at(-1)?.version),
    select: (data) => data.pages.flat(),
    enabled: open,
    staleTime: 0,
  });
  const haveBack = async (version: number) => {
    try {
      onTake(await take(api.GET("/api/songs/{id}/versions/{version}", { params: { path: { id: songId, version } } })));
      setOpen(false);
    } catch (refused) {
      setTrouble((refused as Refused).message);
    }
  };
  const name = async (version: number, text: string) => {
    setNaming(null);
    try {
      await take(
        api.PUT("/api/songs/{id}/versions/{version}", {
          params: { path: { id: songId, version } },
          body: { name: text },
        }) as never,
      );
      await queries.invalidateQueries({ queryKey: key });
    } catch (refused) {
      setTrouble((refused as Refused).message);
    }
  };
  return (
    <>
      <button
        type="button"
        onClick={() => {
          setTrouble("");
          setOpen(true);
        }}
        className="h-10 px-2"
        title="Earlier states of this song"
      >
        Versions
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
        <DialogBackdrop className="fixed inset-0 bg-ink/35" />
        <div className="fixed inset-0 flex items-start justify-center p-8">
          <DialogPanel className="flex max-h-full w-full max-w-2xl flex-col border border-grain bg-sheet">
            <DialogTitle className="border-line border-b px-5 py-3 text-xl">Versions of this song</DialogTitle>
            <div className="min-h-0 overflow-auto">
              {versions.isPending && <p className="p-5 text-quiet">Looking …</p>}
              {versions.isError && <p className="p-5">{versions.error.message}</p>}
              {trouble && (
                <p role="alert" className="p-5">
                  {trouble}
                </p>
              )}
              <ol>
                {versions.data?.map((version, index) => (
                  <li key={version.version} className="flex items-center gap-4 border-line border-b px-5 py-2">
                    <span className="min-w-8 text-quiet">{version.version}</span>
                    {naming === version.version ? (
                      <NameField
                        present={version.name ?? ""}
                        onName={(text) => name(version.version, text)}
                        onLeave={() => setNaming(null)}
                      />
                    ) : (
                      <>
                        <span className="min-w-0 flex-1">
                          <span className="block truncate font-semibold" title={version.name ?? version.title}>
                            {version.name ?? version.title}
                          </span>
                          <span className="text-quiet">
                            {new Date(version.savedAt).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}{" "}
                            · {version.arrangement} · {version.figure.replaceAll("-", " ")}
                          </span>
                        </span>
                        <LinkButton high={10} plain onClick={() => setNaming(version.version)}>
                          {version.name ? "Rename" : "Name it"}
                        </LinkButton>
                        {index === 0 ? (
                          <span className="w-28 text-right text-quiet">as it is now</span>
                        ) : (
                          <LinkButton
                            high={10}
                            strong
                            className="w-28 text-right"
                            onClick={() => haveBack(version.version)}
                          >
                            Have it back
                          </LinkButton>
                        )}
                      </>
                    )}
                  </li>
                ))}
              </ol>
              {versions.hasNextPage && (
                <LinkButton high={11} strong className="px-5" onClick={() => versions.fetchNextPage()}>
                  Older ones
                </LinkButton>
              )}
              <p className="px-5 py-3 text-[0.88rem] text-quiet">
                All of the last hour, then the last of each hour, then of each day. Nothing is ever thrown away; one
                with a name is always listed.
              </p>
            </div>
            <button type="button" onClick={() => setOpen(false)} className="min-h-11 self-end px-5 font-semibold">
              Close
            </button>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
}

function NameField({
  present,
  onName,
  onLeave,
}: {
  present: string;
  onName: (text: string) => void;
  onLeave: () => void;
}) {
  const [text, setText] = useState(present);
  return (
    <form
      className="flex min-w-0 flex-1 items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        onName(text);
      }}
    >
      <input
        // biome-ignore lint/a11y/noAutofocus: the field was asked for by a press
        autoFocus
        value={text}
        maxLength={60}
        aria-label="A name for this state"
        placeholder="before the wedding"
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "Escape") return;
          event.stopPropagation();
          onLeave();
        }}
        className="h-10 min-w-0 flex-1 border border-grain bg-paper px-2"
      />
      <LinkButton type="submit" high={10} strong>
        Keep the name
      </LinkButton>
    </form>
  );
}
