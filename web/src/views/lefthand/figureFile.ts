import type { Figure, FigureStroke } from "../../api/client";

/** A stroke while it is being written; a length of null lasts as long as the chord. */
export type EditedStroke = { hand: "L" | "R"; roles: string; tick: number; length: number | null; rolled: boolean; accent: boolean };
export type EditedFigure = Omit<Figure, "strokes" | "variations" | "version" | "voicings" | "hands" | "meters" | "manner"> & {
  manner: Omit<Figure["manner"], "hasLine">;
  meter: string;
  barTicks: number;
  beatTicks: number;
  strokes: EditedStroke[];
  /** Bars in other metres and variations, as they are. */
  rest: { bars: Record<string, string[]>; variations: Record<string, Record<string, string>> };
};

function strokeText(stroke: EditedStroke): string {
  return `${stroke.hand === "R" ? "R:" : ""}${stroke.rolled ? "~" : ""}${stroke.roles}@${stroke.tick}:${stroke.length ?? "*"}${stroke.accent ? "!" : ""}`;
}

function barText(strokes: Pick<FigureStroke, "hand" | "roles" | "tick" | "length" | "rolled" | "accent">[]): string {
  return strokes.map((stroke) => strokeText(stroke as EditedStroke)).join(" ");
}

/** A figure of the book, opened in one of its metres to be changed. */
export function edited(figure: Figure, meter: string): EditedFigure {
  const bar = figure.strokes.find((each) => each.meter === meter) ?? figure.strokes[0];
  const bars: Record<string, string[]> = {};
  let taken = false;
  for (const each of figure.strokes) {
    if (!taken && each === bar) {
      taken = true;
      bars[each.meter] = [...(bars[each.meter] ?? []), ""];
    } else bars[each.meter] = [...(bars[each.meter] ?? []), barText(each.strokes)];
  }
  const variations: Record<string, Record<string, string>> = {};
  for (const each of figure.variations) variations[each.when] = { ...variations[each.when], [each.bar.meter]: barText(each.bar.strokes) };
  const { hasLine: _hasLine, ...manner } = figure.manner;
  return {
    ...figure,
    manner,
    meter: bar?.meter ?? meter,
    barTicks: bar?.barTicks ?? 3840,
    beatTicks: bar?.beatTicks ?? 960,
    strokes: (bar?.strokes ?? []).map(({ hand, roles, tick, length, rolled, accent }) => ({ hand, roles, tick, length, rolled, accent })),
    rest: { bars, variations },
  };
}

/** The figure's file. JSON is YAML too, so no text has to be put together by hand. */
export function fileOf(figure: EditedFigure, id: string): string {
  const own = barText([...figure.strokes].sort((a, b) => a.tick - b.tick || a.hand.localeCompare(b.hand)));
  const bars: Record<string, string[]> = {};
  for (const [meter, texts] of Object.entries(figure.rest.bars)) bars[meter] = texts.map((text) => text || own);
  return JSON.stringify({
    id,
    name: figure.name,
    family: figure.family,
    use: figure.use,
    feel: figure.feel,
    level: String(figure.level),
    tempo: `${figure.minTempo}-${figure.maxTempo}`,
    chords: String(figure.chords),
    suits: figure.suits,
    spacing: figure.manner.spacing,
    register: figure.registers,
    voicings: figure.accepts,
    pedal: figure.manner.pedal ? "yes" : "no",
    line: figure.manner.line,
    cut: figure.manner.cut,
    roll: figure.manner.roll,
    bass: figure.manner.bass ? "yes" : "no",
    ...(figure.manner.leadIn ? { leadIn: figure.manner.leadIn } : {}),
    times: figure.manner.times,
    bars,
    ...(Object.keys(figure.rest.variations).length > 0 ? { variations: figure.rest.variations } : {}),
  });
}

/** A name as an id: small letters and digits with hyphens. */
export function idOf(name: string): string {
  const plain = name
    .normalize("NFD")
    .replace(/[\u0300-\u036f]/g, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40);
  return plain || "my-figure";
}

/** What marks the step line shows for roles, as the book does. */
export function markOf(roles: string): "heel" | "toe" | "lead" {
  const each = roles.split("+").map((role) => role.replace(/^>/, ""));
  if (each.includes("L")) return "lead";
  return each.some((role) => ["1", "v", "5_", "w"].includes(role)) ? "heel" : "toe";
}

/** The planks a figure needs: eighths, triplets or sixteenths. */
export function usualUnit(figure: EditedFigure): number {
  if (figure.strokes.some((stroke) => stroke.tick % 240 !== 0)) return 320;
  return figure.strokes.some((stroke) => stroke.tick % 480 !== 0) ? 240 : 480;
}

/** The figure with another of its metres opened; one it is not written for begins with what fits. */
export function inMeter(now: EditedFigure, figure: Figure, meter: string): EditedFigure {
  const own = edited(figure, meter);
  const kept = { ...now, meter };
  if (figure.meters.includes(meter))
    return { ...kept, barTicks: own.barTicks, beatTicks: own.beatTicks, strokes: own.strokes, rest: own.rest };
  const [count = "4", unit = "4"] = meter.split("/");
  const units = count.split("+").reduce((sum, each) => sum + Number(each), 0);
  const unitTicks = 3840 / Number(unit);
  const compound = Number(unit) >= 8 && units > 3 && units % 3 === 0 && !count.includes("+");
  const barTicks = units * unitTicks;
  return {
    ...kept,
    barTicks,
    beatTicks: compound ? 3 * unitTicks : unitTicks,
    strokes: now.strokes.filter((stroke) => stroke.tick < barTicks),
    rest: { ...now.rest, bars: { ...edited(figure, figure.meters[0] ?? meter).rest.bars, [meter]: [""] } },
  };
}

/** What plays a chord or a voicing has one to begin with. */
export function withVoicings(figure: EditedFigure): EditedFigure {
  const plays = (role: string) => figure.strokes.some((stroke) => stroke.roles.split("+").some((each) => each.replace(/^>/, "") === role));
  if (figure.accepts.length > 0) return figure;
  if (plays("v")) return { ...figure, accepts: ["open-fifth", "octave", "spread", "close"] };
  return plays("c") ? { ...figure, accepts: ["close", "guide-tones"] } : figure;
}
