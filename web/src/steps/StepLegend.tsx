import { useState } from "react";
import { LinkButton } from "../ui/LinkButton";
import { type Step, StepLine } from "./StepLine";

const SIGNS: { steps: Step[]; name: string; says: string }[] = [
  { steps: [{ tick: 0, ticks: 960, mark: "heel" }], name: "heel", says: "the bass, as long as its line" },
  { steps: [{ tick: 0, ticks: 480, mark: "toe" }], name: "toe", says: "what lies above the bass" },
  { steps: [{ tick: 0, ticks: 480, mark: "lead" }], name: "wedge", says: "a note that leads into the next bass" },
  { steps: [{ tick: 0, ticks: 960, mark: "heel", rolled: true }], name: "brushed heel", says: "rolled from below" },
  { steps: [{ tick: 0, ticks: 480, mark: "toe", hand: "R" }], name: "roof", says: "the right hand strikes" },
  { steps: [{ tick: 0, ticks: 480, mark: "toe", accent: true }], name: "under it a wedge", says: "an accent" },
];

/** What the step line says, sign by sign; the planks are its floor. */
export function StepLegend() {
  return (
    <dl className="grid grid-cols-[6rem_1fr] items-center gap-x-3 gap-y-1">
      <dt>
        <StepLine width={96} barTicks={1920} beatTicks={960} steps={[]} label="planks" />
      </dt>
      <dd>
        <span className="font-semibold">planks</span>: the parts of the bar, dark where a beat begins; they are counted
        below
      </dd>
      {SIGNS.map(({ steps, name, says }) => (
        <div key={name} className="contents">
          <dt>
            <StepLine width={96} barTicks={1920} beatTicks={960} steps={steps} label={name} />
          </dt>
          <dd>
            <span className="font-semibold">{name}</span>: {says}
          </dd>
        </div>
      ))}
    </dl>
  );
}

const KEPT = "zapateo.legend";

/** The same where the step line is met for the first time, until it is put away. */
export function FirstLegend() {
  const [away, setAway] = useState(() => localStorage.getItem(KEPT) === "read");
  if (away) return null;
  return (
    <section aria-label="How the step line is read" className="mt-2 border-grain border-l-4 pl-3 text-[0.93rem]">
      <p className="flex items-baseline justify-between gap-4">
        <span className="font-semibold">The step line is the floor your hand dances on.</span>
        <LinkButton
          onClick={() => {
            localStorage.setItem(KEPT, "read");
            setAway(true);
          }}
          high={8}
        >
          I can read it
        </LinkButton>
      </p>
      <StepLegend />
    </section>
  );
}
