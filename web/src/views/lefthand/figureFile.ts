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
