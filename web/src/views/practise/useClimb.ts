import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { api, type Judgement, take } from "../../api/client";
import { useLadder, useLog } from "../../api/practice";
import type { components } from "../../api/schema";
import { useWork } from "../../song/desk";
import { type Rung, stopsOf, today } from "./practise";
import { writeDown } from "./unsent";
import type { StepPlace } from "./useSteps";

type PassRequest = components["schemas"]["PassRequest"];

const ASKED_AGAIN = ["practice-log", "practice-goals", "practice-plan", "practice-failed"];

/** The tempo ladder of a place, and the log that each pass goes into: up after clean passes, down after others. */
export function useClimb(place: StepPlace, goal: number) {
  const { song, desk } = useWork();
  const queries = useQueryClient();
  const [rung, setRung] = useState<Rung | null>(null);
  const [written, setWritten] = useState(() => localStorage.getItem(`zapateo.stops.${place.song}`) ?? "");
  const [word, setWord] = useState("");
  const [hurt, setHurt] = useState("");
  const [unsent, setUnsent] = useState(0);
  const [last, setLast] = useState<PassRequest | null>(null);
  const stops = useMemo(() => stopsOf(written), [written]);
  const log = useLog();
  const lastClean = useMemo(
    () =>
      log.data?.find(
        (pass) =>
          pass.song === place.song &&
          pass.first === place.first &&
          pass.last === place.last &&
          pass.layer === place.layer &&
          pass.clean,
      )?.tempo,
    [log.data, place.song, place.first, place.last, place.layer],
  );
  const ladder = useLadder(goal, lastClean, stops, Boolean(log.data));
  const named = nameOf(place, goal, stops);
  const stood = useRef("");
  useEffect(() => {
    if (stood.current !== named) setRung(null);
    stood.current = named;
  }, [named]);
  const now: Rung = rung ?? ladder.data ?? { tempo: Math.round(goal * 0.6), clean: 0, failed: 0 };
  const rungs = ladder.data?.rungs ?? [now.tempo, goal];

  const keep = async (pass: PassRequest) => {
    setUnsent(await writeDown(pass));
    setWord("");
    setHurt("");
    for (const key of ASKED_AGAIN) void queries.invalidateQueries({ queryKey: [key] });
  };
  const said = () => ({ ...(word ? { word } : {}), ...(hurt ? { hurt } : {}) });
  /** After a pass: where the ladder stands next, and a line in the log. */
  const went = async (clean: boolean, judged: Judgement | null, seconds: number) => {
    const pass: PassRequest = {
      id: crypto.randomUUID(),
      song: song.id,
      arrangementId: desk.draft.arrangementId,
      arrangement: desk.draft.arrangement,
      version: song.version,
      at: new Date().toISOString(),
      day: today(),
      first: place.first,
      last: Math.max(place.first, place.last),
      layer: place.layer,
      tempo: now.tempo,
      clean,
      seconds,
      ...(judged ? { right: judged.right, unevenMs: judged.unevenMs } : {}),
      ...said(),
    };
    setLast(pass);
    try {
      const next = await take(
        api.POST("/api/practice/ladder", {
          body: { goal, stops, rung: { tempo: now.tempo, clean: now.clean, failed: now.failed }, clean },
        }),
      );
      setRung({ tempo: next.tempo, clean: next.clean, failed: next.failed });
    } catch {
      // The tempo stays where it is until the server is back.
    }
    await keep(pass);
  };
  /** A word that comes to mind when the pass is over: it is written beside it. */
  const add = async () => {
    if (!last) return;
    const pass = { ...last, ...said() };
    setLast(pass);
    await keep(pass);
  };
  const stand = (tempo: number | undefined) => {
    if (tempo !== undefined) setRung({ tempo, clean: 0, failed: 0 });
  };
  return {
    now,
    rungs,
    went,
    played: last !== null,
    unsent,
    stops: written,
    setStops: (next: string) => {
      setWritten(next);
      localStorage.setItem(`zapateo.stops.${place.song}`, next);
    },
    slower: () => stand(rungs.filter((tempo) => tempo < now.tempo - 0.5).at(-1)),
    faster: () => stand(rungs.find((tempo) => tempo > now.tempo + 0.5)),
    /** Stands on a tempo at another place, as the plan has it. */
    standAt: (there: StepPlace, tempo: number) => {
      stand(tempo);
      stood.current = nameOf(there, goal, stops);
    },
    said: {
      word,
      onWord: setWord,
      hurt,
      onHurt: setHurt,
      onAdd: last && (word || hurt) ? () => void add() : undefined,
    },
  };
}

function nameOf(place: StepPlace, goal: number, stops: number[]): string {
  return `${place.first}.${place.last}.${place.layer}.${goal}.${stops.join()}`;
}
