const TAKEN = "input, textarea, select, [role=listbox], [role=menu], [role=dialog], [contenteditable]";

/**
 * Whether a key is somebody else's: it is typed into a field, chooses from a list, or a dialog is open and none behind
 * it works.
 */
export function isTaken(event: KeyboardEvent): boolean {
  return (event.target as HTMLElement).closest?.(TAKEN) != null || document.querySelector("[role=dialog]") !== null;
}
