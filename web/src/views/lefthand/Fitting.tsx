import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { Link } from "react-router";
import type { Figure } from "../../api/client";
import { useFitting } from "../../api/queries";

/** The songs of the repertoire in the order a figure fits them. */
export function Fitting({ figure, onClose }: { figure: Figure; onClose: () => void }) {
  const songs = useFitting(figure.id);
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-ink/35" />
      <div className="fixed inset-0 flex items-start justify-center p-8">
        <DialogPanel className="flex max-h-full w-full max-w-2xl flex-col border border-grain bg-sheet">
          <DialogTitle className="border-line border-b px-5 py-3 text-xl">Songs for {figure.name}</DialogTitle>
          {songs.isPending && <p className="p-5 text-quiet">Looking …</p>}
          {songs.isError && <p className="p-5">{songs.error.message}</p>}
          <ol className="min-h-0 overflow-auto">
            {songs.data?.map((song) => (
              <li key={song.id} className="border-line border-b px-5 py-1.5">
                <Link
                  to={`/songs/${song.id}/left-hand`}
                  onClick={onClose}
                  className={`font-serif text-lg underline underline-offset-4 ${song.fits ? "text-accent" : ""}`}
                >
                  {song.title}
                </Link>
                <p className="text-[0.92rem] text-quiet leading-snug">{song.reasons.join(" ")}</p>
              </li>
            ))}
          </ol>
          <button type="button" onClick={onClose} className="min-h-11 self-end px-5 font-semibold">
            Close
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
