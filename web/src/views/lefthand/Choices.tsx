import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import type { ReactNode } from "react";
import type { Choices as Chosen, Figure, Options, Suggested, ThereIs } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { plain } from "../../ui/words";

const REGISTER_REASONS: Record<string, string> = {
  deep: "Basses from E1 to E3, at home around D2.",
  medium: "Basses from E2 to A3, at home around B2: light, without a rumble.",
  middle: "Nothing below C3: with a bass player, or over a quiet tune.",
};

const REGISTERS: Record<string, string> = { deep: "Deep", medium: "Medium", middle: "Middle" };

const AS_HANDS = "hands";

const TENTHS = [
  { value: AS_HANDS, label: "As My hands say", reason: "What you chose for tenths and octaves under My hands." },
  { value: "roll", label: "Roll them", reason: "What your hand cannot span is opened from below." },
  { value: "pedal", label: "Catch them with the pedal", reason: "The bass first, the pedal holds it." },
  { value: "omit", label: "Leave out the top", reason: "Only what your hand holds." },
  { value: "play", label: "Play them as written", reason: "For a large hand; never force a stretch." },
];

const LIVELINESS = [
  { value: "none", label: "None" },
  { value: "some", label: "Some" },
  { value: "much", label: "Much" },
];

const BASSES = [
  { value: "auto", label: "As the figure has them", reason: "The figure's own basses." },
  { value: "alone", label: "Alone", reason: "One note each, without its octave or tenth." },
  { value: "octave", label: "In octaves", reason: "Each bass with the octave above it." },
  {
    value: "tenth",
    label: "In tenths",
    reason: "Each bass with its tenth, on 3 as well; what your hand cannot span is done as you choose below.",
  },
  {
    value: "filled-tenth",
    label: "In filled tenths",
    reason: "Tenths with the seventh inside, or the fifth: for a large hand, or rolled.",
  },
];

const RATIOS = ["1", "1.5", "2", "2.5", "3"];
const AUTO = "auto";

/** The choices in the order a player thinks: bass, voicing, register, figure's own ways, feel. */
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
  if (!figure) return null;
  const usual = figure.voicings[0];
  const voicing = figure.accepts.includes(options.voicing ?? "") ? (options.voicing as string) : AUTO;
  const sounding = figure.voicings.find((each) => each.id === (voicing === AUTO ? usual?.id : voicing));
  const register = figure.registers.includes(options.register ?? "")
    ? (options.register as string)
    : (figure.registers[0] ?? "deep");
  const chosenRatio = choices.swingRatio === undefined ? AUTO : String(choices.swingRatio);
  const line = thereIs?.bassLines.find((each) => each.id === options.bassLine);
  const leadIn = thereIs?.leadIns.find((each) => each.id === (options.leadIn ?? figure.manner.leadIn ?? ""));
  const tenths = TENTHS.find((each) => each.value === (options.tenths ?? AS_HANDS));
  return (
    <div className="grid gap-2">
      {suggested && <Occasion suggested={suggested} onTake={onChoose} />}
      <Choice
        label="Bass line"
        value={options.bassLine ?? AUTO}
        options={[
          { value: AUTO, label: "The figure's own" },
          ...(thereIs?.bassLines ?? []).map((each) => ({ value: each.id, label: each.name })),
        ]}
        reason={line?.use ?? "What the figure does with the root."}
        onChange={(value) => onChoose({ bassLine: value })}
      />
      {figure.manner.hasLine && (
        <Choice
          label="Basses"
          value={options.withBass ?? AUTO}
          options={BASSES}
          reason={BASSES.find((each) => each.value === (options.withBass ?? AUTO))?.reason}
          onChange={(value) => onChoose({ withBass: value === AUTO ? undefined : (value as Options["withBass"]) })}
        />
      )}
      <Choice
        label="Lead-in to a change"
        value={options.leadIn ?? AUTO}
        disabled={!figure.manner.hasLine}
        options={[
          { value: AUTO, label: "The figure's own way" },
          ...(thereIs?.leadIns ?? []).map((each) => ({ value: each.id, label: each.name })),
        ]}
        reason={
          figure.manner.hasLine ? (leadIn?.use ?? "Straight onto the next bass.") : "This figure has no single basses."
        }
        onChange={(value) => onChoose({ leadIn: value })}
      />
      <Choice
        label="Voicing"
        value={voicing}
        disabled={figure.voicings.length === 0}
        options={
          figure.voicings.length === 0
            ? [{ value: AUTO, label: "the figure's own notes" }]
            : [
                { value: AUTO, label: `Usual: ${usual?.name ?? ""}` },
                ...figure.voicings.map((each) => ({ value: each.id, label: each.name })),
              ]
        }
        reason={figure.voicings.length === 0 ? "This figure spells its chords note by note." : (sounding?.use ?? "")}
        onChange={(value) => onChoose({ voicing: value })}
      />
      <Choice
        label="Register"
        value={register}
        disabled={figure.registers.length < 2}
        options={figure.registers.map((each) => ({ value: each, label: REGISTERS[each] ?? each }))}
        reason={figure.registers.length < 2 ? "This figure lies nowhere else." : (REGISTER_REASONS[register] ?? "")}
        onChange={(value) => onChoose({ register: value as Options["register"] })}
      />
      <Choice
        label="What is too wide"
        value={options.tenths ?? AS_HANDS}
        options={TENTHS}
        reason={tenths?.reason}
        onChange={(value) => {
          const way = value === AS_HANDS ? undefined : (value as Options["tenths"]);
          onChoose({ tenths: way, octaves: way });
        }}
      />
      <Choice
        label="Liveliness"
        value={options.variations === false ? "none" : (options.liveliness ?? "none")}
        options={LIVELINESS}
        reason="How often a bar differs: a walk into a section, a break before it comes back, an early chord, a thinner second verse. The pattern carries the song."
        onChange={(value) => onChoose({ liveliness: value as Options["liveliness"], variations: undefined })}
      />
      {(options.liveliness ?? "none") !== "none" && lively}
      <div>
        <Tick
          label="with a bass player"
          checked={options.withBassPlayer ?? false}
          onChange={(on) => onChoose({ withBassPlayer: on })}
        />
        <Tick
          label="keep the top line still"
          checked={options.keepTop ?? false}
          onChange={(on) => onChoose({ keepTop: on })}
        />
        <Tick label="pedal" checked={options.pedal ?? figure.manner.pedal} onChange={(on) => onChoose({ pedal: on })} />
      </div>
      {wholeSong && (
        <>
          <Choice
            label="Swing, long to short"
            value={chosenRatio}
            options={[
              {
                value: AUTO,
                label: feel === "straight" ? "As the feel: straight" : `As the feel: ${plain(swingRatio)} to 1`,
              },
              ...RATIOS.map((ratio) => ({ value: ratio, label: ratio === "1" ? "Straight" : `${ratio} to 1` })),
            ]}
            reason={
              chosenRatio === AUTO
                ? feel === "swing"
                  ? "Even out by themselves as the tempo rises."
                  : feel === "shuffle"
                    ? "A shuffle is triplets: 2 to 1."
                    : "Both eighths alike."
                : "Set by hand, at every tempo."
            }
            onChange={(value) => onSong({ swingRatio: value === AUTO ? undefined : Number(value) })}
          />
          <Choice
            label="Last bar"
            value={choices.ending ?? AUTO}
            options={[
              { value: AUTO, label: "As the style ends" },
              ...(thereIs?.endings ?? []).map((each) => ({ value: each.id, label: each.name })),
              { value: "figure", label: "The figure goes on" },
            ]}
            reason={
              thereIs?.endings.find((each) => each.id === choices.ending)?.use ??
              "A song of eight bars or more that comes home ends as its style does; one that goes round does not."
            }
            onChange={(value) => onSong({ ending: value === AUTO ? undefined : (value as Chosen["ending"]) })}
          />
          <Tick
            label="a little uneven, as hands are (heard, not written)"
            checked={choices.seed !== undefined}
            onChange={(on) => onSong({ seed: on ? 1 : undefined })}
          />
          {thereIs && <Costs thereIs={thereIs} costs={choices.costs ?? {}} onChange={(costs) => onSong({ costs })} />}
        </>
      )}
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

function Tick({ label, checked, onChange }: { label: string; checked: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="size-4 shrink-0 accent-(--accent)"
      />
      {label}
    </label>
  );
}

/** Several choices at once; the list says which. */
function Occasion({ suggested, onTake }: { suggested: Suggested; onTake: (options: Options) => void }) {
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
              <span className="block text-[0.86rem] leading-snug">sets {settings(preset.choices)}</span>
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

const SAID: Record<string, string> = {
  figure: "figure",
  voicing: "voicing",
  register: "register",
  bassLine: "bass line",
  leadIn: "lead-in",
  tenths: "tenths",
  variations: "variations",
  liveliness: "liveliness",
  withBassPlayer: "bass player",
  withBass: "basses",
  strokes: "own strokes",
};

/** "figure held, voicing open fifth, …" */
export function settings(options: Options): string {
  return Object.entries(options)
    .filter(([name, value]) => SAID[name] && value !== null && value !== undefined)
    .map(
      ([name, value]) =>
        `${SAID[name]} ${value === true ? "yes" : value === false ? "no" : String(value).replaceAll("-", " ")}`,
    )
    .join(", ");
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
