import type { QueryClient } from "@tanstack/react-query";
import { api, type Choices, Refused, type Song, take } from "../api/client";
import { type Draft, draftOf, forget, leaving, remember, same, unkept } from "./draft";
import { Store } from "./store";

export type Keeping =
  | { state: "kept"; at: Date }
  | { state: "keeping" }
  | { state: "waiting"; why: string }
  | { state: "stale"; why: string }
  | { state: "gone" }
  | { state: "refused"; why: string };

/** The draft and what can be done with it. */
export type DraftDesk = Pick<OpenDraft, "change" | "edit" | "note" | "undo" | "redo" | "takeTheirs" | "keepCopy"> & {
  draft: Draft;
  keeping: Keeping;
  canUndo: boolean;
  canRedo: boolean;
};

/** From the draft as it is when its turn comes. */
export type Make = (draft: Draft) => Promise<Partial<Draft> | null>;

type State = { draft: Draft; past: Draft[]; future: Draft[]; keeping: Keeping };

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
export class OpenDraft extends Store<State> {
  private version: number;
  private kept: Draft;
  private sending: Promise<void> | null = null;
  /** Left, it tries nothing again by itself. */
  private left = true;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private edits: Promise<unknown> = Promise.resolve();
  private lastChange = { kind: "", at: 0 };

  constructor(
    private readonly song: Song,
    private readonly queries: QueryClient,
  ) {
    const draft = unkept(song) ?? draftOf(song);
    const left = steps.get(song.id);
    const own = left && same(left.draft, draft) ? left : null;
    super({
      draft,
      past: own?.past ?? [],
      future: own?.future ?? [],
      keeping: { state: "kept", at: new Date(song.updatedAt) },
    });
    this.version = song.version;
    this.kept = draftOf(song);
  }

  /** Works until the answer is called: then what is not kept yet goes out, and the steps to take back stay. */
  readonly open = (): (() => void) => {
    const { id } = this.song;
    this.left = false;
    window.addEventListener("pagehide", this.leave);
    this.later();
    return () => {
      this.left = true;
      window.removeEventListener("pagehide", this.leave);
      clearTimeout(this.timer);
      const { past, future, draft } = this.state;
      steps.set(id, { past, future, draft });
      const under = this.keepNow().finally(() => leaving.get(id) === under && leaving.delete(id));
      leaving.set(id, under);
    };
  };

  /** As it is now. */
  desk(): DraftDesk {
    const { draft, keeping, past, future } = this.state;
    const { change, edit, note, undo, redo, takeTheirs, keepCopy } = this;
    const steps = { canUndo: past.length > 0, canRedo: future.length > 0 };
    return { draft, keeping, change, edit, note, undo, redo, takeTheirs, keepCopy, ...steps };
  }

  /** @param together changes of the same kind that follow each other soon are one step */
  readonly change = (next: Partial<Draft>, together = ""): void => {
    const at = Date.now();
    const sameRun = together !== "" && this.lastChange.kind === together && at - this.lastChange.at < TYPING_PAUSE;
    this.lastChange = { kind: together, at };
    const { draft, past } = this.state;
    this.become({ ...draft, ...next }, { past: sameRun ? past : [...past.slice(-MOST_STEPS), draft], future: [] });
  };

  /**
   * A change that somebody else works out: it waits for those before it and is made on what they have left. Nothing is
   * changed where it comes to nothing or fails; then it says so.
   */
  readonly edit = (make: Make): Promise<void> => {
    const turn = this.edits.then(async () => {
      const next = await make(this.state.draft);
      if (next) this.change(next);
    });
    this.edits = turn.catch(() => undefined);
    return turn;
  };

  /** What was found out about the choices, no step of the person's. */
  readonly note = (choices: Choices): void => this.become({ ...this.state.draft, choices });

  readonly undo = (): void => {
    const { past, future, draft } = this.state;
    const target = past.at(-1);
    if (target) this.step(target, { past: past.slice(0, -1), future: [...future, draft] });
  };

  readonly redo = (): void => {
    const { past, future, draft } = this.state;
    const target = future.at(-1);
    if (target) this.step(target, { past: [...past, draft], future: future.slice(0, -1) });
  };

  /** Takes what is kept on the server in place of one's own. */
  readonly takeTheirs = async (): Promise<void> => {
    const theirs = await this.theirs();
    const { past, draft } = this.state;
    this.keptAs(draftOf(theirs), theirs);
    this.become(this.kept, { past: [...past, draft] });
  };

  /** Keeps one's own as a new song, and says which. */
  readonly keepCopy = async (): Promise<string> => {
    const copy = await take(api.POST("/api/songs", { body: this.state.draft }));
    // Of a song that was removed there is no other one to take.
    if (this.state.keeping.state === "gone") {
      this.kept = this.state.draft;
      forget(this.song.id);
    } else await this.takeTheirs();
    this.queries.invalidateQueries({ queryKey: ["songs"] });
    return copy.id;
  };

  private step(target: Draft, steps: Pick<State, "past" | "future">): void {
    this.lastChange = { kind: "", at: 0 };
    this.become(target, steps);
  }

  private become(draft: Draft, more: Partial<State> = {}): void {
    this.set({ ...more, draft });
    this.later();
  }

  /** What is not kept yet is kept in a moment, and until then in this browser. */
  private later(): void {
    clearTimeout(this.timer);
    const { draft } = this.state;
    if (!this.isToKeep()) return;
    remember(this.song.id, this.version, draft);
    this.inAWhile(PAUSE);
  }

  /** What somebody overtook, or removed, is not sent again. */
  private isToKeep(): boolean {
    const { draft, keeping } = this.state;
    return keeping.state !== "stale" && keeping.state !== "gone" && !same(draft, this.kept);
  }

  private inAWhile(ms: number): void {
    clearTimeout(this.timer);
    if (!this.left) this.timer = setTimeout(() => void this.keep(), ms);
  }

  private theirs(): Promise<Song> {
    return take(api.GET("/api/songs/{id}", { params: { path: { id: this.song.id } } }));
  }

  private keptAs(draft: Draft, saved: Song): void {
    this.version = saved.version;
    this.kept = draft;
    forget(this.song.id);
    this.set({ keeping: { state: "kept", at: new Date(saved.updatedAt) } });
  }

  private keep(): Promise<void> {
    if (!this.sending && this.isToKeep())
      this.sending = this.send(this.state.draft).finally(() => {
        this.sending = null;
      });
    return this.sending ?? Promise.resolve();
  }

  /** What is under way first, and then what came after it. */
  private async keepNow(): Promise<void> {
    await this.sending;
    await this.keep();
  }

  private async send(draft: Draft): Promise<void> {
    const { id } = this.song;
    this.set({ keeping: { state: "keeping" } });
    try {
      const saved = await take(
        api.PUT("/api/songs/{id}", { params: { path: { id } }, body: { ...draft, version: this.version } }),
      );
      this.keptAs(draft, saved);
      this.queries.setQueryData(["song", id], saved);
      this.queries.invalidateQueries({ queryKey: ["songs"] });
      this.later();
    } catch (error) {
      await this.refused(draft, error instanceof Refused ? error : new Refused(0, String(error)));
    }
  }

  private async refused(draft: Draft, { status, message }: Refused): Promise<void> {
    if (status === 409) {
      // Another page kept something: of the same content it is what was meant.
      const theirs = await this.theirs().catch(() => null);
      if (theirs && same(draftOf(theirs), draft)) {
        this.keptAs(draft, theirs);
        this.later();
      } else this.set({ keeping: { state: "stale", why: message } });
    } else if (status === 404) this.set({ keeping: { state: "gone" } });
    else if (status >= 400 && status < 500) this.set({ keeping: { state: "refused", why: message } });
    else {
      this.set({ keeping: { state: "waiting", why: message } });
      this.inAWhile(RETRY);
    }
  }

  /** The page is left: what is not kept yet goes out with it. */
  private readonly leave = (): void => {
    const { draft } = this.state;
    if (same(draft, this.kept)) return;
    fetch(`/api/songs/${this.song.id}`, {
      method: "PUT",
      keepalive: true,
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ ...draft, version: this.version }),
    }).catch(() => undefined);
  };
}
