import type { Row } from "./table";

/** A row of the table of choices as tests need it. */
export function row(id: string, more: Partial<Row> = {}): Row {
  return {
    id,
    name: id,
    on: null,
    places: ["song", "section", "bars"],
    kind: "text",
    values: [],
    usual: null,
    open: null,
    nothing: null,
    falls: null,
    along: null,
    apart: false,
    use: "",
    ...more,
  };
}

/** What hangs together: a figure's voicing and a bar broken out of it fall with it. */
export const ROWS: Row[] = [
  row("figure", { apart: true, usual: "held" }),
  row("voicing", { falls: "figure" }),
  row("strokes", { falls: "figure", places: ["bars"], apart: true }),
];
