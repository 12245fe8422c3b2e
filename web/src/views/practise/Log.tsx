import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import type { Goal } from "../../api/client";
import { useLog } from "../../api/practice";
import { Calendar, ClearBars, Evenness, Tempos } from "./Pictures";
import { LAYERS } from "./practise";

/** What was done, and its pictures. Nobody else sees it. */
export function Log({ songId, goal, onClose }: { songId: string; goal: Goal | undefined; onClose: () => void }) {
  const log = useLog();
  const all = log.data ?? [];
  const own = all.filter((pass) => pass.song === songId);
  return (
    <Dialog open onClose={onClose} className="relative z-20">
      <div className="fixed inset-0 bg-ink/40" aria-hidden="true" />
      <div className="fixed inset-4 overflow-auto rounded-plank bg-ground p-5">
        <DialogPanel>
          <div className="flex items-baseline justify-between gap-4">
            <DialogTitle className="font-serif text-[1.5rem]">The practice log</DialogTitle>
            <div className="flex gap-5">
              <a href="/api/practice/log/export/csv" download className="text-accent underline underline-offset-4">
                as a table (CSV)
              </a>
              <a href="/api/practice/log/export/json" download className="text-accent underline underline-offset-4">
                as JSON
              </a>
              <button
                type="button"
                data-autofocus
                onClick={onClose}
                className="font-semibold text-accent underline underline-offset-4"
              >
                close
              </button>
            </div>
          </div>
          {all.length === 0 ? (
            <p className="mt-3 max-w-prose text-quiet">
              Nothing yet. Each pass is written down here: when, which bars, how fast, whether it was clean, and a word
              of your own.
            </p>
          ) : (
            <>
              <div className="mt-3 grid grid-cols-2 gap-x-8 gap-y-4 max-lg:grid-cols-1">
                <Calendar passes={all} />
                <Tempos passes={own} goal={goal?.tempo} />
                <ClearBars passes={own} />
                <Evenness passes={own} />
              </div>
              <table className="mt-5 w-full text-left">
                <caption className="sr-only">Passes, the latest first</caption>
                <thead className="text-quiet">
                  <tr>
                    {["When", "Song", "Bars", "What", "♩ =", "How", "Word", "Hurt"].map((head) => (
                      <th key={head} scope="col" className="py-1 pr-3 font-normal">
                        {head}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {all.slice(0, 60).map((pass) => (
                    <tr key={pass.id} className="border-line border-t">
                      <td className="py-1 pr-3 whitespace-nowrap">{pass.day}</td>
                      <td className="pr-3">{pass.title}</td>
                      <td className="pr-3">{pass.first === pass.last ? pass.first : `${pass.first}–${pass.last}`}</td>
                      <td className="pr-3">{LAYERS.find((layer) => layer.value === pass.layer)?.label}</td>
                      <td className="pr-3">{Math.round(pass.tempo)}</td>
                      <td className="pr-3">
                        {pass.clean ? "clean" : "once more"}
                        {pass.right !== undefined ? `, ${Math.round(pass.right * 100)} of 100` : ""}
                      </td>
                      <td className="pr-3">{pass.word}</td>
                      <td>{pass.hurt}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          )}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
