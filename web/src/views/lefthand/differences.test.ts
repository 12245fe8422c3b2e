import { differences } from "./differences";

describe("two arrangements", () => {
  it("differ in either hand", () => {
    const rows = differences(
      {
        figure: "two-feel",
        withBassPlayer: true,
        overrides: [{ bars: "2", level: 1 }],
        right: { style: "melody", under: "close" },
      },
      {
        figure: "held",
        right: { style: "comping", figure: "held-chords", asTheyAre: [3, 4], sections: { Chorus: { style: "none" } } },
      },
      { withBassPlayer: "bass player", under: "under the melody", asTheyAre: "bars as they are" },
    );
    const row = (name: string) => rows.find((each) => each.name === name);
    expect(row("figure")).toEqual({ name: "figure", one: "two feel", two: "held" });
    expect(row("bass player")).toMatchObject({ one: "yes", two: "–" });
    expect(row("bars of their own")).toMatchObject({ one: "1", two: "–" });
    expect(row("right hand: style")).toMatchObject({ one: "melody", two: "comping" });
    expect(row("right hand: under the melody")).toMatchObject({ one: "close", two: "–" });
    expect(row("right hand: bars as they are")).toMatchObject({ one: "–", two: "3, 4" });
    expect(row("right hand: sections of their own")).toMatchObject({ one: "–", two: "Chorus" });
  });
});
