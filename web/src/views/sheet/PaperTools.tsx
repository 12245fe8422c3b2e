import type { Page } from "../../sheet/blocks";
import type { Paper } from "./layout";

/** The pages on paper. */
export function PaperTools({ ready }: { pages: Page[]; paper: Paper; ready: boolean }) {
  return (
    <button
      type="button"
      disabled={!ready}
      onClick={() => window.print()}
      className="mt-3 min-h-11 w-full rounded-plank border border-grain px-3 font-semibold"
    >
      Print
    </button>
  );
}
