import { useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { requestOf } from "../../api/asking";
import { type AskedNote, api, type Judgement, type PlanItem, type Spot, take } from "../../api/client";
import { useAskedNotes, useFailed, useGoals, useSpots } from "../../api/practice";
import { wakeEngraver } from "../../score/engraver";
import { useArranged, useMarked, useSound, useWork } from "../../song/desk";
import { NoBars } from "../../song/NoBars";
import { computerKeys, midiKeyboards, type NoteSource } from "../../sound/noteInput";
import { toneKey } from "../../sound/schedule";
import { standIn } from "../../sound/standIn";
import { LinkButton } from "../../ui/LinkButton";
import { useLatest } from "../../ui/useLatest";
import { usePresses } from "../../ui/usePresses";
import { Workbench } from "../../ui/Workbench";
import { Ribbon } from "../lefthand/Ribbon";
import { Staff } from "../lefthand/Staff";
import { Acts, Heading } from "./Acts";
import { cue } from "./cue";
import { HardSpots, type How, Said, Setup, Slowest } from "./Panels";
import { faulty, type Layer, layersOf, scripted, today, verdictsOf, volumesFor } from "./practise";
import { Result } from "./Result";
import { Strip } from "./Strip";
import { Today } from "./Today";
import { useClimb } from "./useClimb";
import { usePass } from "./usePass";
import { useSteps } from "./useSteps";

const LogOf = lazy(async () => ({ default: (await import("./Log")).Log }));

/** After a pass one breathes, then it goes on by itself. */
const BREATH_MS = 1_600;

/** One thing at a time: what to play now, how fast, how it went, what comes next. */
export function Practise() {
  const { song, desk, asked } = useWork();
  const { arrangement, arrangementError, bpm } = useArranged();
  const { selection, select, struck, setStruck } = useMarked();
  const sound = useSound();
  const queries = useQueryClient();
  useEffect(() => void wakeEngraver(), []);
  const [setup, setSetup] = useState<How>({
    layer: "left",
    other: "heard",
    metronome: "beats",
    auto: true,
    source: "keys",
  });
  const { layer, other, metronome, auto } = setup;
  const [stepping, setStepping] = useState(false);
  const [logged, setLogged] = useState(false);
  const [plugged, setPlugged] = useState<NoteSource[]>([]);
  const goals = useGoals(today());
  const goal = goals.data?.find((each) => each.song === song.id);
  const goalTempo = goal?.tempo ?? bpm;
  const bars = arrangement?.bars ?? [];
  const first = bars[selection[0]]?.number ?? 1;
  const end = bars[selection[1]]?.number ?? 1;

  const place = { song: song.id, first, last: end, layer };
  const climb = useClimb(place, goalTempo);
  const { now } = climb;

  const notes = useAskedNotes(asked, `${selection[0]}-${selection[1]}`, layer, now.tempo, bars.length > 0);
  const failed = useFailed(song.id);
  const spots = useSpots(asked, failed.data, bars.length > 0);

  useEffect(() => {
    midiKeyboards().then(setPlugged);
  }, []);
  const { elapsed } = sound;
  // Whatever is plugged in meanwhile: one that is new begins its take anew.
  const standIns = useMemo(
    () => [
      standIn(scripted(notes.data?.notes ?? [], false), elapsed, "the stand-in (plays it as asked)"),
      {
        ...standIn(scripted(notes.data?.notes ?? [], true), elapsed, "the stand-in (with three mistakes)"),
        id: "stand-in-mistakes",
      },
    ],
    [notes.data, elapsed],
  );
  const sources = useMemo(() => [computerKeys, ...plugged, ...standIns, NOBODY], [plugged, standIns]);
  const source = sources.find((each) => each.id === setup.source) ?? computerKeys;

  // The notes that were asked of the take, whatever is asked of the next one.
  const [judgedNotes, setJudgedNotes] = useState<AskedNote[] | null>(null);
  const timer = useRef(0);
  const went = useLatest(async (clean: boolean, judged: Judgement | null, seconds: number) => {
    cue(sound.sing, clean);
    await climb.went(clean, judged, seconds);
    if (auto) timer.current = window.setTimeout(() => begin(), BREATH_MS);
  });
  useEffect(() => () => window.clearTimeout(timer.current), []);
  const yours = useMemo(() => new Set(notes.data?.notes.map((note) => toneKey(note.stroke, note.midi))), [notes.data]);
  const pass = usePass(
    source,
    { layer, tempo: now.tempo, metronome, volumes: volumesFor(other, sound.volumes.click), left: yours },
    (judged, seconds) => {
      setJudgedNotes(notes.data?.notes ?? null);
      void went(judged.clean, judged, seconds);
    },
    () => next(),
  );
  const begin = useLatest(() => {
    window.clearTimeout(timer.current);
    setStepping(false);
    setStruck(null);
    pass.start();
  });
  const says = (clean: boolean) => {
    pass.say();
    const beats = bars.slice(selection[0], selection[1] + 1).reduce((sum, bar) => sum + bar.ticks / bar.beatTicks, 0);
    void went(clean, null, Math.max(1, Math.round((60 * beats) / now.tempo)));
  };
  const next = useLatest(() => {
    if (pass.state === "playing") pass.stop();
    else if (pass.state === "asks") says(true);
    else begin();
  });
  const steps = useSteps(stepping, source, notes.data?.notes ?? [], place);

  const strokes = arrangement?.strokes;
  const verdicts = useMemo(
    () => (pass.judged && strokes ? verdictsOf(pass.judged, strokes) : undefined),
    [pass.judged, strokes],
  );
  const takeSpot = (spot: Spot) => {
    select(spot.first, spot.last);
    pass.forget();
  };
  const takeItem = (item: PlanItem) => {
    const from = bars.findIndex((bar) => bar.number === item.first);
    const to = bars.findIndex((bar, at) => at >= from && bar.number === item.last);
    if (from < 0) return;
    select(from, Math.max(from, to));
    setSetup((now) => ({ ...now, layer: item.layer as Layer }));
    climb.standAt({ song: song.id, first: item.first, last: item.last, layer: item.layer as Layer }, item.tempo);
    pass.forget();
  };
  const onGoal = async (tempo: number, until: string) => {
    await take(
      api.PUT("/api/practice/goals/{song}", {
        params: { path: { song: song.id } },
        body: {
          tempo,
          level: desk.draft.choices.level ?? 0,
          ...(until ? { until } : {}),
          arrangement: requestOf(asked),
        },
      }),
    );
    for (const key of ["practice-goals", "practice-plan"]) void queries.invalidateQueries({ queryKey: [key] });
  };

  usePresses((onButton) => {
    const acts = new Map<string, () => void>();
    if (!onButton) acts.set(" ", next);
    if (stepping) {
      acts.set("ArrowRight", () => steps.show(1));
      acts.set("ArrowLeft", () => steps.show(-1));
      acts.set("Escape", () => setStepping(false));
    } else if (pass.state === "asks") {
      acts.set("c", () => says(true));
      acts.set("x", () => says(false));
      acts.set("Escape", () => pass.say());
    }
    return acts;
  });

  if (!arrangement) return <NoBars error={arrangementError} waiting="Laying the notes …" />;
  const working = pass.state === "playing";
  return (
    <Workbench
      top={
        <Ribbon
          bpm={bpm}
          bars={arrangement.bars}
          selection={selection}
          onSelect={(from, to) => {
            select(from, to);
            pass.forget();
          }}
        />
      }
      left={{
        name: "This song",
        wide: 16,
        narrow: 14,
        panel: <Today songId={song.id} goal={goal} tempo={bpm} onGoal={onGoal} onTake={takeItem} />,
      }}
      right={{
        name: "How",
        wide: 17,
        narrow: 14,
        panel: (
          <section
            aria-label="How"
            className="min-h-0 min-w-0 overflow-auto border-line border-l px-4 py-3 max-md:border-l-0"
          >
            <Setup
              layers={layersOf(arrangement)}
              setup={setup}
              onSetup={(next) => setSetup((now) => ({ ...now, ...next }))}
              sources={sources}
              source={source}
              stops={climb.stops}
              onStops={climb.setStops}
            />
            <HardSpots spots={spots.data?.spots} selection={selection} onTake={takeSpot} />
            <Said {...climb.said} />
            {climb.unsent > 0 && (
              <p role="status" className="mt-2 border-accent border-l-4 pl-2 leading-snug">
                {climb.unsent === 1 ? "One pass waits" : `${climb.unsent} passes wait`} to be written down: the server
                does not answer. Nothing is lost; it is tried again after the next one.
              </p>
            )}
            <LinkButton onClick={() => setLogged(true)} strong className="mt-3">
              the log and its pictures
            </LinkButton>
            <p className="mt-2 text-[0.9rem] text-quiet leading-snug">
              Rest your hands after 20 to 30 minutes; keep headphones moderate.
            </p>
          </section>
        ),
      }}
    >
      <section
        aria-label="Now"
        className="min-h-0 min-w-0 overflow-auto px-5 pt-2 pb-2 max-md:shrink-0 max-md:overflow-visible"
      >
        <Heading arrangement={arrangement} layer={layer} selection={selection} climb={climb} goal={goalTempo} />
        <Acts
          pass={pass}
          steps={stepping ? steps : null}
          asked={notes.data?.notes.length ?? 0}
          again={climb.played}
          onNext={next}
          onAgain={() => says(false)}
          onJoin={() => {
            select(Math.max(0, selection[0] - 1), Math.min(bars.length - 1, selection[1] + 1));
            pass.forget();
          }}
          onSteps={() => {
            pass.forget();
            setStepping(!stepping);
          }}
        />
        {stepping && (steps.slowest || steps.rounds.length > 0) && (
          <Slowest step={steps.slowest} rounds={steps.rounds} />
        )}
        {pass.judged && !working && (
          <div className="mb-2 grid grid-cols-[minmax(0,1fr)_minmax(0,22rem)] items-start gap-4 max-xl:grid-cols-1">
            <Result arrangement={arrangement} judged={pass.judged} onBars={(from, to) => select(from, to)} />
            {judgedNotes && <Strip arrangement={arrangement} notes={judgedNotes} judged={pass.judged} />}
          </div>
        )}
        <Staff
          lit={struck !== null ? [struck] : working ? [] : faulty(pass.judged, arrangement.strokes)}
          onStroke={setStruck}
          beside={null}
          alone
          verdicts={working ? undefined : verdicts}
        />
        {notes.error && <p className="mt-2">{notes.error.message}</p>}
      </section>
      {logged && (
        <Suspense fallback={null}>
          <LogOf songId={song.id} goal={goal} onClose={() => setLogged(false)} />
        </Suspense>
      )}
    </Workbench>
  );
}

/** No instrument that talks: the player says how it went. */
const NOBODY: NoteSource = { id: "nobody", name: "a piano that does not talk", open: () => () => undefined };
