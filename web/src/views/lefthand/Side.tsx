import { useState } from "react";
import type {
  Choices as Chosen,
  Figure,
  Options,
  ReadOver as Read,
  Refused,
  Suggested,
  ThereIs,
} from "../../api/client";
import { useWhy } from "../../api/queries";
import { spanOf, useArranged, useMarked, useWork } from "../../song/desk";
import { ownOptions, type Scope } from "../../song/scope";
import { isPlaying, usePlaying } from "../../sound/playing";
import { LinkButton } from "../../ui/LinkButton";
import { Choices } from "./Choices";
import { fingerAt, withFinger } from "./fingers";
import { HowHard } from "./HowHard";
import { Lively } from "./Lively";
import { lockAt, withLock, withTopLine } from "./locks";
import { ReadOver } from "./ReadOver";
import { ScopeBar } from "./ScopeBar";
import { type Panel, Tabs } from "./Told";
import { WhyPanel } from "./WhyPanel";

/** Beside the staff: why a note is there, or what is chosen, how hard it is, what a strict reader marks. */
export function Side({
  panel,
  onPanel,
  scope,
  onScope,
  options,
  figure,
  thereIs,
  suggested,
  read,
  onAsk,
  onChange,
  onChoose,
  onLevel,
}: {
  panel: Panel;
  onPanel: (panel: Panel) => void;
  /** Where choices go. */
  scope: Scope;
  onScope: (scope: Scope) => void;
  /** What holds there. */
  options: Options;
  figure: Figure | undefined;
  thereIs: ThereIs | undefined;
  suggested: Suggested | undefined;
  read: { data: Read | undefined; error: Refused | null };
  onAsk: (stroke: number | null) => void;
  onChange: (choices: Chosen) => void;
  onChoose: (more: Options) => void;
  onLevel: (level: number | null) => void;
}) {
  const { desk, asked } = useWork();
  const { arrangement, bpm } = useArranged();
  const { selection, select, struck, setPointed } = useMarked();
  const sounds = usePlaying(isPlaying);
  const [asking, setAsking] = useState({ stroke: struck, note: 0 });
  // Of another stroke the first note is asked about.
  const note = asking.stroke === struck ? asking.note : 0;
  const why = useWhy(asked, sounds ? null : struck, note);
  const { choices } = desk.draft;
  if (!arrangement) return null;
  return (
    <section
      key={struck !== null && !sounds ? "why" : panel}
      aria-label="Choices"
      className="min-h-0 overflow-auto border-line border-l px-4 py-2 max-md:order-last max-md:shrink-0 max-md:border-l-0"
    >
      {struck !== null && !sounds && arrangement.strokes[struck] ? (
        <>
          <div className="flex items-baseline justify-between">
            <h2 className="text-lg">Why this note?</h2>
            <LinkButton onClick={() => onAsk(null)} high={8}>
              choices
            </LinkButton>
          </div>
          <WhyPanel
            arrangement={arrangement}
            stroke={struck}
            note={note}
            why={why.data}
            lock={lockAt(choices, arrangement, struck)}
            spanMm={spanOf(asked.hand)}
            ownFinger={fingerAt(choices, arrangement, struck, note)}
            onFinger={(finger) => onChange(withFinger(choices, arrangement, struck, note, finger))}
            onNote={(next) => setAsking({ stroke: struck, note: next })}
            onLock={(lock) => onChange(withLock(choices, arrangement, struck, lock))}
            onTopLine={() => onChange(withTopLine(choices, arrangement, selection))}
          />
        </>
      ) : (
        <>
          <Tabs panel={panel} onPanel={onPanel} />
          {panel !== "read" && (
            <ScopeBar
              bars={arrangement.bars}
              selection={selection}
              scope={scope}
              choices={choices}
              onScope={onScope}
              onChange={onChange}
            />
          )}
          {panel === "read" ? (
            <ReadOver
              table={thereIs?.choices ?? []}
              read={read.data}
              error={read.error?.message ?? null}
              choices={choices}
              onBar={(index) => select(index, index)}
              onPoint={setPointed}
              onChange={onChange}
            />
          ) : panel === "hard" ? (
            <HowHard
              arrangement={arrangement}
              asked={asked}
              choices={choices}
              selection={selection}
              scope={scope}
              level={options.level ?? null}
              bpm={bpm}
              onPoint={setPointed}
              onLevel={onLevel}
              onChange={onChange}
            />
          ) : (
            <>
              <p className="my-1 text-[0.92rem] text-quiet leading-snug">{figure?.use}</p>
              <Choices
                figure={figure}
                choices={choices}
                options={options}
                own={ownOptions(choices, scope)}
                wholeSong={scope.kind === "song"}
                feel={arrangement.feel}
                swingRatio={arrangement.swingRatio}
                thereIs={thereIs}
                suggested={suggested}
                lively={<Lively bars={arrangement.bars} selection={selection} choices={choices} onChange={onChange} />}
                onChoose={onChoose}
                onSong={(more) =>
                  onChange(
                    Object.fromEntries(
                      Object.entries({ ...choices, ...more }).filter(([, value]) => value !== undefined),
                    ) as Chosen,
                  )
                }
              />
            </>
          )}
        </>
      )}
    </section>
  );
}
