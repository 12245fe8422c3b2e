import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, type Choices, Refused, type Song, take } from "../api/client";
import { useLatest } from "../ui/useLatest";
import { type Draft, draftOf, forget, leaving, remember, same, unkept } from "./draft";

export type Keeping =
  | { state: "kept"; at: Date }
  | { state: "keeping" }
  | { state: "waiting"; why: string }
  | { state: "stale"; why: string }
  | { state: "gone" }
  | { state: "refused"; why: string };

export type DraftDesk = {
  draft: Draft;
  keeping: Keeping;
  change: (change: Partial<Draft>, together?: string) => void;
  /**
   * A change that somebody else works out: it waits for those before it and is made on what they have left. Nothing is
   * changed where it comes to nothing or fails; then it says so.
   */
  edit: (make: Make) => Promise<void>;
  /** What was found out about the choices, no step of the person's. */
  note: (choices: Choices) => void;
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
  /** Takes what is kept on the server in place of one's own. */
  takeTheirs: () => Promise<void>;
  /** Keeps one's own as a new song, and says which. */
  keepCopy: () => Promise<string>;
};

/** From the draft as it is when its turn comes. */
export type Make = (draft: Draft) => Promise<Partial<Draft> | null>;

/** A song's steps to take back, as its page left them. */
const steps = new Map<string, { past: Draft[]; future: Draft[]; draft: Draft }>();

const PAUSE = 500;
const RETRY = 3000;
const MOST_STEPS = 200;
const TYPING_PAUSE = 1200;

/**
 * The draft of a song, kept by itself a moment after each change. A draft that could not be kept stays here and in
 * this browser and is tried again; one that someone else overtook is never merged, the person decides.
 */
export function useDraft(song: Song): DraftDesk {
  const queries = useQueryClient();
  const [draft, setDraft] = useState<Draft>(() => unkept(song) ?? draftOf(song));
  const [left] = useState(() => {
    const found = steps.get(song.id);
    return found && same(found.draft, draft) ? found : null;
  });
  const [past, setPast] = useState<Draft[]>(left?.past ?? []);
  const [future, setFuture] = useState<Draft[]>(left?.future ?? []);
  const [keeping, setKeeping] = useState<Keeping>({ state: "kept", at: new Date(song.updatedAt) });
  const version = useRef(song.version);
  const kept = useRef<Draft>(draftOf(song));
  const running = useRef(false);
  const latest = useRef(draft);
  const lastChange = useRef({ kind: "", at: 0 });
  const [round, setRound] = useState(0);
  latest.current = draft;

  const change = useCallback((next: Partial<Draft>, together = "") => {
    const now = Date.now();
    const sameRun =
      together !== "" && lastChange.current.kind === together && now - lastChange.current.at < TYPING_PAUSE;
    lastChange.current = { kind: together, at: now };
    const before = latest.current;
    if (!sameRun) setPast((steps) => [...steps.slice(-MOST_STEPS), before]);
    setFuture([]);
    latest.current = { ...before, ...next };
    setDraft(latest.current);
  }, []);

  const note = useCallback((choices: Choices) => {
    latest.current = { ...latest.current, choices };
    setDraft(latest.current);
  }, []);

  const { mutateAsync } = useMutation({
    scope: { id: `edits of ${song.id}` },
    networkMode: "always",
    mutationFn: async (make: Make) => {
      const next = await make(latest.current);
      if (next) change(next);
    },
  });
  const edit = useCallback((make: Make) => mutateAsync(make), [mutateAsync]);

  const step = (
    from: Draft[],
    setFrom: (steps: Draft[]) => void,
    setTo: (update: (steps: Draft[]) => Draft[]) => void,
  ) => {
    const target = from.at(-1);
    if (!target) return;
    setFrom(from.slice(0, -1));
    setTo((steps) => [...steps, latest.current]);
    lastChange.current = { kind: "", at: 0 };
    setDraft(target);
  };

  const undo = useLatest(() => step(past, setPast, setFuture));
  const redo = useLatest(() => step(future, setFuture, setPast));

  /** Another page kept something: of the same content it is what was meant. */
  const overtaken = useCallback(
    async (sending: Draft, why: string) => {
      const theirs = await take(api.GET("/api/songs/{id}", { params: { path: { id: song.id } } })).catch(() => null);
      if (!theirs || !same(draftOf(theirs), sending)) {
        setKeeping({ state: "stale", why });
        return;
      }
      version.current = theirs.version;
      kept.current = sending;
      forget(song.id);
      setKeeping({ state: "kept", at: new Date(theirs.updatedAt) });
      if (!same(latest.current, sending)) setRound((count) => count + 1);
    },
    [song.id],
  );

  const keep = useCallback(async () => {
    const sending = latest.current;
    if (running.current || same(sending, kept.current)) return;
    running.current = true;
    setKeeping({ state: "keeping" });
    try {
      const saved = await take(
        api.PUT("/api/songs/{id}", {
          params: { path: { id: song.id } },
          body: { ...sending, version: version.current },
        }),
      );
      version.current = saved.version;
      kept.current = sending;
      forget(song.id);
      setKeeping({ state: "kept", at: new Date(saved.updatedAt) });
      queries.setQueryData(["song", song.id], saved);
      queries.invalidateQueries({ queryKey: ["songs"] });
      if (!same(latest.current, sending)) setRound((count) => count + 1);
    } catch (error) {
      const refused = error instanceof Refused ? error : new Refused(0, String(error));
      if (refused.status === 409) await overtaken(sending, refused.message);
      else if (refused.status === 404) setKeeping({ state: "gone" });
      else if (refused.status >= 400 && refused.status < 500) setKeeping({ state: "refused", why: refused.message });
      else {
        setKeeping({ state: "waiting", why: refused.message });
        setTimeout(() => setRound((count) => count + 1), RETRY);
      }
    } finally {
      running.current = false;
    }
  }, [queries, song.id, overtaken]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a new round tries again
  useEffect(() => {
    if (same(draft, kept.current) || keeping.state === "stale" || keeping.state === "gone") return;
    remember(song.id, version.current, draft);
    const timer = setTimeout(keep, PAUSE);
    return () => clearTimeout(timer);
  }, [draft, keep, round, song.id]);

  /** What is kept at the moment first, and then what came after it. */
  const lastWords = useCallback(async () => {
    while (running.current) await new Promise((later) => setTimeout(later, 20));
    await keep();
  }, [keep]);

  useEffect(() => {
    // Leaving: what is not kept yet goes out with the page.
    const leave = () => {
      if (same(latest.current, kept.current)) return;
      const body = JSON.stringify({ ...latest.current, version: version.current });
      fetch(`/api/songs/${song.id}`, {
        method: "PUT",
        keepalive: true,
        headers: { "Content-Type": "application/json" },
        body,
      }).catch(() => undefined);
    };
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      const under = lastWords().finally(() => leaving.get(song.id) === under && leaving.delete(song.id));
      leaving.set(song.id, under);
    };
  }, [lastWords, song.id]);

  const walked = useLatest(() => steps.set(song.id, { past, future, draft: latest.current }));
  useEffect(() => () => void walked(), [walked]);

  const takeTheirs = useCallback(async () => {
    const theirs = await take(api.GET("/api/songs/{id}", { params: { path: { id: song.id } } }));
    version.current = theirs.version;
    kept.current = draftOf(theirs);
    forget(song.id);
    setPast((steps) => [...steps, latest.current]);
    setDraft(kept.current);
    setKeeping({ state: "kept", at: new Date(theirs.updatedAt) });
  }, [song.id]);

  const keepCopy = useCallback(async () => {
    const copy = await take(api.POST("/api/songs", { body: latest.current }));
    // Of a song that was removed there is no other one to take.
    if (keeping.state === "gone") {
      kept.current = latest.current;
      forget(song.id);
    } else await takeTheirs();
    queries.invalidateQueries({ queryKey: ["songs"] });
    return copy.id;
  }, [queries, takeTheirs, keeping.state, song.id]);

  const canUndo = past.length > 0;
  const canRedo = future.length > 0;
  return useMemo(
    () => ({ draft, keeping, change, edit, note, undo, redo, canUndo, canRedo, takeTheirs, keepCopy }),
    [draft, keeping, change, edit, note, undo, redo, canUndo, canRedo, takeTheirs, keepCopy],
  );
}
