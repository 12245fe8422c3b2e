import { useState } from "react";
import { useTyped } from "../ui/useTyped";
import { plain } from "../ui/words";
import { FASTEST, SLOWEST, typedTempo } from "./tempo";

/** The tempo: typed after a press on its number, or in steps of one and five. */
export function Tempo({ bpm, unit, setBpm }: { bpm: number; unit: string; setBpm: (bpm: number) => void }) {
  const { typed, setTyped, field } = useTyped();
  const [wrong, setWrong] = useState(false);
  const close = () => {
    setTyped(null);
    setWrong(false);
  };
  const take = () => {
    const next = typedTempo(typed ?? "");
    if (next === null) {
      setWrong(true);
      return;
    }
    setBpm(next);
    close();
  };
  const step = (by: number, name: string, sign: string, key: string) => (
    <button
      type="button"
      aria-label={name}
      title={`${name} (${key})`}
      onClick={() => setBpm(bpm + by)}
      className={`h-9 ${Math.abs(by) === 1 ? "w-8 text-xl" : "w-7 text-[0.86rem] text-quiet"}`}
    >
      {sign}
    </button>
  );
  return (
    <div className="relative flex items-center">
      {step(-5, "Slower by five", "−5", "<")}
      {step(-1, "Slower", "−", "−")}
      {typed !== null ? (
        <input
          ref={field}
          value={typed}
          inputMode="numeric"
          aria-label={`${unit}s a minute, ${SLOWEST} to ${FASTEST}`}
          aria-invalid={wrong}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={close}
          onKeyDown={(event) => {
            if (event.key === "Enter") take();
            if (event.key === "Escape") close();
          }}
          className="h-9 w-14 rounded-plank border border-grain bg-sheet text-center font-serif text-2xl"
        />
      ) : (
        <button
          type="button"
          aria-label={`Tempo: ${plain(bpm)} ${unit}s a minute. Press to type another`}
          title="Press to type, T to tap, H for half of it"
          onClick={() => setTyped(plain(bpm))}
          className="h-9 min-w-12 text-center font-semibold font-serif text-2xl underline decoration-dotted decoration-1 underline-offset-4"
        >
          {plain(bpm)}
        </button>
      )}
      {step(1, "Faster", "+", "+")}
      {step(5, "Faster by five", "+5", ">")}
      {wrong && (
        <p
          role="alert"
          className="absolute bottom-full left-0 z-30 whitespace-nowrap border border-accent bg-sheet px-2 py-1"
        >
          A tempo is a number from {SLOWEST} to {FASTEST}.
        </p>
      )}
    </div>
  );
}
