import {
  Dialog,
  DialogBackdrop,
  DialogPanel,
  DialogTitle,
  Menu,
  MenuButton,
  MenuItem,
  MenuItems,
} from "@headlessui/react";
import { useState } from "react";
import type { Arrangement, NamedChoices } from "../../api/client";
import { useArrangement } from "../../api/queries";
import { useArranged, useMarked, useWork } from "../../song/desk";
import { settings, useTable } from "../../song/table";
import { LinkButton } from "../../ui/LinkButton";
import { differences } from "./differences";

/** The arrangements of one song: open another, copy, rename, delete, compare. */
export function Arrangements() {
  const { desk, setCompared } = useWork();
  const { arrangement } = useArranged();
  const { selection } = useMarked();
  const table = useTable();
  const { arrangementId, arrangement: name, choices, others } = desk.draft;
  const [asking, setAsking] = useState<"copy" | "rename" | null>(null);
  const [comparing, setComparing] = useState<NamedChoices | null>(null);
  const open = (other: NamedChoices) => {
    setCompared({ name, choices, figure: arrangement?.bars[selection[0]]?.choices.figure ?? "" });
    desk.change({
      arrangementId: other.id,
      arrangement: other.name,
      choices: other.choices,
      others: [{ id: arrangementId, name, choices }, ...others.filter((each) => each !== other)],
    });
  };
  const named = (text: string) => {
    const taken =
      others.some((each) => each.name.toLowerCase() === text.toLowerCase()) ||
      (asking === "copy" && text.toLowerCase() === name.toLowerCase());
    if (!text || taken) return "Another name, please: this one is taken or empty.";
    if (asking === "copy")
      desk.change({
        arrangementId: crypto.randomUUID(),
        arrangement: text,
        others: [{ id: arrangementId, name, choices }, ...others],
      });
    else desk.change({ arrangement: text });
    setAsking(null);
    return "";
  };
  return (
    <>
      <Menu>
        <MenuButton
          className="min-h-8 truncate font-semibold underline decoration-dotted underline-offset-4"
          title="Arrangements of this song"
        >
          Arrangement: {name} ▾
        </MenuButton>
        <MenuItems
          modal={false}
          anchor="bottom start"
          className="z-30 w-72 rounded-plank border border-grain bg-sheet py-1 outline-none [--anchor-gap:4px]"
        >
          {others.map((other) => (
            <MenuItem key={other.name}>
              <button
                type="button"
                onClick={() => open(other)}
                className="block w-full px-3 py-1.5 text-left data-focus:bg-wash"
              >
                <span className="block font-semibold">{other.name}</span>
                <span className="block truncate text-[0.88rem] text-quiet">
                  {settings(table, other.choices) || "figure held"}
                </span>
              </button>
            </MenuItem>
          ))}
          <MenuItem>
            <button
              type="button"
              onClick={() => setAsking("copy")}
              className="block min-h-9 w-full border-line border-t px-3 text-left data-focus:bg-wash"
            >
              Copy "{name}" under a new name …
            </button>
          </MenuItem>
          <MenuItem>
            <button
              type="button"
              onClick={() => setAsking("rename")}
              className="block min-h-9 w-full px-3 text-left data-focus:bg-wash"
            >
              Rename …
            </button>
          </MenuItem>
          {others.map((other) => (
            <MenuItem key={`compare ${other.name}`}>
              <button
                type="button"
                onClick={() => setComparing(other)}
                className="block min-h-9 w-full px-3 text-left data-focus:bg-wash"
              >
                Compare with "{other.name}" …
              </button>
            </MenuItem>
          ))}
          {others[0] && (
            <MenuItem>
              <button
                type="button"
                onClick={() => {
                  const [next, ...rest] = others as [NamedChoices, ...NamedChoices[]];
                  desk.change({ arrangementId: next.id, arrangement: next.name, choices: next.choices, others: rest });
                }}
                className="block min-h-9 w-full px-3 text-left data-focus:bg-wash"
              >
                Delete "{name}"
              </button>
            </MenuItem>
          )}
        </MenuItems>
      </Menu>
      {asking && (
        <NameDialog
          first={asking === "rename" ? name : ""}
          title={asking === "copy" ? `Copy "${name}"` : `Rename "${name}"`}
          onName={named}
          onClose={() => setAsking(null)}
        />
      )}
      {comparing && (
        <Comparison
          mine={{ name, choices }}
          other={comparing}
          onClose={() => setComparing(null)}
          onHear={() => {
            open(comparing);
            setComparing(null);
          }}
        />
      )}
    </>
  );
}

function NameDialog({
  first,
  title,
  onName,
  onClose,
}: {
  first: string;
  title: string;
  onName: (name: string) => string;
  onClose: () => void;
}) {
  const [name, setName] = useState(first);
  const [wrong, setWrong] = useState("");
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-ink/35" />
      <div className="fixed inset-0 flex items-start justify-center p-16">
        <DialogPanel className="w-full max-w-md border border-grain bg-sheet px-6 py-5">
          <DialogTitle className="text-xl">{title}</DialogTitle>
          <form
            onSubmit={(event) => {
              event.preventDefault();
              setWrong(onName(name.trim()));
            }}
          >
            <label className="mt-3 block">
              <span className="text-quiet">Name</span>
              <input
                data-autofocus
                value={name}
                maxLength={60}
                onChange={(event) => setName(event.target.value)}
                placeholder="with a singer, for a pupil …"
                className="mt-0.5 h-11 w-full rounded-plank border border-line bg-sheet px-2.5"
              />
            </label>
            {wrong && (
              <p role="alert" className="mt-2 border-accent border-l-4 bg-wash px-2 py-1">
                {wrong}
              </p>
            )}
            <div className="mt-4 flex justify-end gap-5">
              <button type="button" onClick={onClose} className="min-h-10">
                Leave it
              </button>
              <LinkButton type="submit" high={10} strong>
                Keep the name
              </LinkButton>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

/** Two arrangements side by side, in what they choose and in what comes of it. */
function Comparison({
  mine,
  other,
  onClose,
  onHear,
}: {
  mine: NamedChoices;
  other: NamedChoices;
  onClose: () => void;
  onHear: () => void;
}) {
  const { asked } = useWork();
  const first = useArrangement({ ...asked, choices: mine.choices, figures: [] });
  const second = useArrangement({ ...asked, choices: other.choices, figures: [] });
  const rows = differences(
    mine.choices,
    other.choices,
    Object.fromEntries(useTable().map((each) => [each.id, each.name])),
  );
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-ink/35" />
      <div className="fixed inset-0 flex items-start justify-center overflow-auto p-10">
        <DialogPanel className="w-full max-w-3xl border border-grain bg-sheet px-6 py-5">
          <DialogTitle className="text-2xl">Two arrangements</DialogTitle>
          <table className="mt-3 w-full border-collapse text-left">
            <thead>
              <tr className="border-grain border-b">
                <th className="py-1 font-normal text-quiet" scope="col">
                  <span className="sr-only">choice</span>
                </th>
                <th className="py-1" scope="col">
                  {mine.name}
                </th>
                <th className="py-1" scope="col">
                  {other.name}
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row key={row.name} {...row} />
              ))}
              {measures(first.data, second.data).map(([name, one, two]) => (
                <Row key={name} name={name} one={one} two={two} />
              ))}
            </tbody>
          </table>
          <div className="mt-4 flex justify-end gap-5">
            <button type="button" onClick={onClose} className="min-h-10">
              Close
            </button>
            <LinkButton onClick={onHear} high={10} strong>
              Open "{other.name}", with A back to "{mine.name}"
            </LinkButton>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Row({ name, one, two }: { name: string; one: string; two: string }) {
  return (
    <tr className="border-line border-b">
      <th scope="row" className="py-1 pr-4 font-normal text-quiet">
        {name}
      </th>
      <td className={one === two ? "py-1" : "py-1 font-semibold"}>{one}</td>
      <td className={one === two ? "py-1" : "py-1 font-semibold"}>{two}</td>
    </tr>
  );
}

function measures(one: Arrangement | undefined, two: Arrangement | undefined): [string, string, string][] {
  if (!one || !two) return [];
  const lowest = (each: Arrangement) =>
    each.strokes.flatMap((stroke) => stroke.notes).reduce((low, note) => (note.midi < low.midi ? note : low)).name;
  const widest = (each: Arrangement) =>
    `${Math.max(0, ...each.strokes.filter((stroke) => !stroke.rolled).map((stroke) => stroke.stretchMm)).toFixed(1)} mm`;
  const perBar = (each: Arrangement) => (each.strokes.length / each.bars.length).toFixed(1);
  return one.strokes.length > 0 && two.strokes.length > 0
    ? [
        ["strokes a bar", perBar(one), perBar(two)],
        ["lowest note", lowest(one), lowest(two)],
        ["widest, struck together", widest(one), widest(two)],
      ]
    : [];
}
