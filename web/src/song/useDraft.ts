import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import type { Song } from "../api/client";
import type { Draft } from "./draft";
import { type Keeping, OpenDraft } from "./openDraft";
import { useStored } from "./store";

export type DraftDesk = Pick<OpenDraft, "change" | "edit" | "note" | "undo" | "redo" | "takeTheirs" | "keepCopy"> & {
  draft: Draft;
  keeping: Keeping;
  canUndo: boolean;
  canRedo: boolean;
};

/** The draft of a song as long as it is open. */
export function useDraft(song: Song): DraftDesk {
  const queries = useQueryClient();
  const [open] = useState(() => new OpenDraft(song, queries));
  useEffect(() => open.open(), [open]);
  const state = useStored(open, (now) => now);
  return useMemo(() => {
    const { change, edit, note, undo, redo, takeTheirs, keepCopy } = open;
    const { draft, keeping, past, future } = state;
    const steps = { canUndo: past.length > 0, canRedo: future.length > 0 };
    return { draft, keeping, change, edit, note, undo, redo, takeTheirs, keepCopy, ...steps };
  }, [open, state]);
}
