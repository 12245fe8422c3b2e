import { arrangementOf, chartOf, handsAsked, keptDoubles, scoreOf, sendForSong } from "./api/asking";
import { queries } from "./api/cache";
import type { Hands } from "./api/client";
import { barsOnStaff } from "./score/barSize";
import { wakeEngraver } from "./score/engraver";
import { fingersShown } from "./score/fingers";
import { barsWithin, namedBars } from "./song/address";
import { draftOf, unkept } from "./song/draft";
import { pageOf } from "./views/lefthand/page";
import "./index.css";

// The page.
void import("./main");

/** What a song's own address needs is asked for while the page is fetched; what cannot be had is asked for again there, and said. */
async function sendAhead(id: string, view: string): Promise<void> {
  if (view !== "chart") wakeEngraver();
  const [song] = await Promise.all([sendForSong(id), queries.prefetchQuery(handsAsked)]);
  const { chart, choices } = unkept(song) ?? draftOf(song);
  const hand = queries.getQueryData<Hands[]>(handsAsked.queryKey)?.find((each) => each.inUse)?.measures;
  const asked = { chart, choices, hand, figures: [] };
  void queries.prefetchQuery(chartOf(chart, keptDoubles()));
  const arrangement = await queries.fetchQuery(arrangementOf(asked));
  if (view !== "left-hand") return;
  const named = namedBars(new URLSearchParams(window.location.search).get("bars"));
  const selection = barsWithin(named, arrangement.bars.length);
  const [from, to] = pageOf(selection, selection[0], barsOnStaff());
  await queries.prefetchQuery(scoreOf(asked, from, to, fingersShown()));
}

const [, place, id, view] = window.location.pathname.split("/");
if (place === "songs" && id) sendAhead(id, view ?? "left-hand").catch(() => undefined);
