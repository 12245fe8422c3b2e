import type { Offer } from "../../api/client";
import { Chord } from "../../ui/Chord";

type Rows = Offer["with"];

const WIDTH = 250;
const HEIGHT = 96;
const EDGE = 26;

/** Four voices from chord to chord as threads: those that stay lie level, those that move bend. */
export function Threads({ offer }: { offer: Offer }) {
  const all = [...offer.without, ...offer.with].flatMap((row) => row.keys);
  const low = Math.min(...all) - 1;
  const high = Math.max(...all) + 1;
  return (
    <div className="grid gap-1" data-threads="">
      <Row label="as it stands" rows={offer.without} low={low} high={high} faint />
      <Row label="with it" rows={offer.with} low={low} high={high} />
    </div>
  );
}

function Row({ label, rows, low, high, faint = false }: { label: string; rows: Rows; low: number; high: number; faint?: boolean }) {
  const x = (at: number) => (rows.length === 1 ? WIDTH / 2 : EDGE + (at * (WIDTH - 2 * EDGE)) / (rows.length - 1));
  const y = (key: number) => HEIGHT - 8 - ((key - low) * (HEIGHT - 16)) / Math.max(1, high - low);
  const voices = rows[0]?.keys.length ?? 0;
  const stays = rows.slice(1).reduce((sum, row, at) => sum + row.keys.filter((key, voice) => key === rows[at]?.keys[voice]).length, 0);
  return (
    <figure className={faint ? "opacity-70" : ""}>
      <figcaption className="sr-only">
        {label}: {rows.map((row) => row.symbol).join(", ")}; {stays} times a voice stays.
      </figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-full" aria-hidden="true">
        {Array.from({ length: voices }, (_, voice) => voice).map((voice) =>
          rows.slice(1).map((row, at) => {
            const from = rows[at]?.keys[voice] ?? 0;
            const to = row.keys[voice] ?? 0;
            const level = from === to;
            return (
              <path
                // biome-ignore lint/suspicious/noArrayIndexKey: a voice and a place in the row are what it is
                key={`${voice}-${at}`}
                d={`M${x(at)} ${y(from)} C${(x(at) + x(at + 1)) / 2} ${y(from)} ${(x(at) + x(at + 1)) / 2} ${y(to)} ${x(at + 1)} ${y(to)}`}
                fill="none"
                stroke="currentColor"
                strokeWidth={level ? 1.6 : 3.2}
                strokeDasharray={level ? "2 4" : undefined}
                className={level || faint ? "text-quiet" : "text-accent"}
              />
            );
          }),
        )}
        {rows.map((row, at) =>
          row.keys.map((key) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a chord may come twice
            <circle key={`${at}-${key}`} cx={x(at)} cy={y(key)} r={3.4} className="fill-ink" />
          )),
        )}
      </svg>
      <div className="relative h-6" aria-hidden="true">
        {rows.map((row, at) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: a chord may come twice
            key={at}
            className="-translate-x-1/2 absolute text-[0.9rem]"
            style={{ left: `${(100 * x(at)) / WIDTH}%` }}
          >
            <Chord symbol={row.symbol} />
          </span>
        ))}
      </div>
    </figure>
  );
}
