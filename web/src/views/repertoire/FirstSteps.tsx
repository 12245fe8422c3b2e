import { useState } from "react";
import { Link } from "react-router";
import type { SongLine } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";

const SLOT = "zapateo.first-steps";

/** The way of a first song in six steps, on the song that was worked on last; closed for good where one likes. */
export function FirstSteps({ songs }: { songs: SongLine[] }) {
  const [closed, setClosed] = useState(() => localStorage.getItem(SLOT) === "closed");
  const last = songs.reduce<SongLine | undefined>(
    (newest, song) => (!newest || song.updatedAt > newest.updatedAt ? song : newest),
    undefined,
  );
  if (closed) return null;
  const at = (view: string) => (last ? `/songs/${last.id}/${view}` : "/");
  const steps: [name: string, to: string, says: string][] = [
    ["Type chords", "/", "above, as C Am7 F G7, and press Enter: a left hand is laid at once."],
    ["Hear it", at("left-hand"), "Space plays and stops; H plays at half the tempo, L loops the bars you take."],
    ["Try another figure", at("left-hand"), "press a card while it plays; A goes back and forth between the last two."],
    ["Measure your hand", "/hands", "and nothing is wider than you reach; what was is rolled or made smaller."],
    [
      "Make it easier or fuller",
      at("left-hand"),
      "keys 1 to 5 set a level, 0 plays what you chose; Ctrl + Z takes anything back.",
    ],
    ["Put it on the stand", at("sheet"), "as pages of its own, printed, as a PDF, or turned by foot."],
  ];
  return (
    <section aria-labelledby="first-steps" className="mx-5 mb-5 border-grain border-l-4 bg-sheet px-4 py-3">
      <div className="flex items-baseline justify-between gap-4">
        <h2 id="first-steps" className="text-xl">
          First steps{last ? `, with “${last.title}”` : ""}
        </h2>
        <LinkButton
          strong
          onClick={() => {
            localStorage.setItem(SLOT, "closed");
            setClosed(true);
          }}
        >
          Close for good
        </LinkButton>
      </div>
      <ol className="mt-1 grid list-inside list-decimal gap-x-8 gap-y-0.5 md:grid-cols-2">
        {steps.map(([name, to, says]) => (
          <li key={name}>
            <Link to={to} className="font-semibold text-accent underline decoration-dotted underline-offset-4">
              {name}
            </Link>{" "}
            <span className="text-quiet max-md:hidden">{says}</span>
          </li>
        ))}
      </ol>
      <p className="mt-1 text-[0.9rem] text-quiet">
        They stand in the help too (?), with a glossary of the words of the trade.
      </p>
    </section>
  );
}
