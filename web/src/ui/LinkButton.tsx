import type { ButtonHTMLAttributes } from "react";

const HIGH = { 7: "min-h-7", 8: "min-h-8", 9: "min-h-9", 10: "min-h-10", 11: "min-h-11", 12: "min-h-12" };

/** A button that reads as words to be pressed. */
export function LinkButton({
  high = 9,
  strong = false,
  plain = false,
  className = "",
  ...button
}: ButtonHTMLAttributes<HTMLButtonElement> & {
  /** Its least height, in quarters of a rem. */
  high?: keyof typeof HIGH;
  strong?: boolean;
  /** In the colour of the words around it. */
  plain?: boolean;
}) {
  const looks = `${HIGH[high]} ${strong ? "font-semibold" : ""} ${plain ? "" : "text-accent"} ${className}`;
  return (
    <button
      type="button"
      {...button}
      className={`underline underline-offset-4 disabled:text-quiet disabled:no-underline ${looks}`}
    />
  );
}
