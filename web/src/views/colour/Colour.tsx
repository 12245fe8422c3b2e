import { useEffect, useMemo, useRef, useState } from "react";
import type { Colour as Kind, Offer } from "../../api/client";
import { useColourBook, useColourForHand, useColourPlaces, useOffers } from "../../api/queries";
import { wakeEngraver } from "../../score/engraver";
import { useArranged, useMarked, useSound, useWork } from "../../song/desk";
import { NoBars } from "../../song/NoBars";
import { isPlaying, usePlaying } from "../../sound/playing";
import { CheckField } from "../../ui/CheckField";
import { Chord } from "../../ui/Chord";
import { LinkButton } from "../../ui/LinkButton";
import { useLatest } from "../../ui/useLatest";
import { usePresses } from "../../ui/usePresses";
import { Workbench } from "../../ui/Workbench";
import { Ribbon } from "../lefthand/Ribbon";
import { Staff } from "../lefthand/Staff";
import { choose, isSame, samePlace, withColour, withoutColour } from "./colours";
import { Kept } from "./Kept";
import { Threads } from "./Threads";

/** Longer songs are not looked through as a whole for what is worth hearing. */
const LOOKED_THROUGH = 128;

/** Other chords worth hearing, place by place: before and after at one key, kept or dropped one by one. */
export function Colour() {
  const { desk, settledChart, asked, triedColours, setTriedColours } = useWork();
  const { arrangement, arrangementError, bpm } = useArranged();
  const { selection, select, struck, setStruck } = useMarked();
  const sound = useSound();
  const playing = usePlaying(isPlaying);
  useEffect(() => void wakeEngraver(), []);
  const book = useColourBook();
  const [style, setStyle] = useState("");
  const [looked, setLooked] = useState("");
  const [once, setOnce] = useState(false);
  const bars = arrangement?.bars ?? [];
  const all = selection[0] === 0 && selection[1] === bars.length - 1;
  const numbers = bars.slice(selection[0], selection[1] + 1).map((bar) => bar.number);
  const taken = numbers.length > 0 ? `${Math.min(...numbers)}-${Math.max(...numbers)}` : "0";
  const offered = useOffers(settledChart, taken, style);
  const everywhere = useColourPlaces(
    settledChart,
    bars.length > 0 && bars.length <= LOOKED_THROUGH ? `0-${Math.max(...bars.map((bar) => bar.number))}` : "0",
    style,
  );
  const worth = useMemo(() => new Set(everywhere.data ?? []), [everywhere.data]);
  // Of the whole song the best of each place; of what is taken everything.
  const offers = useMemo(() => {
    const found = offered.data ?? [];
    return all
      ? found.filter(
          (offer, at) => found.findIndex((each) => each.bar === offer.bar && each.tick === offer.tick) === at,
        )
      : found;
  }, [offered.data, all]);
  // By what it is: hearing it takes its neighbours too, and the list grows.
  const at = Math.max(
    0,
    offers.findIndex((each) => nameOf(each) === looked),
  );
  const offer = offers[at];
  const kept = desk.draft.choices.colours ?? [];
  const pass =
    (all ? undefined : bars.slice(selection[0], selection[1] + 1).find((bar) => bar.number === offer?.number)?.round) ??
    offer?.pass ??
    1;
  const colour = offer && (once && offer.colour.pass === undefined ? { ...offer.colour, pass } : offer.colour);
  const isKept = colour !== undefined && kept.some((each) => isSame(each, colour));
  const times = offer ? bars.filter((bar) => bar.number === offer.number).length : 1;
  const hand = useColourForHand(asked, colour);
  useEffect(() => () => setTriedColours(null), [setTriedColours]);

  const look = (next: number) => {
    const found = offers[Math.max(0, Math.min(offers.length - 1, next))];
    setLooked(found ? nameOf(found) : "");
    setTriedColours(null);
  };
  /** Before and after in turn, while it plays. */
  const hear = useLatest(() => {
    if (!offer || !colour) return;
    const withIt = withColour(kept, colour);
    const without = kept.filter((each) => !samePlace(each, colour));
    const heard = triedColours === null ? isKept : triedColours.some((each) => isSame(each, colour));
    setTriedColours(heard ? without : withIt);
    setLooked(nameOf(offer));
    if (!playing) {
      select(Math.max(0, offer.bar - 1), Math.min(bars.length - 1, offer.bar + 1));
      sound.toggle();
    }
  });
  const keep = useLatest(() => {
    if (!colour) return;
    setTriedColours(null);
    desk.change({ choices: choose(desk.draft.choices, withColour(kept, colour)) });
  });
  const drop = useLatest(() => {
    if (!colour) return;
    setTriedColours(null);
    const there = kept.find((each) => samePlace(each, colour));
    if (there) desk.change({ choices: choose(desk.draft.choices, withoutColour(kept, there)) });
  });
  usePresses((onButton) => {
    const acts = new Map<string, () => void>([
      ["a", hear],
      ["A", hear],
      ["ArrowDown", () => look(at + 1)],
      ["ArrowUp", () => look(at - 1)],
      ["Delete", drop],
    ]);
    if (!onButton) acts.set("Enter", keep);
    return acts;
  });

  if (!arrangement) return <NoBars error={arrangementError} waiting="Looking for other chords …" />;
  const withIt =
    colour !== undefined && (triedColours === null ? isKept : triedColours.some((each) => isSame(each, colour)));
  return (
    <Workbench
      top={<Ribbon bpm={bpm} bars={arrangement.bars} selection={selection} onSelect={select} worth={worth} />}
      left={{
        name: "The whole song",
        wide: 15,
        narrow: 13,
        panel: (
          <Kept
            book={book.data}
            style={style}
            onStyle={(next) => {
              setStyle(next);
              setLooked("");
              setTriedColours(null);
            }}
            bars={all || bars.length === 0 ? undefined : { from: selection[0], to: selection[1] }}
            taken={numbers.length === 1 ? `bar ${numbers[0]}` : `bars ${numbers[0]}–${numbers.at(-1)}`}
            onBar={(number) => {
              const index = arrangement.bars.findIndex((bar) => bar.number === number);
              if (index >= 0) select(index, index);
            }}
          />
        ),
      }}
      right={{
        name: "Other chords",
        wide: 20,
        narrow: 17,
        panel: (
          <section aria-label="Other chords" className="flex min-h-0 flex-col border-line border-l max-md:border-l-0">
            {offer && colour && (
              <div className="border-line border-b px-4 pt-2 pb-3">
                <div className="flex flex-wrap items-baseline gap-x-2 text-[1.2rem]">
                  {offer.before.map((symbol, place) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: a chord may come twice
                    <Chord key={place} symbol={symbol} />
                  ))}
                  <span aria-hidden="true" className="text-quiet">
                    →
                  </span>
                  <span className="sr-only">becomes</span>
                  {offer.after.map((sounding) => (
                    <Chord key={sounding.tick} symbol={sounding.symbol} />
                  ))}
                </div>
                <p className="mt-1 leading-snug">{offer.reason}</p>
                <Threads offer={offer} />
                <p className="text-[0.92rem] text-quiet leading-snug">{facts(offer, hand.data)}</p>
                {times > 1 && (
                  <CheckField
                    on={once || offer.colour.pass !== undefined}
                    onTurn={setOnce}
                    className="mt-1"
                    disabled={offer.colour.pass !== undefined}
                  >
                    only time {offer.colour.pass ?? pass} of {times}
                  </CheckField>
                )}
                <div className="mt-1 flex gap-4">
                  <LinkButton onClick={hear} strong title="A">
                    {withIt ? "hear it without" : "hear it"}
                  </LinkButton>
                  <LinkButton onClick={keep} disabled={isKept} strong title="Enter">
                    {isKept ? "kept" : "keep it"}
                  </LinkButton>
                  <LinkButton onClick={drop} disabled={!kept.some((each) => samePlace(each, colour))} title="Delete">
                    drop it
                  </LinkButton>
                </div>
              </div>
            )}
            <List
              offers={offers}
              at={at}
              onLook={look}
              kept={kept}
              waiting={offered.isPending}
              error={offered.error?.message ?? null}
              style={style}
            />
          </section>
        ),
      }}
    >
      <section
        aria-label="Staff and step line"
        className="min-h-0 min-w-0 overflow-auto px-4 pt-0.5 pb-1 max-md:shrink-0 max-md:overflow-visible"
      >
        <Staff
          lit={struck !== null ? [struck] : []}
          onStroke={setStruck}
          beside={
            offer && (
              <p className="text-quiet" role="status">
                {triedColours === null
                  ? isKept
                    ? "kept, and heard"
                    : "as it is kept"
                  : withIt
                    ? "heard with it, not kept yet"
                    : "heard without it"}
              </p>
            )
          }
        />
      </section>
    </Workbench>
  );
}

/** Which of the offers it is, whatever else is offered. */
function nameOf(offer: Offer): string {
  return `${offer.bar}.${offer.tick}.${offer.rule}.${offer.variant}`;
}

function facts(offer: Offer, hand: { barBefore: number; barAfter: number } | undefined): string {
  const keeps = offer.keeps.length > 0 ? `keeps ${offer.keeps.join(" ")}` : "keeps no tone";
  const far = `${Math.abs(offer.moves)} ${Math.abs(offer.moves) === 1 ? "semitone" : "semitones"}`;
  const moves =
    offer.moves === 0 ? "the voices move as far" : `the voices move ${far} ${offer.moves > 0 ? "more" : "less"}`;
  const tune = offer.clash.without > offer.clash.with ? "; the melody rubs less" : "";
  const work = hand
    ? Math.abs(hand.barAfter - hand.barBefore) < 0.5
      ? "; as easy for the hand"
      : hand.barAfter > hand.barBefore
        ? "; a little harder for the hand"
        : "; easier for the hand"
    : "";
  return `Bass ${offer.basses.join(" ")}; ${keeps}; ${moves}${tune}${work}.`;
}

function List({
  offers,
  at,
  onLook,
  kept,
  waiting,
  error,
  style,
}: {
  offers: Offer[];
  at: number;
  onLook: (at: number) => void;
  kept: Kind[];
  waiting: boolean;
  error: string | null;
  style: string;
}) {
  const row = useRef<HTMLLIElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the row in sight follows what is looked at
  useEffect(() => void row.current?.scrollIntoView?.({ block: "nearest" }), [at]);
  if (error) return <p className="px-4 py-2">{error}</p>;
  if (waiting) return <p className="px-4 py-2 text-quiet">Looking for other chords …</p>;
  if (offers.length === 0)
    return (
      <p className="px-4 py-2 leading-snug">
        Nothing fits here{style ? " in this style" : ""}.{" "}
        {style ? "Try another style, or take more bars." : "Take more bars: longer chords and changes give it room."}
      </p>
    );
  return (
    <ol aria-label="Offers" className="min-h-0 flex-1 overflow-auto px-2 pb-2">
      {offers.map((offer, place) => {
        const held = kept.some(
          (each) =>
            each.rule === offer.rule &&
            each.variant === offer.variant &&
            each.bar === offer.number &&
            each.tick === offer.colour.tick,
        );
        return (
          <li key={nameOf(offer)} ref={place === at ? row : undefined}>
            <button
              type="button"
              aria-pressed={place === at}
              onClick={() => onLook(place)}
              className={`block w-full rounded-plank px-2 py-1 text-left leading-snug ${place === at ? "bg-wash outline-2 -outline-offset-2 outline-accent" : ""}`}
            >
              <span className="flex items-baseline justify-between gap-2">
                <span className="font-semibold">{offer.name}</span>
                <span className="text-[0.86rem] text-quiet">
                  {held ? "kept · " : ""}bar {offer.number}
                </span>
              </span>
              <span className="flex flex-wrap items-baseline gap-x-1.5">
                {offer.after.map((sounding) => (
                  <Chord key={sounding.tick} symbol={sounding.symbol} />
                ))}
                <span className="text-[0.86rem] text-quiet">{offer.styles.slice(0, 3).join(", ")}</span>
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
