import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { Fragment, type ReactNode } from "react";
import type { Choices as Chosen, Figure, Options, Suggested, ThereIs } from "../../api/client";
import { ChoiceField } from "../../song/ChoiceField";
import { type Row, rowsIn, settings } from "../../song/table";
import { plain } from "../../ui/words";

/** The choices of the table, in its order, with all that shows where a player chooses them. */
export function Choices({
  figure,
  choices,
  options,
  own,
  wholeSong,
  feel,
  swingRatio,
  thereIs,
  suggested,
  onChoose,
  onSong,
  lively,
}: {
  figure: Figure | undefined;
  choices: Chosen;
  /** What holds in the place the choices go to. */
  options: Options;
  /** What was chosen for just that place. */
  own: Options;
  wholeSong: boolean;
  feel: string;
  swingRatio: number;
  thereIs: ThereIs | undefined;
  suggested: Suggested | undefined;
  onChoose: (options: Options) => void;
  onSong: (choices: Partial<Chosen>) => void;
  /** What is played otherwise, shown where liveliness is chosen. */
  lively?: ReactNode;
}) {
  if (!figure || !thereIs) return null;
  const rows = rowsIn(thereIs.choices, wholeSong ? "song" : "section").filter((row) => !row.apart);
  const held = (row: Row) => ((ofPlaces(row) ? options : choices) as Record<string, unknown>)[row.id];
  return (
    <div className="grid gap-2">
      {suggested && <Occasion table={thereIs.choices} suggested={suggested} onTake={onChoose} />}
      {rows.map((row) => (
        <Fragment key={row.id}>
          <ChoiceField
            row={row}
            value={held(row)}
            figure={figure}
            open={row.id === "swingRatio" ? asTheFeel(feel, swingRatio, choices.swingRatio !== undefined) : undefined}
            onChoose={ofPlaces(row) ? onChoose : onSong}
          />
          {row.id === "liveliness" && (options.liveliness ?? "none") !== "none" && lively}
        </Fragment>
      ))}
      {wholeSong && <Costs thereIs={thereIs} costs={choices.costs ?? {}} onChange={(costs) => onSong({ costs })} />}
      {!wholeSong && Object.keys(own).length === 0 && (
        <p className="text-[0.92rem] text-quiet">Nothing of its own yet: as the whole song has it.</p>
      )}
      <p className="border-line border-t pt-2 text-[0.9rem] text-quiet leading-snug">
        No forced stretch: wrist low and loose, roll what is wide. Stop at pain or numbness and see a doctor; ask a
        teacher about technique.
      </p>
    </div>
  );
}

/** Whether it may differ from place to place. */
function ofPlaces(row: Row): boolean {
  return row.places.includes("section");
}

/** What eighths are as the feel and the tempo have them. */
function asTheFeel(feel: string, swingRatio: number, byHand: boolean) {
  if (feel === "straight") return { name: "As the feel: straight", use: "Both eighths alike." };
  const name = byHand ? "As the feel" : `As the feel: ${plain(swingRatio)} to 1`;
  return {
    name,
    use: feel === "swing" ? "Even out by themselves as the tempo rises." : "A shuffle is triplets: 2 to 1.",
  };
}

/** Several choices at once; the list says which. */
function Occasion({
  table,
  suggested,
  onTake,
}: {
  table: Row[];
  suggested: Suggested;
  onTake: (options: Options) => void;
}) {
  return (
    <Menu>
      <MenuButton className="flex h-10 items-center justify-between rounded-plank border border-line bg-plank px-2.5 font-semibold">
        Set for an occasion <span aria-hidden="true">▾</span>
      </MenuButton>
      <MenuItems
        modal={false}
        anchor="bottom end"
        className="z-30 w-80 rounded-plank border border-grain bg-sheet py-1 outline-none [--anchor-gap:2px]"
      >
        {suggested.presets.map((preset) => (
          <MenuItem key={preset.id}>
            <button
              type="button"
              onClick={() => onTake(preset.choices)}
              className="block w-full px-3 py-1.5 text-left data-focus:bg-wash"
            >
              <span className="block font-semibold">{preset.name}</span>
              <span className="block text-[0.92rem] text-quiet leading-snug">{preset.use}</span>
              <span className="block text-[0.86rem] leading-snug">sets {settings(table, preset.choices)}</span>
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

/** What the search weighs, and how much; for those who want to know. */
function Costs({
  thereIs,
  costs,
  onChange,
}: {
  thereIs: ThereIs;
  costs: Record<string, number>;
  onChange: (costs: Record<string, number> | undefined) => void;
}) {
  const set = (id: string, factor: number) => {
    const { [id]: _before, ...others } = costs;
    const next = factor === 1 ? others : { ...others, [id]: factor };
    onChange(Object.keys(next).length > 0 ? next : undefined);
  };
  return (
    <details className="border-line border-t pt-1">
      <summary className="min-h-8 cursor-pointer py-1 font-semibold">What counts</summary>
      <p className="text-[0.9rem] text-quiet leading-snug">
        Octaves and inversions are chosen for the lowest sum of these. 1 is as it ships; 0 leaves it out.
      </p>
      <div className="mt-1 grid gap-1">
        {thereIs.costs.map((cost) => (
          <label
            key={cost.id}
            className="grid grid-cols-[1fr_5rem_2rem] items-center gap-2 text-[0.92rem]"
            title={`for ${cost.unit}`}
          >
            {cost.name}
            <input
              type="range"
              min={0}
              max={4}
              step={0.5}
              value={costs[cost.id] ?? 1}
              onChange={(event) => set(cost.id, Number(event.target.value))}
              className="accent-(--accent)"
            />
            <span className="text-end">{plain(costs[cost.id] ?? 1)}</span>
          </label>
        ))}
      </div>
    </details>
  );
}
