import type { Sound } from "../../sound/usePlayer";
import { Toggle } from "../../ui/Toggle";

const HANDS = [
  { id: "both", label: "both hands", left: true, right: true },
  { id: "left", label: "left alone", left: true, right: false },
  { id: "right", label: "right alone", left: false, right: true },
] as const;

const USUAL = 0.8;

/** Which hands sound: the other one is for the person at the keyboard. */
export function Hear({ sound }: { sound: Sound }) {
  const { volumes, setVolumes } = sound;
  return (
    <fieldset className="flex items-baseline gap-3">
      <legend className="sr-only">Which hands sound</legend>
      <span aria-hidden="true" className="text-quiet">
        hear
      </span>
      {HANDS.map((each) => {
        const on = volumes.left > 0 === each.left && volumes.right > 0 === each.right;
        return (
          <Toggle
            key={each.id}
            onClick={() =>
              setVolumes({
                ...volumes,
                left: each.left ? volumes.left || USUAL : 0,
                right: each.right ? volumes.right || USUAL : 0,
              })
            }
            on={on}
          >
            {each.label}
          </Toggle>
        );
      })}
    </fieldset>
  );
}
