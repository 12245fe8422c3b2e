import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { useState } from "react";
import { Link, useLocation, useNavigate, useParams } from "react-router";
import { api, type EveningSet, type SetItem, take } from "../../api/client";
import { useHands, useRepertoire } from "../../api/queries";
import { useSet, useSetDraft, viewOf } from "../../api/sets";
import { minutes } from "../../sheet/drawn";
import { Choice } from "../../ui/Choice";
import { Field } from "../../ui/Field";
import { LinkButton } from "../../ui/LinkButton";
import { Mark } from "../../ui/Mark";
import { LeftOut, Notice } from "../../ui/Notice";
import { Scheme } from "../../ui/Scheme";
import { EveningTools } from "./EveningTools";
import { ItemRow } from "./ItemRow";
import { dayOf } from "./Sets";

/** One evening: its songs in their order. */
export function SetDesk() {
  const { id = "" } = useParams();
  const set = useSet(id);
  if (set.isPending) return <p className="p-8 text-quiet">Opening the evening …</p>;
  if (set.isError)
    return (
      <main className="mx-auto max-w-2xl px-6 py-20">
        <h1 className="text-3xl">The evening cannot be opened</h1>
        <p className="mt-4 text-lg">{set.error.message}</p>
        <Link to="/sets" className="mt-6 inline-block font-semibold text-accent underline underline-offset-4">
          To the evenings
        </Link>
      </main>
    );
  return <OpenSet key={set.data.id} set={set.data} />;
}

function OpenSet({ set }: { set: EveningSet }) {
  const { draft, change, keep } = useSetDraft(set);
  const songs = useRepertoire();
  const hands = useHands();
  const navigate = useNavigate();
  /** What its file held that may not be kept, where it was brought in just now. */
  const leftOut = (useLocation().state as { leftOut?: string[] } | null)?.leftOut ?? [];
  const hand = hands.data?.find((each) => each.inUse)?.measures;
  const [trouble, setTrouble] = useState<string | null>(null);
  const items = (edit: (items: SetItem[]) => SetItem[]) =>
    change((before) => ({ ...before, items: edit(before.items) }));
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const names = draft.items.map((_, at) => String(at));
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) items((all) => arrayMove(all, Number(active.id), Number(over.id)));
  };
  const copy = () =>
    take(api.POST("/api/sets/{id}/copy", { params: { path: { id: set.id } } }))
      .then((next) => navigate(`/sets/${next.id}`))
      .catch((error) => setTrouble(error instanceof Error ? error.message : String(error)));
  const first = set.items.findIndex((each) => each.item.song && !each.missing);
  return (
    <div className="mx-auto min-h-full max-w-[80rem]">
      <header className="flex min-h-[3.75rem] flex-wrap items-center gap-x-4 border-line border-b px-5 max-md:px-3 print:hidden">
        <Link to="/" aria-label="Repertoire" title="Repertoire" className="flex h-11 items-center">
          <Mark />
        </Link>
        <Link to="/sets" className="flex h-11 items-center text-quiet">
          Evenings
        </Link>
        <p role="status" className="ml-auto text-quiet">
          {keep.isPending ? "keeping …" : keep.isError ? "" : `version ${set.version} kept`}
        </p>
        <Scheme />
      </header>
      {(keep.isError || trouble) && (
        <Notice alert>
          <span>{keep.isError ? `Not kept: ${keep.error.message} What you see is on this screen only.` : trouble}</span>
          <LinkButton strong onClick={() => window.location.reload()}>
            Load it again
          </LinkButton>
        </Notice>
      )}
      {leftOut.length > 0 && (
        <Notice>
          <LeftOut what={leftOut}>Some of the file could not be used and was left out</LeftOut>
        </Notice>
      )}
      <main className="grid gap-x-6 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_17rem]">
        <div>
          <h1 className="sr-only">{set.title}</h1>
          <Field
            label="The evening"
            value={draft.title}
            onTake={(title) => change((before) => ({ ...before, title }))}
            className="h-14 w-full font-semibold font-serif text-3xl"
            bare
          />
          <div className="flex flex-wrap items-center gap-x-5">
            <label className="flex items-center gap-2 text-quiet">
              <span className="sr-only">Day</span>
              <input
                type="date"
                value={draft.playedOn ?? ""}
                title={dayOf(draft.playedOn)}
                onChange={(event) => change((before) => ({ ...before, playedOn: event.target.value || undefined }))}
                className="h-10 rounded-plank border border-line bg-sheet px-2 text-ink"
              />
            </label>
            <Field
              label="Place"
              value={draft.place}
              onTake={(place) => change((before) => ({ ...before, place }))}
              className="w-64"
            />
            <p className="text-lg">
              {draft.items.filter((each) => each.song).length} songs,{" "}
              <span className="font-semibold">{minutes(set.ms)}</span>
              {draft.items.some((each) => !each.song) ? " with breaks" : ""}
            </p>
          </div>
          {set.tiring.map((each) => (
            <p key={each.text} className="mt-2 border-accent border-l-4 bg-wash px-3 py-1.5">
              {each.first + 1} to {each.last + 1}: {each.text}
            </p>
          ))}
          <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
            <SortableContext items={names} strategy={verticalListSortingStrategy}>
              <ol aria-label="The order of the evening" className="mt-3">
                {draft.items.map((item, at) => (
                  <ItemRow
                    // biome-ignore lint/suspicious/noArrayIndexKey: an item is its place in the order
                    key={at}
                    name={String(at)}
                    at={at}
                    last={at === draft.items.length - 1}
                    number={draft.items.slice(0, at + 1).filter((each) => each.song).length}
                    of={viewOf(set, item)}
                    onChange={(next) => items((all) => all.map((one, index) => (index === at ? next : one)))}
                    onMove={(to) => items((all) => arrayMove(all, at, to))}
                    onRemove={() => items((all) => all.filter((_, index) => index !== at))}
                  />
                ))}
              </ol>
            </SortableContext>
          </DndContext>
          {draft.items.length === 0 && <p className="py-6 text-lg">Nothing is played yet. Add the first song.</p>}
          <div className="mt-3 flex flex-wrap items-end gap-3 print:hidden">
            <div className="w-72">
              <Choice
                label="Add a song"
                value=""
                options={[
                  { value: "", label: "choose …" },
                  ...(songs.data ?? []).map((song) => ({ value: song.id, label: `${song.title}, ${song.key}` })),
                ]}
                onChange={(song) => song && items((all) => [...all, { song }])}
              />
            </div>
            <button
              type="button"
              onClick={() => items((all) => [...all, { minutes: 15 }])}
              className="h-10 rounded-plank border border-grain px-4"
            >
              Add a break
            </button>
          </div>
        </div>
        <aside aria-label="The evening on the stand" className="grid content-start gap-2 max-lg:mt-6 print:hidden">
          {first >= 0 && (
            <Link
              to={`/songs/${set.items[first]?.item.song}/stage?set=${set.id}&n=${first}`}
              className="flex min-h-12 items-center justify-center rounded-plank bg-ink px-3 font-semibold text-lg text-sheet"
            >
              Open the Stage
            </Link>
          )}
          <EveningTools set={set} hand={hand} />
          <button
            type="button"
            onClick={() => window.print()}
            className="min-h-11 rounded-plank border border-grain px-3"
          >
            Print the list
          </button>
          <button type="button" onClick={() => void copy()} className="min-h-11 rounded-plank border border-grain px-3">
            Copy for the next evening
          </button>
        </aside>
      </main>
    </div>
  );
}
