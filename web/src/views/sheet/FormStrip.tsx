import type { FormOf, FormSection } from "../../api/client";
import { minutes } from "../../sheet/drawn";

/** The form as a floor of planks, each as long as its section; what the form adds is drawn lighter. */
export function FormStrip({
  form,
  taken,
  onTake,
  bar,
}: {
  form: FormOf;
  taken: FormSection | null;
  onTake: (section: FormSection) => void;
  /** The bar that sounds, by index; −1 while nothing does. */
  bar: number;
}) {
  return (
    <section aria-label="The form" className="border-line border-b px-5 py-2 max-md:px-3">
      <div className="flex items-end gap-1 overflow-x-auto">
        {form.sections.map((section) => {
          const here = taken?.first === section.first;
          const sounds = bar >= section.first && bar < section.first + section.bars;
          return (
            <button
              key={section.first}
              type="button"
              aria-pressed={here}
              onClick={() => onTake(section)}
              style={{ flexGrow: section.bars, minWidth: "5.5rem" }}
              className={`min-h-11 text-left leading-tight ${here ? "font-semibold text-accent" : ""}`}
            >
              <span className="block truncate">
                {section.name || "The song"}
                {section.pass > 1 && <span className="text-quiet"> {section.pass}</span>}
                {section.vamp && <span className="text-quiet"> ↻</span>}
              </span>
              <span
                aria-hidden="true"
                className={`block h-2.5 ${sounds ? "bg-accent" : section.part === "chart" ? "bg-grain" : "border border-grain border-dashed bg-plank"}`}
              />
              <span className="block truncate text-[0.86rem] text-quiet">
                {section.bars} {section.bars === 1 ? "bar" : "bars"} · {section.key}
              </span>
            </button>
          );
        })}
        <p className="whitespace-nowrap pb-1 pl-3 text-quiet">
          {form.bars} bars, <span className="font-semibold text-ink">{minutes(form.ms)}</span>
        </p>
      </div>
    </section>
  );
}
