import type { ButtonHTMLAttributes } from "react";

/** One of several words of which some are on. */
export function Toggle({
  on,
  quiet = false,
  className = "min-h-8",
  ...button
}: Omit<ButtonHTMLAttributes<HTMLButtonElement>, "aria-pressed"> & {
  on: boolean;
  /** Softer while it is off. */
  quiet?: boolean;
}) {
  const looks = on ? "border-accent font-semibold text-accent" : `border-transparent ${quiet ? "text-quiet" : ""}`;
  return <button type="button" {...button} aria-pressed={on} className={`border-b-2 ${looks} ${className}`} />;
}
