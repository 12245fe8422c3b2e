import { api, take } from "../../api/client";
import type { Sheet } from "./useSheet";

/** The chart moved by semitones; the undo of the desk takes it back. */
export function useTranspose(sheet: Sheet): (to: { semitones?: number; key?: string }) => Promise<boolean> {
  return (to) => sheet.inTurn((text) => take(api.POST("/api/charts/transpose", { body: { text, ...to } })));
}
