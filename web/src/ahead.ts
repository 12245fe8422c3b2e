import { arrangementOf, chartOf, handsAsked, keptDoubles, scoreOf, sendForSong } from "./api/asking";
import { queries } from "./api/cache";
import type { Hands } from "./api/client";
import { barsOnStaff } from "./score/barSize";
import { wakeEngraver } from "./score/engraver";
import { fingersShown } from "./score/fingers";
import { barsWithin, namedBars } from "./song/address";
import { draftOf, isSettled, unkept } from "./song/draft";
import { pageOf } from "./views/lefthand/page";

// What cannot be had now is asked for again when it is needed, and said there.
const quietly = () => undefined;

let begun = false;

/**
 * What the first staff and the first tone need, fetched before they are asked for: by the first letter that is typed,
 * by the first press in a song.
 */
export function fetchAhead(): void {
  if (begun) return;
  begun = true;
  wakeEngraver();
  import("./sound/player").then((player) => player.loadRecordings()).catch(quietly);
}

/**
 * What a song's page will ask for, sent for before the page is there: by the song's own address, by a press on its
 * link.
 */
export function openAhead(id: string, view: string, search = ""): void {
  if (view !== "chart") wakeEngraver();
  // What is still being kept here has to be there first.
  if (isSettled(id)) askAhead(id, view, search).catch(quietly);
}

async function askAhead(id: string, view: string, search: string): Promise<void> {
  const [song] = await Promise.all([sendForSong(id), queries.prefetchQuery(handsAsked)]);
  const { chart, choices } = unkept(song) ?? draftOf(song);
  const hand = queries.getQueryData<Hands[]>(handsAsked.queryKey)?.find((each) => each.inUse)?.measures;
  const asked = { chart, choices, hand, figures: [] };
  void queries.prefetchQuery(chartOf(chart, keptDoubles()));
  const arrangement = await queries.fetchQuery(arrangementOf(asked));
  if (view !== "left-hand") return;
  const selection = barsWithin(namedBars(new URLSearchParams(search).get("bars")), arrangement.bars.length);
  const [from, to] = pageOf(selection, selection[0], barsOnStaff());
  await queries.prefetchQuery(scoreOf(asked, from, to, fingersShown()));
}
