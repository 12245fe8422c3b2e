import * as Plot from "@observablehq/plot";
import { useEffect, useRef } from "react";
import type { Pass } from "../../api/client";

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const INK = "var(--ink)";
const ACCENT = "var(--accent)";

function Picture({ title, label, draw }: { title: string; label: string; draw: () => Element }) {
  const place = useRef<HTMLDivElement>(null);
  const made = useRef(draw);
  made.current = draw;
  // biome-ignore lint/correctness/useExhaustiveDependencies: drawn anew when what it says has changed
  useEffect(() => {
    const picture = made.current();
    picture.setAttribute("aria-hidden", "true");
    place.current?.replaceChildren(picture);
  }, [label]);
  return (
    <figure>
      <figcaption className="font-serif text-lg">{title}</figcaption>
      <div ref={place} role="img" aria-label={label} className="text-ink" />
    </figure>
  );
}

const style = { background: "transparent", color: INK, fontFamily: "inherit", fontSize: "13px" };

/** Minutes by day, a column for each week. */
export function Calendar({ passes }: { passes: Pass[] }) {
  const byDay = new Map<string, number>();
  for (const pass of passes) byDay.set(pass.day, (byDay.get(pass.day) ?? 0) + pass.seconds / 60);
  const cells = [...byDay].map(([day, minutes]) => {
    const date = new Date(`${day}T12:00:00Z`);
    const weekday = (date.getUTCDay() + 6) % 7;
    const monday = new Date(date.getTime() - weekday * 86_400_000).toISOString().slice(5, 10);
    return { week: monday, weekday: DAYS[weekday], minutes: Math.max(1, Math.round(minutes)) };
  });
  const said = [...byDay].map(([day, minutes]) => `${day}: ${Math.round(minutes)} minutes`).join(", ");
  return (
    <Picture
      title="Minutes at the keys"
      label={`Minutes by day. ${said}`}
      draw={() =>
        Plot.plot({
          width: 520,
          height: 210,
          style,
          padding: 0.08,
          x: { axis: "top", label: null, domain: [...new Set(cells.map((cell) => cell.week))].sort() },
          y: { domain: DAYS, label: null },
          color: {
            type: "linear",
            range: ["#e7d5b5", "#8a2f14"],
            domain: [0, Math.max(20, ...cells.map((cell) => cell.minutes))],
          },
          marks: [
            Plot.cell(cells, { x: "week", y: "weekday", fill: "minutes", inset: 1 }),
            Plot.text(cells, {
              x: "week",
              y: "weekday",
              text: "minutes",
              fill: (cell: { minutes: number }) => (cell.minutes > 14 ? "#fffdf7" : "#211c16"),
            }),
          ],
        })
      }
    />
  );
}

/** The fastest clean tempo of each passage, day by day, against the goal. */
export function Tempos({ passes, goal }: { passes: Pass[]; goal: number | undefined }) {
  const best = new Map<string, { day: Date; passage: string; tempo: number }>();
  for (const pass of passes.filter((each) => each.clean)) {
    const passage = pass.first === pass.last ? `bar ${pass.first}` : `bars ${pass.first}–${pass.last}`;
    const key = `${passage} ${pass.day}`;
    if ((best.get(key)?.tempo ?? 0) < pass.tempo)
      best.set(key, { day: new Date(`${pass.day}T12:00:00Z`), passage, tempo: pass.tempo });
  }
  const points = [...best.values()].sort((one, other) => one.day.getTime() - other.day.getTime());
  const last = new Map(points.map((point) => [point.passage, point]));
  // Names that would lie on one another are left to the words.
  const named = [...last.values()]
    .sort((one, other) => one.tempo - other.tempo)
    .filter(
      (point, at, all) =>
        at === 0 || point.tempo - (all[at - 1]?.tempo ?? 0) > 3 || point.day.getTime() !== all[at - 1]?.day.getTime(),
    );
  return (
    <Picture
      title="Tempo that was clean"
      label={`Tempo by day. ${[...last.values()].map((point) => `${point.passage}: ${Math.round(point.tempo)}`).join(", ")}${goal ? `; goal ${Math.round(goal)}` : ""}`}
      draw={() =>
        Plot.plot({
          width: 520,
          height: 210,
          style,
          marginRight: 80,
          y: { label: "beats a minute", nice: true },
          x: { type: "utc", label: null },
          marks: [
            ...(goal ? [Plot.ruleY([goal], { stroke: ACCENT, strokeDasharray: "5 4" })] : []),
            Plot.lineY(points, { x: "day", y: "tempo", z: "passage", stroke: INK, strokeOpacity: 0.6 }),
            Plot.dot(points, { x: "day", y: "tempo", symbol: "passage", stroke: INK, r: 4 }),
            Plot.text(named, { x: "day", y: "tempo", text: "passage", dx: 8, textAnchor: "start", fill: INK }),
          ],
        })
      }
    />
  );
}

/** The song as a strip of bars: how many of the last passes over each were clean. */
export function ClearBars({ passes }: { passes: Pass[] }) {
  const bars = new Map<number, boolean[]>();
  for (const pass of passes)
    for (let bar = pass.first; bar <= pass.last; bar++) {
      const all = bars.get(bar) ?? [];
      if (all.length < 6) all.push(pass.clean);
      bars.set(bar, all);
    }
  const cells = [...bars].map(([bar, all]) => ({ bar, share: all.filter(Boolean).length / all.length }));
  return (
    <Picture
      title="Bars, by how clean they are"
      label={`Of the last passes over each bar these were clean: ${cells.map((cell) => `bar ${cell.bar} ${Math.round(cell.share * 100)} of 100`).join(", ")}`}
      draw={() =>
        Plot.plot({
          width: 520,
          height: 120,
          style,
          x: { label: "bar", interval: 1 },
          y: { domain: [0, 1], label: "share that was clean", ticks: 3 },
          marks: [
            Plot.rectY(cells, {
              x: "bar",
              y: "share",
              fill: (cell: { share: number }) => (cell.share >= 0.8 ? INK : ACCENT),
              inset: 0.5,
            }),
            Plot.ruleY([0], { stroke: INK }),
          ],
        })
      }
    />
  );
}

/** How even the last takes were. */
export function Evenness({ passes }: { passes: Pass[] }) {
  const takes = passes
    .filter((pass) => pass.unevenMs !== undefined)
    .slice(0, 24)
    .reverse()
    .map((pass, at) => ({ take: at + 1, ms: pass.unevenMs ?? 0, clean: pass.clean }));
  return (
    <Picture
      title="Evenness of the last takes"
      label={
        takes.length > 0
          ? `Milliseconds off: ${takes.map((each) => Math.round(each.ms)).join(", ")}`
          : "No take was heard yet"
      }
      draw={() =>
        Plot.plot({
          width: 520,
          height: 120,
          style,
          x: { label: "take", interval: 1 },
          y: { label: "ms off", zero: true },
          marks: [
            Plot.dot(takes, {
              x: "take",
              y: "ms",
              symbol: (each: { clean: boolean }) => (each.clean ? "circle" : "times"),
              stroke: INK,
              r: 4,
            }),
            Plot.lineY(takes, { x: "take", y: "ms", stroke: INK, strokeOpacity: 0.4 }),
          ],
        })
      }
    />
  );
}
