import { useTyped } from "../ui/useTyped";
import type { DraftDesk } from "./openDraft";
import { retitled } from "./title";

/** The song's title: pressed it is typed anew, where it stands. */
export function TitleField({ title, desk }: { title: string; desk: DraftDesk }) {
  const { typed, setTyped, field } = useTyped();
  const keep = () => {
    if (typed !== null && typed.trim() !== "" && typed.trim() !== title)
      desk.change({ chart: retitled(desk.draft.chart, typed) });
    setTyped(null);
  };
  return (
    <h1 className="min-w-0 max-w-[24rem] flex-initial truncate text-2xl">
      {typed !== null ? (
        <input
          ref={field}
          aria-label="The song's title"
          value={typed}
          maxLength={120}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key === "Enter") keep();
            if (event.key === "Escape") setTyped(null);
          }}
          className="h-10 w-full rounded-plank border border-grain bg-sheet px-2"
        />
      ) : (
        <button
          type="button"
          title={`${title}: press to name it`}
          onClick={() => setTyped(title)}
          className="block h-11 max-w-full truncate"
        >
          {title}
        </button>
      )}
    </h1>
  );
}
