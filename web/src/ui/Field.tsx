import { useEffect, useRef, useState } from "react";

/** Words or a number that are taken with Enter, or when the field is left. */
export function Field({
  label,
  value,
  onTake,
  className = "",
  placeholder = "",
  numeric = false,
  bare = false,
  labelled = false,
}: {
  label: string;
  value: string;
  onTake: (value: string) => void;
  className?: string;
  placeholder?: string;
  numeric?: boolean;
  bare?: boolean;
  /** Whether its label stands over it. */
  labelled?: boolean;
}) {
  const [text, setText] = useState(value);
  const offered = useRef<string | null>(null);
  useEffect(() => {
    setText(value);
    offered.current = null;
  }, [value]);
  const take = () => {
    offered.current = text.trim();
    if (text.trim() !== value) onTake(text.trim());
  };
  // What Enter took (and what may have been refused) is not taken a second time by going elsewhere.
  const leave = () => {
    if (text.trim() !== offered.current) take();
  };
  const field = (
    <input
      aria-label={label}
      title={label}
      value={text}
      placeholder={placeholder || (labelled ? "" : label)}
      inputMode={numeric ? "decimal" : "text"}
      onChange={(event) => setText(event.target.value)}
      onBlur={leave}
      onKeyDown={(event) => {
        if (event.key === "Enter") take();
        if (event.key === "Escape") setText(value);
      }}
      className={`rounded-plank px-2 ${bare ? "min-h-8 border-line border-b border-dotted bg-transparent" : "min-h-10 border border-line bg-sheet"} ${className}`}
    />
  );
  if (!labelled) return field;
  return (
    <div>
      <span aria-hidden="true" className="text-quiet">
        {label}
      </span>
      {field}
    </div>
  );
}
