import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { useMemo } from "react";
import { Keyboard } from "../keyboard/Keyboard";
import { PlaysOn } from "../sound/PlaysOn";
import { isPlaying, playedStrokes, usePlaying } from "../sound/playing";
import type { Metronome } from "../sound/schedule";
import type { Sound } from "../sound/usePlayer";
import { CheckField } from "../ui/CheckField";
import { Choice } from "../ui/Choice";
import { LinkButton } from "../ui/LinkButton";
import { beatSign } from "../ui/words";
import { spanOf, useKeyboard, useSound, useTransport } from "./desk";
import { Floor } from "./Floor";
import { Tempo } from "./Tempo";

const METRONOME: { value: Metronome; label: string }[] = [
  { value: "off", label: "off" },
  { value: "beats", label: "every beat" },
  { value: "two-and-four", label: "2 and 4" },
  { value: "bars", label: "each bar's first" },
  { value: "every-other", label: "every other bar, the rest by yourself" },
];

/** Where the hands are: play, tempo, loop, metronome, and the keyboard with what sounds. */
export function Dock() {
  const sound = useSound();
  const { arrangement, selection, looping, bpm, tempo, levelShown, setLooping, setTempo, takeLevel } = useTransport();
  const sounds = usePlaying(isPlaying);
  const counting = usePlaying((head) => head.counting);
  const vamping = usePlaying((head) => head.playing && (arrangement?.bars[head.bar]?.vamp ?? null) !== null);
  const beat = beatSign(arrangement?.tempo.beatTicks ?? 960);
  const first = arrangement?.bars[selection[0]]?.number ?? 1;
  const last = arrangement?.bars[selection[1]]?.number ?? 1;
  return (
    <section
      aria-label="Transport and keyboard"
      className="flex items-end gap-5 border-line border-t px-5 pt-0.5 pb-1 max-md:flex-col max-md:items-stretch max-md:gap-1 max-md:px-3"
    >
      <div className="grid w-68 shrink-0 grid-cols-[5.5rem_1fr] items-center gap-x-3 gap-y-0.5 max-md:w-full">
        <button
          type="button"
          onClick={sound.toggle}
          disabled={!arrangement}
          aria-label={sounds ? "Stop" : "Play"}
          title={sounds ? "Stop (Space)" : "Play (Space)"}
          className="block h-16 w-[5.5rem] rounded-plank bg-plank"
        >
          <Floor bars={arrangement?.bars ?? []} first={selection[0]} sounds={sounds} />
        </button>
        <div>
          <Tempo bpm={bpm} unit={beat} setBpm={setTempo} />
          <p className="text-[0.86rem] text-quiet leading-tight">
            {sound.state === "loading" ? "tuning the piano …" : counting ? "counting in …" : `${beat}s a minute`}
            {tempo !== null && tempo !== arrangement?.tempo.bpm && (
              <button
                type="button"
                onClick={() => setTempo(null)}
                className="ml-1.5 underline decoration-dotted underline-offset-2"
              >
                reset
              </button>
            )}
          </p>
        </div>
        <div className="col-span-2 flex items-center gap-3 whitespace-nowrap">
          <Choice
            slim
            label="Level (keys 1 to 5; 0 off)"
            value={levelShown === null ? "off" : String(levelShown)}
            options={[
              { value: "off", label: "level off" },
              ...["1", "2", "3", "4", "5"].map((each) => ({ value: each, label: `level ${each}` })),
            ]}
            onChange={(value) => takeLevel(value === "off" ? null : Number(value))}
          />
          <CheckField on={looping} onTurn={setLooping} title="Play these bars again and again (L)">
            loop {first === last ? first : `${first}–${last}`}
          </CheckField>
          {vamping && (
            <LinkButton onClick={sound.goOn} title="Out of the vamp at its end (V)" strong>
              go on
            </LinkButton>
          )}
          <Popover className="relative">
            <PopoverButton
              title="Loudness, metronome (M), what it plays on"
              className="min-h-9 text-quiet underline decoration-dotted underline-offset-4"
            >
              sound ▾
            </PopoverButton>
            <PopoverPanel
              data-over
              className="absolute bottom-full left-0 z-30 mb-1.5 w-72 whitespace-normal rounded-plank border border-grain bg-sheet p-4 max-sm:-left-48"
            >
              <SoundPanel sound={sound} />
            </PopoverPanel>
          </Popover>
        </div>
      </div>
      <div className="min-w-0 flex-1 max-sm:hidden">
        <div className="mx-auto max-w-[62rem]">
          <SoundingKeys />
        </div>
      </div>
    </section>
  );
}

/**
 * The keyboard with what sounds, else with what is asked about, else with the first stroke of the bars that are taken.
 */
function SoundingKeys() {
  const { arrangement, selection, struck, hand, shown, aims, onKey } = useKeyboard();
  const [from] = selection;
  const sounds = usePlaying(isPlaying);
  const played = usePlaying(playedStrokes);
  const strokes = useMemo(() => {
    const resting = arrangement?.strokes.findIndex((stroke) => stroke.bar >= from) ?? -1;
    const indices = sounds ? played : shown ? [] : struck !== null ? [struck] : resting >= 0 ? [resting] : [];
    return indices.flatMap((index) => arrangement?.strokes[index] ?? []);
  }, [arrangement, from, sounds, played, shown, struck]);
  return (
    <Keyboard
      strokes={strokes}
      spanMm={spanOf(hand)}
      shown={sounds && !onKey ? null : shown}
      aims={aims}
      onKey={onKey ?? undefined}
    />
  );
}

function SoundPanel({ sound }: { sound: Sound }) {
  const { volumes, setVolumes } = sound;
  return (
    <div className="grid gap-3">
      <fieldset>
        <legend className="font-semibold">Metronome</legend>
        <div className="mt-1 flex flex-wrap gap-x-4">
          {METRONOME.map((each) => (
            <label key={each.value} className="flex min-h-9 items-center gap-1.5">
              <input
                type="radio"
                name="metronome"
                checked={sound.metronome === each.value}
                onChange={() => sound.setMetronome(each.value)}
                className="size-4 accent-(--accent)"
              />
              {each.label}
            </label>
          ))}
        </div>
      </fieldset>
      <CheckField on={sound.countIn} onTurn={sound.setCountIn}>
        count in one bar
      </CheckField>
      {(["left", "right", "click"] as const).map((name) => (
        <label key={name} className="grid grid-cols-[5.5rem_1fr] items-center">
          {name === "click" ? "click" : `${name} hand`}
          <input
            type="range"
            min={0}
            max={1}
            step={0.05}
            value={volumes[name]}
            onChange={(event) => setVolumes({ ...volumes, [name]: Number(event.target.value) })}
            className="accent-(--accent)"
          />
        </label>
      ))}
      <PlaysOn sound={sound} />
      <p className="text-[0.86rem] text-quiet">
        Keep headphones moderate; rest your ears and hands after 20 to 30 minutes.
      </p>
    </div>
  );
}
