import { type ReactNode, useEffect, useMemo, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { useForm } from "../../api/sheet";
import { SHOWN, showFingers, useFingersShown } from "../../score/fingers";
import { tonightOf } from "../../sheet/evening";
import { beginsOf, keep, kept, type Stand } from "../../sheet/stand";
import { KINDS, type Kind, useSheet } from "../../sheet/useSheet";
import { useArranged, useShown, useSound, useWork } from "../../song/desk";
import { playedBar, usePlaying } from "../../sound/playing";
import { CheckField } from "../../ui/CheckField";
import { Choice } from "../../ui/Choice";
import { LinkButton } from "../../ui/LinkButton";
import { Scheme } from "../../ui/Scheme";
import { useLatest } from "../../ui/useLatest";
import { useWanted } from "../sheet/layout";
import { TURNING, useStageKeys } from "./pedal";
import { StagePages, type Turning } from "./StagePages";
import { standSize } from "./screen";
import { type Evening, useEvening } from "./useEvening";

const SMALLEST = 8;
const LARGEST = 16;

/** How much room a page has. */
function useScreen(): { width: number; height: number } {
  const [screen, setScreen] = useState(standSize);
  useEffect(() => {
    const measure = () => setScreen(standSize());
    window.addEventListener("resize", measure);
    return () => window.removeEventListener("resize", measure);
  }, []);
  return screen;
}

/** The song on the stand: its pages and nothing else. */
export function Stage() {
  const { chart, asked, song } = useWork();
  const { arrangement, arrangementError, bpm } = useArranged();
  const sound = useSound();
  const navigate = useNavigate();
  const form = useForm(asked, Boolean(arrangement));
  const screen = useScreen();
  const [wanted, want] = useWanted();
  const fingers = useFingersShown();
  const bar = usePlaying(playedBar);
  const [turning, setTurning] = useState<Turning>("hand");
  const [halves, setHalves] = useState(() => localStorage.getItem("zapateo.halves") !== "no");
  const [sustain, setSustain] = useState(() => localStorage.getItem("zapateo.sustain-turns") === "yes");
  const [offline, setOffline] = useState(false);
  const evening = useEvening();
  const tonight = useTonight(evening);
  const layout = useMemo(
    () => ({
      kind: wanted.kind,
      width: screen.width,
      space: wanted.space,
      perLine: wanted.perLine,
      fingers,
      degrees: wanted.degrees,
      bpm: tonight.tempo,
    }),
    [wanted.kind, wanted.space, wanted.perLine, wanted.degrees, screen.width, fingers, tonight.tempo],
  );
  const sheet = useSheet(asked, arrangement, chart, form.data, layout);
  const faster = arrangement ? arrangement.tempo.bpm / bpm : 1;
  const stand = useMemo<Stand | null>(
    () =>
      arrangement && form.data && sheet.blocks.length > 0
        ? {
            song: song.id,
            title: arrangement.title,
            kind: sheet.layout.kind,
            width: sheet.layout.width,
            space: sheet.layout.space,
            blocks: sheet.blocks,
            sections: form.data.sections,
            begins: beginsOf(arrangement).map((ms) => ms * faster),
            bpm,
          }
        : null,
    [arrangement, form.data, sheet.blocks, sheet.layout, song.id, faster, bpm],
  );
  useEffect(() => {
    if (stand && sheet.asked === asked && tonight.ready)
      void keep(stand, evening.id ? `${evening.id}/${evening.at}` : undefined).then(setOffline);
  }, [stand, sheet.asked, asked, tonight.ready, evening.id, evening.at]);
  const leave = () => navigate(evening.id ? `/sets/${evening.id}` : `/songs/${song.id}/sheet`);
  const size = (by: number) => want({ space: Math.min(LARGEST, Math.max(SMALLEST, wanted.space + by)) });
  if (!stand || !tonight.ready)
    return (
      <Laying onLeave={leave}>
        {arrangementError && !arrangement
          ? `There is nothing to play yet: ${arrangementError.message}`
          : sheet.error
            ? `The pages could not be laid: ${sheet.error}`
            : `Laying the pages … ${sheet.of > 0 ? `line ${sheet.done} of ${sheet.of}` : ""}`}
      </Laying>
    );
  return (
    <StagePages
      stand={stand}
      laid={sheet.asked === asked}
      height={screen.height}
      bar={bar}
      turning={turning}
      setTurning={setTurning}
      halves={halves}
      sustain={sustain}
      onLeave={leave}
      onSize={size}
      onNextSong={evening.next}
      onSongBefore={evening.before}
      notice={evening.said && <p className="px-6 text-lg">{evening.said}</p>}
      tools={
        <>
          <div className="w-52">
            <Choice
              label="Page"
              slim
              value={wanted.kind}
              options={KINDS.map((kind) => ({ value: kind.id, label: kind.name }))}
              onChange={(value) => want({ kind: value as Kind })}
            />
          </div>
          <span className="flex items-center">
            <button type="button" aria-label="Smaller" onClick={() => size(-1)} className="min-h-12 min-w-12 text-2xl">
              −
            </button>
            <output aria-label="Staff space in pixels">{wanted.space}</output>
            <button type="button" aria-label="Larger" onClick={() => size(1)} className="min-h-12 min-w-12 text-2xl">
              +
            </button>
          </span>
          <div className="w-44">
            <Choice
              label="Turning"
              slim
              value={turning}
              options={[
                { value: "hand", label: "turned by foot or hand" },
                { value: "playing", label: "with the playing" },
                { value: "count", label: "with a silent count" },
              ]}
              onChange={(value) => setTurning(value as Turning)}
            />
          </div>
          <LinkButton onClick={() => sound.toggle()} high={12} strong className="px-2">
            {bar >= 0 ? "Stop" : "Play"}
          </LinkButton>
          <CheckField
            large
            on={halves}
            onTurn={(on) => {
              localStorage.setItem("zapateo.halves", on ? "yes" : "no");
              setHalves(on);
            }}
          >
            half a page at a time
          </CheckField>
          <CheckField
            large
            on={sustain}
            onTurn={(on) => {
              localStorage.setItem("zapateo.sustain-turns", on ? "yes" : "no");
              setSustain(on);
            }}
          >
            the sustaining pedal turns
          </CheckField>
          <button
            type="button"
            onClick={() => showFingers(SHOWN[(SHOWN.indexOf(fingers) + 1) % SHOWN.length] ?? "few")}
            className="min-h-12 px-2 text-quiet underline decoration-dotted underline-offset-4"
          >
            Fingers: {fingers}
          </button>
          <Scheme />
          <p className="text-quiet">
            {offline ? "Kept in this browser: it stays with the server away." : "Not kept in this browser."}
          </p>
        </>
      }
    />
  );
}

/** What is seen until the first page is there. */
function Laying({ onLeave, children }: { onLeave: () => void; children: ReactNode }) {
  const press = useLatest((event: KeyboardEvent) => {
    if (event.key === "Escape") onLeave();
    else if (!TURNING.includes(event.key) || (event.target as Element | null)?.closest?.("button")) return;
    event.preventDefault();
    event.stopImmediatePropagation();
  });
  useStageKeys(press);
  return (
    <div className="fixed inset-0 z-40 grid place-content-center bg-sheet text-2xl">
      <p role="status">{children}</p>
      <LinkButton onClick={onLeave} high={12} className="mt-4 justify-self-start">
        Leave the stage
      </LinkButton>
    </div>
  );
}

/**
 * A song of an evening is heard and shown in its key, its arrangement and its tempo of that night; what is kept of it
 * stays as it was.
 */
function useTonight({ id, item, known }: Evening): { ready: boolean; tempo: number | undefined } {
  const { setTrial, setTriedChoices, setTempo } = useShown();
  const [ready, setReady] = useState(id === null);
  const played = item?.item;
  useEffect(() => {
    if (!id || !played?.song) {
      setReady(known);
      return;
    }
    let left = false;
    tonightOf(played)
      .then(({ chart, choices, tempo }) => {
        if (left) return;
        setTrial(chart);
        setTriedChoices(choices);
        setTempo(tempo);
        setReady(true);
      })
      .catch(() => !left && setReady(true));
    return () => {
      left = true;
      setTrial(null);
      setTriedChoices(null);
      setTempo(null);
    };
  }, [id, played, known, setTrial, setTriedChoices, setTempo]);
  return { ready, tempo: played?.tempo ?? undefined };
}

/** The pages this browser has kept, where no server answers. */
export function KeptStage() {
  const { id = "" } = useParams();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const screen = useScreen();
  const [stand, setStand] = useState<Stand | null | undefined>(undefined);
  const [turning, setTurning] = useState<Turning>("hand");
  const evening = useEvening();
  useEffect(() => {
    void kept(id, evening.id ? `${evening.id}/${evening.at}` : undefined).then(setStand);
  }, [id, evening.id, evening.at]);
  if (stand === undefined) return <p className="p-8 text-quiet">Looking for the pages …</p>;
  if (stand === null)
    return <p className="p-8 text-xl">No server answers, and this browser has not kept the pages of this song.</p>;
  return (
    <StagePages
      stand={stand}
      laid
      height={screen.height}
      bar={-1}
      turning={turning}
      setTurning={setTurning}
      halves={localStorage.getItem("zapateo.halves") !== "no"}
      sustain={localStorage.getItem("zapateo.sustain-turns") === "yes"}
      onLeave={() => navigate(search.get("set") ? `/sets/${search.get("set")}` : "/")}
      onSize={() => undefined}
      onNextSong={evening.next}
      onSongBefore={evening.before}
      tools={
        <>
          <LinkButton onClick={() => setTurning(turning === "count" ? "hand" : "count")} high={12} className="px-2">
            {turning === "count" ? "Turn by foot or hand" : "Turn with a silent count"}
          </LinkButton>
          <Scheme />
        </>
      }
      notice={
        <div className="px-6">
          {evening.said && <p className="text-lg">{evening.said}</p>}
          <p role="status" className="text-quiet">
            No server answers: these are the pages this browser has kept.
          </p>
        </div>
      }
    />
  );
}
