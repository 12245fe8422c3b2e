import type { Choices, FormSection } from "../../api/client";

/** What the choices say of the form, and how one press changes it. */
const place = (text: string): number => Number(text.split("@")[0]);

export function timesOf(choices: Choices, section: FormSection): number {
  const own = (choices.times ?? []).find((each) => place(each) === section.place);
  return own ? Number(own.split("@")[1]) : 1;
}

export function withTimes(choices: Choices, section: FormSection, times: number): Choices {
  const others = (choices.times ?? []).filter((each) => place(each) !== section.place);
  return open(choices, "times", times === 1 ? others : [...others, `${section.place}@${times}`]);
}

/** Semitones from this section on; 0 for the key it has. */
export function keyUpOf(choices: Choices, section: FormSection): number {
  return choices.keyUp && place(choices.keyUp) === section.place ? Number(choices.keyUp.split("@")[1]) : 0;
}

export function withKeyUp(choices: Choices, section: FormSection, semitones: number): Choices {
  return open(choices, "keyUp", semitones === 0 ? undefined : `${section.place}@${semitones}`);
}

/** A bar stops after its first beat, every time or this one. */
export function withBreak(choices: Choices, bar: string, on: boolean): Choices {
  const others = (choices.breaks ?? []).filter((each) => each !== bar);
  return open(choices, "breaks", on ? [...others, bar] : others);
}

/** With a choice, or without it where it is as usual. */
export function open<K extends keyof Choices>(choices: Choices, name: K, value: Choices[K] | undefined): Choices {
  const { [name]: _before, ...others } = choices;
  const empty = value === undefined || value === "" || (Array.isArray(value) && value.length === 0);
  return (empty ? others : { ...others, [name]: value }) as Choices;
}
