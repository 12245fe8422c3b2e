import type { Choices as Chosen, Figure } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { plain } from "../../ui/words";

const VOICING_REASONS: Record<string, string> = {
  single: "The bass alone: first stage, small hands, fast basses.",
  octave: "The bass doubled: a full sound.",
  "open-fifth": "Leaves the third to the right hand.",
  spread: "Every other tone: deep and clear. Rolled where it is out of reach.",
};

const REGISTER_REASONS: Record<string, string> = {
  deep: "Basses from E1 to E3, at home around D2.",
  middle: "Nothing below C3: with a bass player, or over a quiet tune.",
};

const RATIOS = ["1", "1.5", "2", "2.5", "3"];

/** The choices in the order a player thinks: what the hand takes, where it lies, how it swings. */
export function Choices({
  figure,
  choices,
  feel,
  swingRatio,
  onChoose,
}: {
  figure: Figure | undefined;
  choices: Chosen;
  feel: string;
  swingRatio: number;
  onChoose: (choices: Chosen) => void;
}) {
  if (!figure) return <section aria-label="Choices" />;
  const usual = figure.voicings[0];
  const voicing = figure.accepts.includes(choices.voicing ?? "") ? (choices.voicing as string) : "auto";
  const sounding = voicing === "auto" ? (usual?.id ?? "") : voicing;
  const register = figure.registers.includes(choices.register ?? "") ? (choices.register as string) : (figure.registers[0] ?? "deep");
  const chosenRatio = choices.swingRatio === undefined ? "auto" : String(choices.swingRatio);
  return (
    <section
      aria-label="Choices"
      className="min-h-0 overflow-auto border-line border-l px-4 py-2 max-md:order-last max-md:shrink-0 max-md:border-l-0"
    >
      <h2 className="text-lg">Choices</h2>
      <p className="mb-2 text-[0.92rem] text-quiet leading-snug">{figure.use}</p>
      <div className="grid gap-2">
        <Choice
          label="Voicing"
          value={voicing}
          disabled={figure.voicings.length === 0}
          options={
            figure.voicings.length === 0
              ? [{ value: "auto", label: "the figure's own notes" }]
              : [
                  { value: "auto", label: `Usual: ${usual?.name ?? ""}` },
                  ...figure.voicings.map((each) => ({ value: each.id, label: each.name })),
                ]
          }
          reason={figure.voicings.length === 0 ? "This figure spells its chords note by note." : (VOICING_REASONS[sounding] ?? "")}
          onChange={(value) => onChoose({ voicing: value })}
        />
        <Choice
          label="Register"
          value={register}
          disabled={figure.registers.length < 2}
          options={figure.registers.map((each) => ({ value: each, label: each === "deep" ? "Deep" : "Middle" }))}
          reason={figure.registers.length < 2 ? "This figure lies nowhere else." : (REGISTER_REASONS[register] ?? "")}
          onChange={(value) => onChoose({ register: value as "deep" | "middle" })}
        />
        <Choice
          label="Swing, long to short"
          value={chosenRatio}
          options={[
            { value: "auto", label: feel === "straight" ? "As the feel: straight" : `As the feel: ${plain(swingRatio)} to 1` },
            ...RATIOS.map((ratio) => ({ value: ratio, label: ratio === "1" ? "Straight" : `${ratio} to 1` })),
          ]}
          reason={
            chosenRatio === "auto"
              ? feel === "swing"
                ? "Even out by themselves as the tempo rises."
                : feel === "shuffle"
                  ? "A shuffle is triplets: 2 to 1."
                  : "Both eighths alike."
              : "Set by hand, at every tempo."
          }
          onChange={(value) => onChoose({ swingRatio: value === "auto" ? undefined : Number(value) })}
        />
      </div>
      <p className="mt-3 border-line border-t pt-2 text-[0.9rem] text-quiet leading-snug">
        No forced stretch: wrist low and loose, roll what is wide. Stop at pain or numbness and see a doctor; ask a teacher about technique.
      </p>
    </section>
  );
}
