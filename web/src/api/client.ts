import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];

export type ChartView = Schemas["ChartView"];
export type Choices = Schemas["ChoicesRequest"];
export type Figure = Schemas["FigureView"];
export type FigureBar = Schemas["FigureBarView"];
export type Problem = Schemas["ProblemView"];
export type SongLine = Schemas["SongLineView"];
export type Song = Schemas["SongView"];
export type SongVersion = Schemas["VersionView"];
export type Bar = Schemas["ArrangedBarView"];
export type Note = Schemas["NoteView"];
export type Pedal = Schemas["PedalView"];
export type Stroke = Omit<Schemas["StrokeView"], "rolled"> & { rolled: Schemas["RolledView"] | null };
export type Arrangement = Omit<Schemas["ArrangementView"], "strokes"> & { strokes: Stroke[] };

export const api = createClient<paths>({ baseUrl: "/" });

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
  const document = (typeof answer.error === "object" ? answer.error : null) as { detail?: string; problems?: Problem[] } | null;
  throw new Refused(answer.response.status, document?.detail ?? `The server answered ${answer.response.status}.`, document?.problems ?? []);
}
