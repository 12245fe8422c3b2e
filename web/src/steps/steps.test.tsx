import { render, screen } from "@testing-library/react";
import { planks } from "./count";
import { StepLine } from "./StepLine";

describe("the count of a bar", () => {
  const counted = (bar: number, beat: number, strokes: number[]) =>
    planks(bar, beat, strokes)
      .map((plank) => plank.count)
      .join(" ");
  it("goes by eighths", () => expect(counted(3840, 960, [0, 480])).toBe("1 & 2 & 3 & 4 &"));
  it("goes by sixteenths where strokes need them", () => expect(counted(1920, 960, [0, 720])).toBe("1 e & a 2 e & a"));
  it("runs through the eighths of six-eight", () => expect(counted(2880, 1440, [0])).toBe("1 2 3 4 5 6"));
  it("counts the eighths of seven-eight", () => expect(counted(3360, 480, [0])).toBe("1 2 3 4 5 6 7"));
  it("covers the whole bar", () => {
    for (const [bar, beat] of [
      [3840, 960],
      [2880, 1440],
      [3360, 480],
      [4800, 960],
    ] as const) {
      expect(planks(bar, beat, [0, 240]).reduce((sum, plank) => sum + plank.ticks, 0)).toBe(bar);
    }
  });
});

describe("the step line", () => {
  it("draws a foot for every stroke and says what it shows", () => {
    render(
      <StepLine
        barTicks={3840}
        beatTicks={960}
        steps={[
          { tick: 0, ticks: 960, mark: "heel" },
          { tick: 960, ticks: 960, mark: "toe" },
        ]}
        label="bass, then chord"
      />,
    );
    const picture = screen.getByRole("img", { name: "bass, then chord" });
    expect(picture.querySelectorAll("path")).toHaveLength(2);
  });
  it("counts aloud when it is large", () => {
    const { container } = render(<StepLine large barTicks={2880} beatTicks={960} steps={[]} label="waltz" />);
    expect(container.textContent).toBe("1&2&3&");
  });
});
