import { type ReactNode, useRef, useState } from "react";
import { api, type Figure, Refused, take } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";

/** Figures of one's own: a new one, and one from a file. */
export function OwnTools({
  model,
  onWrite,
  onKept,
}: {
  /** What a new one begins as. */
  model: Figure | undefined;
  onWrite: (model: Figure) => void;
  onKept: (figure: Figure) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState("");
  const bring = async (chosen: File | undefined) => {
    if (!chosen) return;
    setRefused("");
    try {
      onKept(await take(api.POST("/api/figures", { body: { file: await chosen.text() } })));
    } catch (error) {
      setRefused(error instanceof Refused ? error.message : String(error));
    }
    if (file.current) file.current.value = "";
  };
  return (
    <div className="flex flex-wrap gap-x-4">
      {model && (
        <LinkButton onClick={() => onWrite(model)} high={8}>
          write one
        </LinkButton>
      )}
      <label className="flex min-h-8 cursor-pointer items-center text-accent underline underline-offset-4 focus-within:outline-2">
        bring one in
        <input
          ref={file}
          type="file"
          accept=".yaml,.yml,.json,.txt"
          className="sr-only"
          onChange={(event) => bring(event.target.files?.[0])}
        />
      </label>
      {refused && (
        <p role="alert" className="w-full border-accent border-l-4 bg-wash px-2 py-1 text-[0.9rem]">
          {refused}
        </p>
      )}
    </div>
  );
}

/** What can be done with the figure that is chosen. */
export function FigureActions({
  figure,
  onEdit,
  children,
}: {
  figure: Figure;
  onEdit: (figure: Figure, copy: boolean) => void;
  children?: ReactNode;
}) {
  return (
    <div className="flex gap-4 border-accent border-l-4 bg-wash px-4 pb-1 text-[0.9rem]">
      <LinkButton onClick={() => onEdit(figure, figure.version === null)} high={8}>
        {figure.version === null ? "change a copy" : "change it"}
      </LinkButton>
      {children}
      <a
        href={`/api/figures/${figure.id}/file`}
        download
        className="flex min-h-8 items-center text-accent underline underline-offset-4"
      >
        file
      </a>
    </div>
  );
}
