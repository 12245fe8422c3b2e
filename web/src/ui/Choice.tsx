import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from "@headlessui/react";
import { wordIn } from "./glossary";
import { Term } from "./Term";

export type Option<T extends string> = { value: T; label: string };

/** One choice with its line of reason below it. */
export function Choice<T extends string>({
  label,
  value,
  options,
  reason = "",
  onChange,
  disabled = false,
  slim = false,
}: {
  label: string;
  value: T;
  options: Option<T>[];
  reason?: string;
  onChange: (value: T) => void;
  disabled?: boolean;
  /** Low and without its label above it, for a row of several. */
  slim?: boolean;
}) {
  const term = wordIn(label);
  const chosen = options.find((option) => option.value === value) ?? options[0];
  return (
    <div>
      <Listbox value={value} onChange={onChange} disabled={disabled}>
        {!slim && (
          <span className="text-quiet">
            {term ? <Term word={term}>{label}</Term> : <span aria-hidden="true">{label}</span>}
          </span>
        )}
        <ListboxButton
          aria-label={`${label}: ${chosen?.label ?? ""}`}
          className={`flex w-full items-center justify-between rounded-plank border border-line bg-sheet text-left ${slim ? "h-8 px-1.5" : "mt-0.5 h-10 px-2.5 font-semibold"}`}
        >
          <span className="truncate">{chosen?.label}</span>
          <span aria-hidden="true" className="text-quiet">
            {disabled ? "" : "▾"}
          </span>
        </ListboxButton>
        <ListboxOptions
          modal={false}
          anchor="bottom start"
          className="z-30 max-h-[60vh]! min-w-(--button-width) overflow-auto rounded-plank border border-grain bg-sheet py-1 outline-none [--anchor-gap:2px]"
        >
          {options.map((option) => (
            <ListboxOption
              key={option.value}
              value={option.value}
              className="flex min-h-10 items-center gap-2 px-2.5 data-focus:bg-wash data-selected:font-semibold"
            >
              <span className="w-3 text-accent" aria-hidden="true">
                {option.value === value ? "▪" : ""}
              </span>
              {option.label}
            </ListboxOption>
          ))}
        </ListboxOptions>
      </Listbox>
      {reason && <p className="mt-0.5 text-[0.92rem] text-quiet leading-snug">{reason}</p>}
    </div>
  );
}
