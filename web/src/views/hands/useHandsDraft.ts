import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, type Hands, type Measures, Refused, take } from "../../api/client";

const PAUSE_MS = 400;

export type HandsDraft = {
  name: string;
  measures: Measures;
  state: "kept" | "keeping" | "refused";
  why: string;
  change: (more: { name?: string; measures?: Measures }) => void;
};

/** A pair of hands as it is being measured; each change is kept by itself after a moment. */
export function useHandsDraft(kept: Hands): HandsDraft {
  const queries = useQueryClient();
  const [draft, setDraft] = useState({ name: kept.name, measures: kept.measures });
  const [state, setState] = useState<HandsDraft["state"]>("kept");
  const [why, setWhy] = useState("");
  const version = useRef(kept.version);
  const waiting = useRef<{ name: string; measures: Measures } | null>(null);
  const sending = useRef(false);

  const keep = useCallback(async () => {
    if (sending.current || !waiting.current) return;
    sending.current = true;
    const next = waiting.current;
    waiting.current = null;
    try {
      const answer = await take<Hands>(
        api.PUT("/api/hands/{id}", { params: { path: { id: kept.id } }, body: { ...next, version: version.current } }),
      );
      version.current = answer.version;
      queries.setQueryData<Hands[]>(["hands"], (all) => all?.map((each) => (each.id === answer.id ? answer : each)));
      setState("kept");
    } catch (error) {
      setWhy(error instanceof Refused ? error.message : String(error));
      setState("refused");
    }
    sending.current = false;
    if (waiting.current) keep();
  }, [kept.id, queries]);

  useEffect(() => {
    if (!waiting.current) return;
    const timer = setTimeout(keep, PAUSE_MS);
    return () => clearTimeout(timer);
  });
  // What was changed a moment ago is kept when the view is left.
  useEffect(() => () => void keep(), [keep]);

  return {
    ...draft,
    state,
    why,
    change: (more) => {
      const next = { ...draft, ...more };
      setDraft(next);
      waiting.current = next;
      setState("keeping");
    },
  };
}
