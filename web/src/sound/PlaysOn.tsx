import { useEffect, useState, useSyncExternalStore } from "react";
import { CheckField } from "../ui/CheckField";
import { Choice } from "../ui/Choice";
import { midiInstruments, type NoteSink } from "./midiOut";
import { standInPiano } from "./standInPiano";
import type { Sound } from "./usePlayer";

const HERE = "here";

/** Where the music sounds: on this computer, on a digital piano, or on both, and how much later the piano is told. */
export function PlaysOn({ sound }: { sound: Sound }) {
  const { out, setOut } = sound;
  const [found, setFound] = useState<NoteSink[]>([]);
  useEffect(() => {
    midiInstruments().then(setFound);
  }, []);
  const struck = useSyncExternalStore(standInPiano.subscribe, standInPiano.count);
  const sinks = [...found, standInPiano];
  return (
    <div className="grid gap-1">
      <Choice
        label="Plays on"
        value={out.sink?.id ?? HERE}
        options={[
          { value: HERE, label: "this computer" },
          ...sinks.map((each) => ({ value: each.id, label: each.name })),
        ]}
        onChange={(id) => setOut({ ...out, sink: sinks.find((each) => each.id === id) ?? null })}
        reason={out.sink === standInPiano ? `It was told to strike ${struck} keys.` : ""}
      />
      {out.sink && (
        <>
          <CheckField on={out.hereToo} onTurn={(on) => setOut({ ...out, hereToo: on })}>
            and on this computer too
          </CheckField>
          <label className="grid grid-cols-[5.5rem_1fr] items-center">
            delay
            <input
              type="range"
              min={-100}
              max={400}
              step={5}
              value={out.delayMs}
              aria-valuetext={`${out.delayMs} milliseconds`}
              onChange={(event) => setOut({ ...out, delayMs: Number(event.target.value) })}
              className="accent-(--accent)"
            />
          </label>
          <p className="text-[0.86rem] text-quiet">
            {out.delayMs === 0
              ? "With the light on the keyboard."
              : `${Math.abs(out.delayMs)} ms ${out.delayMs > 0 ? "later" : "earlier"} than the light.`}
          </p>
        </>
      )}
    </div>
  );
}
