import type { Offer } from "../../api/client";
import { Chord } from "../../ui/Chord";

type Rows = Offer["with"];

const WIDTH = 250;
const HEIGHT = 84;
const EDGE = 26;

/**
 * Four voices from chord to chord as threads: those that stay lie level, those that step are drawn strong; behind them,
 * pale, how they go as it stands.
 */
export function Threads({ offer }: { offer: Offer }) {
  const all = [...offer.without, ...offer.with].flatMap((row) => row.keys);
  const low = Math.min(...all) - 1;
  const high = Math.max(...all) + 1;
  const x = (rows: Rows, at: number) =>
    rows.length === 1 ? WIDTH / 2 : EDGE + (at * (WIDTH - 2 * EDGE)) / (rows.length - 1);
  const y = (key: number) => HEIGHT - 8 - ((key - low) * (HEIGHT - 16)) / Math.max(1, high - low);
  const threads = (rows: Rows) =>
    rows.slice(1).flatMap((row, at) =>
      row.keys.map((to, voice) => {
        const from = rows[at]?.keys[voice] ?? to;
        const middle = (x(rows, at) + x(rows, at + 1)) / 2;
        const d = `M${x(rows, at)} ${y(from)} C${middle} ${y(from)} ${middle} ${y(to)} ${x(rows, at + 1)} ${y(to)}`;
        return { key: `${at}-${voice}`, d, level: from === to };
      }),
    );
  const moved = threads(offer.with);
  return (
    <figure data-threads="" className="mt-1">
      <figcaption className="sr-only">
        {offer.with.map((row) => row.symbol).join(", ")}: of {moved.length} steps of four voices{" "}
        {moved.filter((each) => each.level).length} stay level.
      </figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full" aria-hidden="true">
        {threads(offer.without).map(({ key, d }) => (
          <path key={key} d={d} fill="none" stroke="currentColor" strokeWidth={5} className="text-plank" />
        ))}
        {moved.map(({ key, d, level }) => (
          <path
            key={key}
            d={d}
            fill="none"
            stroke="currentColor"
            strokeWidth={level ? 1.6 : 3}
            strokeDasharray={level ? "2 4" : undefined}
            className={level ? "text-quiet" : "text-accent"}
          />
        ))}
        {offer.with.map((row, at) =>
          row.keys.map((key, voice) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a chord may come twice, and two voices may meet
            <circle key={`${at}-${voice}`} cx={x(offer.with, at)} cy={y(key)} r={3.2} className="fill-ink" />
          )),
        )}
      </svg>
      <div className="relative h-6" aria-hidden="true">
        {offer.with.map((row, at) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: a chord may come twice
            key={at}
            className="-translate-x-1/2 absolute text-[0.9rem]"
            style={{ left: `${(100 * x(offer.with, at)) / WIDTH}%` }}
          >
            <Chord symbol={row.symbol} />
          </span>
        ))}
      </div>
    </figure>
  );
}
