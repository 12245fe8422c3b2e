import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { meaningOf } from "./glossary";

/** A word of the trade that says what it means when it is pressed. */
export function Term({ word, children }: { word: string; children?: string }) {
  const meaning = meaningOf(word);
  const text = children ?? word;
  if (!meaning) return <>{text}</>;
  return (
    <Popover className="relative inline">
      <PopoverButton
        title={`What “${word}” means`}
        className="underline decoration-dotted decoration-1 underline-offset-4"
        aria-label={`What “${word}” means`}
      >
        {text}
      </PopoverButton>
      <PopoverPanel anchor="bottom start" className="z-50 w-72 rounded-plank border border-grain bg-sheet px-4 py-3 [--anchor-gap:4px]">
        <span className="font-semibold">{word}</span>: {meaning}.
      </PopoverPanel>
    </Popover>
  );
}
