import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Tempo } from "./Tempo";
import { tapping, typedTempo } from "./tempo";
import { nameFor, retitled } from "./title";

describe("a tempo", () => {
  test("is typed after a press on it", async () => {
    const set = vi.fn();
    render(<Tempo bpm={100} unit="quarter" setBpm={set} />);
    await userEvent.click(screen.getByRole("button", { name: /^Tempo: 100 quarters a minute/ }));
    await userEvent.keyboard("132{Enter}");
    expect(set).toHaveBeenLastCalledWith(132);
    await userEvent.click(screen.getByRole("button", { name: /^Tempo/ }));
    await userEvent.keyboard("900{Enter}");
    expect(screen.getByRole("alert")).toHaveTextContent("a number from 20 to 400");
    await userEvent.keyboard("{Escape}");
    expect(set).toHaveBeenCalledTimes(1);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  test("goes in steps of one and of five", async () => {
    const set = vi.fn();
    render(<Tempo bpm={100} unit="quarter" setBpm={set} />);
    for (const name of ["Slower", "Faster", "Slower by five", "Faster by five"]) {
      await userEvent.click(screen.getByRole("button", { name }));
    }
    expect(set.mock.calls.flat()).toEqual([99, 101, 95, 105]);
  });

  test("is a number there is", () => {
    expect([" 92 ", "92,4", "", "x", "19", "401", "20"].map(typedTempo)).toEqual([92, 92, null, null, null, null, 20]);
  });

  test("is tapped: the third beat says it, a pause begins anew", () => {
    const tap = tapping();
    expect([0, 500, 1000, 1500].map(tap)).toEqual([null, null, 120, 120]);
    expect([9000, 10_000, 11_000].map(tap)).toEqual([null, null, 60]);
    const quick = tapping();
    expect([0, 1, 2].map(quick)[2]).toBe(400);
    expect(tap(11_000)).not.toBe(Number.POSITIVE_INFINITY);
  });
});

describe("a title", () => {
  test("is written into the chart where it stands, or above it", () => {
    expect(retitled("Title: Old\nKey: C\n| C |", "New $& one")).toBe("Title: New $& one\nKey: C\n| C |");
    expect(retitled("| C |", "New")).toBe("Title: New\n| C |");
    expect(retitled("Title: Old\n| C |", "  ")).toBe("Title: Old\n| C |");
    expect(retitled("title : Old\n", "A // B\nC")).toBe("Title: A / / B C\n");
  });

  test("of a song without one is its first chords and the day", () => {
    const day = new Date(2027, 0, 9);
    expect(nameFor("| Gm E♭ | B♭ F | Gm |", day)).toBe("Gm E♭ B♭ F, 9 January");
    expect(nameFor("Key: G\n[Verse]\nC Am7", day)).toBe("C Am7, 9 January");
    expect(nameFor("", day)).toBe("Song of 9 January");
  });
});
