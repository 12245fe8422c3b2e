import { LinkButton } from "../../ui/LinkButton";

export type Panel = "choices" | "hard" | "read";

const PANELS: [Panel, string][] = [
  ["choices", "Choices"],
  ["hard", "How hard"],
  ["read", "Read over"],
];

/** What the panel beside the staff shows. */
export function Tabs({ panel, onPanel }: { panel: Panel; onPanel: (panel: Panel) => void }) {
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-1">
      {PANELS.map(([name, label]) => (
        <button
          key={name}
          type="button"
          aria-pressed={panel === name}
          onClick={() => onPanel(name)}
          className={`min-h-8 whitespace-nowrap font-semibold font-serif text-[0.9rem] ${panel === name ? "" : "text-quiet underline decoration-dotted underline-offset-4"}`}
        >
          {label}
        </button>
      ))}
    </div>
  );
}

/** More changed than one may have thought, with its ways back. */
export function WholeSongChanged({
  bars,
  onUndo,
  onOnly,
  onClose,
}: {
  /** Those that are taken. */
  bars: string;
  onUndo: () => void;
  onOnly: () => void;
  onClose: () => void;
}) {
  return (
    <p role="status" className="mb-1 flex flex-wrap items-center gap-x-4 border-accent border-l-4 bg-wash px-3">
      The whole song changed.
      <LinkButton strong onClick={onUndo}>
        Undo
      </LinkButton>
      <LinkButton strong onClick={onOnly}>{`Only ${bars}`}</LinkButton>
      <LinkButton strong onClick={onClose}>
        Close
      </LinkButton>
    </p>
  );
}
