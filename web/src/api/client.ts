import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];

export type ChartView = Schemas["ChartView"];
export type WrittenSection = Schemas["WrittenSectionView"];
export type WrittenBar = Schemas["WrittenBarView"];
export type WrittenChord = Schemas["WrittenChordView"];
export type Keeping = Schemas["KeepingView"];
export type EveningSet = Schemas["SetView"];
export type SetLine = Schemas["SetLineView"];
export type SetItem = Schemas["SetItem"];
export type SetItemOf = Schemas["SetItemView"];
export type Tonight = Schemas["TonightView"];
export type FormOf = Schemas["FormView"];
export type FormSection = Schemas["FormSectionView"];
export type SheetLine = Schemas["SheetLineView"];
export type ReadingByEar = Schemas["ReadingView"];
export type Simplified = Schemas["SimplifiedView"];
export type EasyKey = Schemas["EasyKeyView"];
export type SingersKeyView = Schemas["SingersKeyView"];
export type KeyNotes = Schemas["KeyView"];
export type Tone = Schemas["ToneView"];
export type Edit = Schemas["Edit"];
export type Imported = Schemas["ImportView"];
export type Choices = Schemas["ChoicesRequest"];
export type NamedChoices = Schemas["NamedChoices"];
export type Override = Schemas["OverrideRequest"];
/** What may be chosen for a place; a bar's own strokes for bars alone. */
export type Options = Schemas["OptionsRequest"] & Pick<Override, "strokes">;
export type Lock = Schemas["LockRequest"];
export type Figure = Schemas["FigureView"];
export type FigureStroke = Schemas["FigureStrokeView"];
export type FigureDraft = Schemas["FigureDraft"];
export type FigureDrafted = Schemas["DraftView"];
export type Suggested = Schemas["SuggestView"];
export type Why = Schemas["WhyView"];
export type ThereIs = Schemas["ThereIsView"];
export type Fitting = Schemas["FittingView"];
export type Hands = Schemas["HandsView"];
export type Measures = Schemas["Measures"];
export type Measuring = Schemas["MeasuringView"];
export type TryKeys = Schemas["TryView"];
export type ReadOver = Schemas["ReadView"];
export type Fault = Schemas["FaultView"];
export type Rung = Schemas["LevelView"];
export type EasierWay = Schemas["EasierView"];
export type FingerLock = Schemas["FingerRequest"];
export type Part = Schemas["PartView"];
export type RightHand = Schemas["RightRequest"];
export type Fit = Schemas["FitView"];
export type FitNote = Schemas["FitNoteView"];
export type ImprovNotes = Schemas["NotesView"];
export type Lick = Schemas["LickView"];
export type Colour = Schemas["ColourRequest"];
export type Offer = Schemas["ColourOfferView"];
export type AskedNotes = Schemas["AskedView"];
export type AskedNote = Schemas["AskedNoteView"];
export type Judgement = Schemas["JudgementView"];
export type Finding = Schemas["FindingView"];
export type Spot = Schemas["SpotView"];
export type Spots = Schemas["SpotsView"];
export type Round = Schemas["RoundView"];
export type LadderView = Schemas["LadderView"];
export type Goal = Schemas["GoalView"];
export type Pass = Schemas["PassView"];
export type PlanView = Schemas["PlanView"];
export type PlanItem = Schemas["PlanItemView"];
export type ColourBook = Schemas["ColourBookView"];
export type OneShape = Schemas["ShapeView"];
export type ArrangeRequest = Schemas["ArrangeRequest"];
export type FigureBar = Schemas["FigureBarView"];
export type Problem = Schemas["ProblemView"];
export type SongLine = Schemas["SongLineView"];
export type Song = Schemas["SongView"];
export type SongVersion = Schemas["VersionView"];
export type SongState = Schemas["StateView"];
export type Bar = Schemas["ArrangedBarView"];
/** A bar that has another number now, null where it is gone. */
export type BarMove = Schemas["MovedView"];
export type Note = Schemas["NoteView"];
export type Pedal = Schemas["PedalView"];
export type Stroke = Schemas["StrokeView"];
export type Arrangement = Schemas["ArrangementView"];

export const api = createClient<paths>({ baseUrl: "/", fetch: (request) => patiently(request) });

/** This tab, so that what it asks for leaves room for others. */
export const TAB = crypto.randomUUID?.() ?? String(Math.random());

const BUSY = "/problems/busy";
const MOST_TRIES = 8;

/** Asks again where too much is computed at once; stops what nobody waits for any more. */
async function patiently(request: Request): Promise<Response> {
  const name = crypto.randomUUID?.() ?? String(Math.random());
  const stop = () =>
    void fetch(`/api/computing/${name}/stop`, { method: "POST", keepalive: true }).catch(() => undefined);
  request.headers.set("Zapateo-Tab", TAB);
  if (request.method === "POST") {
    request.headers.set("Zapateo-Work", name);
    request.signal.addEventListener("abort", stop);
  }
  try {
    for (let tries = 1; ; tries++) {
      const response = await fetch(request.clone());
      if (response.status !== 503 || tries === MOST_TRIES) return response;
      const problem: { type?: string } | null = await response
        .clone()
        .json()
        .catch(() => null);
      if (problem?.type !== BUSY) return response;
      await new Promise((later) =>
        setTimeout(later, Number(response.headers.get("Retry-After") ?? 1) * 1000 * (0.75 + Math.random() / 2)),
      );
      if (request.signal.aborted) return response;
    }
  } finally {
    request.signal.removeEventListener("abort", stop);
  }
}

/** A refusal as the server words it (RFC 9457); status 0 means that no server answered. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: Problem[] = [],
  ) {
    super(message);
  }
}

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The answer's data, or a {@link Refused} that says what happened. */
export async function take<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch {
    throw new Refused(0, "Zapateo does not answer. Is it still running?");
  }
  if (answer.response.ok) return answer.data as T;
  const document = (typeof answer.error === "object" ? answer.error : null) as {
    detail?: string;
    problems?: Problem[];
  } | null;
  throw new Refused(
    answer.response.status,
    document?.detail ?? `The server answered ${answer.response.status}.`,
    document?.problems ?? [],
  );
}

/** The chart's text with one change made, and which bars have other numbers now. */
export async function editChart(text: string, edit: Edit): Promise<{ text: string; moved: BarMove[] }> {
  return take(api.POST("/api/charts/edit", { body: { text, edit } }));
}

/** Which bars have other numbers after the text was typed in; null while it cannot be read. */
export async function typedMoves(before: string, after: string): Promise<BarMove[] | null> {
  try {
    return (await take(api.POST("/api/charts/moves", { body: { before, after } }))).moved;
  } catch (error) {
    if (error instanceof Refused) return null;
    throw error;
  }
}

/** Reads a file of any kind; without {@code keep} nothing is kept. */
export function importFile(
  file: File,
  keep: boolean,
  tracks: { melody?: number; chords?: number } = {},
): Promise<Imported> {
  const query = new URLSearchParams({ preview: String(!keep) });
  for (const [name, track] of Object.entries(tracks)) if (track) query.set(name, String(track));
  return upload<Imported>(`/api/songs/import?${query}`, file);
}

/** Sends a file as a form does. */
export function upload<T>(path: string, file: File): Promise<T> {
  const body = new FormData();
  body.set("file", file);
  return take<T>(
    fetch(path, { method: "POST", body, headers: { "Zapateo-Tab": TAB } }).then(async (response) => {
      const answer: unknown = await response.json().catch(() => null);
      return response.ok ? { data: answer as T, response } : { error: answer, response };
    }),
  );
}
