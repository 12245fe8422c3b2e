import type { InputHTMLAttributes } from "react";

/** Something that is on or off, with its words beside it. */
export function CheckField({
  on,
  onTurn,
  large = false,
  className = "",
  title,
  children,
  ...input
}: Omit<InputHTMLAttributes<HTMLInputElement>, "checked" | "onChange"> & {
  on: boolean;
  onTurn: (on: boolean) => void;
  /** For one that stands by itself. */
  large?: boolean;
}) {
  return (
    <label
      title={title}
      className={`flex items-center gap-2 ${large ? "min-h-11" : "min-h-8 leading-snug"} ${className}`}
    >
      <input
        {...input}
        type="checkbox"
        checked={on}
        onChange={(event) => onTurn(event.target.checked)}
        className={`shrink-0 accent-accent ${large ? "size-5" : "size-4"}`}
      />
      {children}
    </label>
  );
}
