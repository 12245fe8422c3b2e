import { useId, useState } from "react";
import { meaningOf } from "./glossary";

/** A word of the trade that says what it means when it is pressed, below itself. */
export function Term({ word, children }: { word: string; children?: string }) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const meaning = meaningOf(word);
  const text = children ?? word;
  if (!meaning) return <>{text}</>;
  return (
    <>
      <button
        type="button"
        title={`What “${word}” means`}
        aria-label={`What “${word}” means`}
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
        className="underline decoration-dotted decoration-1 underline-offset-4"
      >
        {text}
      </button>
      <span id={id} role="status">
        {open && (
          <span className="block border-grain border-l-4 pl-2 text-ink leading-snug">
            <span className="font-semibold">{word}</span>: {meaning}.
          </span>
        )}
      </span>
    </>
  );
}
