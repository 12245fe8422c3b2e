import { useEffect, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { EveningSet, SetItemOf } from "../../api/client";
import { useSet } from "../../api/sets";
import { keptOrder } from "../../sheet/stand";

/** The set that is played from, if one is; its order is had from this browser where no server answers. */
export type Evening = {
  id: string | null;
  /** Which of its items stands here. */
  at: number;
  item: SetItemOf | null;
  /** Whether it is known which song stands here. */
  known: boolean;
  next?: (() => void) | undefined;
  before?: (() => void) | undefined;
  /** What comes between, or what is said. */
  said: string | null;
};

export function useEvening(): Evening {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const id = search.get("set");
  const at = Number(search.get("n") ?? "0");
  const asked = useSet(id);
  const [kept, setKept] = useState<EveningSet | null>(null);
  useEffect(() => {
    if (id && asked.isError) void keptOrder<EveningSet>(id).then(setKept);
  }, [id, asked.isError]);
  const set = asked.data ?? kept;
  // A turn past the last page waits for the order, and is made once it is known.
  const [waiting, setWaiting] = useState<"next" | "before" | null>(null);
  const evening = id && set ? orderOf(id, at, set, navigate) : null;
  useEffect(() => {
    if (!waiting || !evening) return;
    setWaiting(null);
    evening[waiting]?.();
  });
  if (!id) return { id, at, item: null, known: true, said: null };
  if (!evening)
    return {
      id,
      at,
      item: null,
      known: asked.isError,
      next: () => setWaiting("next"),
      before: () => setWaiting("before"),
      said: null,
    };
  return evening;
}

/** What stands at a place of the evening, and how to go on from there. */
function orderOf(id: string, at: number, set: EveningSet, navigate: (to: string) => unknown): Evening {
  const playable = (index: number) => Boolean(set.items[index]?.item.song) && !set.items[index]?.missing;
  const go = (index: number) => void navigate(`/songs/${set.items[index]?.item.song}/stage?set=${id}&n=${index}`);
  const after = set.items.findIndex((_, index) => index > at && playable(index));
  const last = set.items.findLastIndex((_, index) => index < at && playable(index));
  const item = set.items[at] ?? null;
  const pause = set.items.slice(at + 1, after < 0 ? undefined : after).find((each) => !each.item.song);
  return {
    id,
    at,
    item,
    known: true,
    next: after < 0 ? undefined : () => go(after),
    before: last < 0 ? undefined : () => go(last),
    said: [
      item?.item.remark ? `“${item.item.remark}”` : "",
      item?.item.who ?? "",
      item?.item.note ?? "",
      pause
        ? `then a break of ${pause.item.minutes} minutes`
        : after >= 0
          ? `then ${set.items[after]?.title}`
          : "the last one",
    ]
      .filter((each) => each !== "")
      .join(" · "),
  };
}
