import { wakeEngraver } from "./score/engraver";

// What cannot be had now is asked for again when it is needed, and said there.
const quietly = () => undefined;

/** What the first staff and the first tone need, fetched before they are asked for: by the first letter that is typed, by the first press in a song. */
export function fetchAhead(): void {
  if (begun) return;
  begun = true;
  wakeEngraver();
  import("./sound/player").then((player) => player.loadRecordings()).catch(quietly);
}

let begun = false;
