import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Refused, type SongVersion, take } from "../api/client";

/** Every earlier state of the song, to be had back; the present one is not lost by it. */
export function Versions({ songId, onTake }: { songId: string; onTake: (version: SongVersion) => void }) {
  const [open, setOpen] = useState(false);
  const versions = useQuery<SongVersion[], Refused>({
    queryKey: ["versions", songId, open],
    queryFn: () => take(api.GET("/api/songs/{id}/versions", { params: { path: { id: songId } } })),
    enabled: open,
    staleTime: 0,
  });
  return (
    <>
      <button type="button" onClick={() => setOpen(true)} className="h-10 px-2" title="Earlier states of this song">
        Earlier
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
        <DialogBackdrop className="fixed inset-0 bg-ink/35" />
        <div className="fixed inset-0 flex items-start justify-center p-8">
          <DialogPanel className="flex max-h-full w-full max-w-xl flex-col border border-grain bg-sheet">
            <DialogTitle className="border-line border-b px-5 py-3 text-xl">Earlier states</DialogTitle>
            <div className="min-h-0 overflow-auto">
              {versions.isPending && <p className="p-5 text-quiet">Looking …</p>}
              {versions.isError && <p className="p-5">{versions.error.message}</p>}
              <ol>
                {versions.data?.map((version, index) => (
                  <li key={version.version} className="flex items-center gap-4 border-line border-b px-5 py-2">
                    <span className="w-8 text-quiet">{version.version}</span>
                    <span className="min-w-0 flex-1">
                      <span className="block truncate font-semibold">{version.title}</span>
                      <span className="text-quiet">
                        {new Date(version.savedAt).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })} ·{" "}
                        {version.choices.figure ?? "held"}
                      </span>
                    </span>
                    {index === 0 ? (
                      <span className="text-quiet">as it is now</span>
                    ) : (
                      <button
                        type="button"
                        className="min-h-10 font-semibold text-accent underline underline-offset-4"
                        onClick={() => {
                          onTake(version);
                          setOpen(false);
                        }}
                      >
                        Have it back
                      </button>
                    )}
                  </li>
                ))}
              </ol>
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
