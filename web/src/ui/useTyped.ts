import { type RefObject, useEffect, useRef, useState } from "react";

/**
 * Something that is typed anew where it stands: null while it only stands there; the field that opens holds the focus,
 * its text chosen.
 */
export function useTyped(): {
  typed: string | null;
  setTyped: (text: string | null) => void;
  field: RefObject<HTMLInputElement | null>;
} {
  const [typed, setTyped] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const opened = typed !== null;
  useEffect(() => {
    if (!opened) return;
    field.current?.focus();
    field.current?.select();
  }, [opened]);
  return { typed, setTyped, field };
}
