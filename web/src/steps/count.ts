/** What a player counts at a place in the bar: "1 & 2 &" by eighths, "1 e & a" by sixteenths, numbers through 6/8. */
export type Plank = { tick: number; ticks: number; count: string; strong: boolean };

const TRIPLETS = ["", "trip", "let"];
const SIXTEENTHS = ["", "e", "&", "a"];

/** The floor of one bar: a plank for each subdivision that its strokes need. */
export function planks(barTicks: number, beatTicks: number, strokeTicks: number[]): Plank[] {
  const compound = beatTicks % 1440 === 0;
  const triplets = strokeTicks.some((tick) => tick % 240 !== 0);
  const unit = compound ? 480 : triplets ? 320 : strokeTicks.some((tick) => tick % 480 !== 0) ? 240 : 480;
  const counted = compound ? 480 : Math.max(beatTicks, unit);
  return Array.from({ length: Math.ceil(barTicks / unit) }, (_, index) => {
    const tick = index * unit;
    const beat = Math.floor(tick / counted) + 1;
    const inside = tick % counted;
    const count =
      inside === 0
        ? String(beat)
        : unit === 320
          ? (TRIPLETS[inside / 320] ?? "")
          : counted === 960
            ? (SIXTEENTHS[inside / 240] ?? "")
            : inside * 2 === counted
              ? "&"
              : "";
    return { tick, ticks: Math.min(unit, barTicks - tick), count, strong: tick % beatTicks === 0 };
  });
}
