import type { Arrangement } from "../../api/client";
import { fingerAt, spotOf, withFinger } from "./fingers";

const arrangement = {
  bars: [
    { number: 1, tick: 0 },
    { number: 2, tick: 3840 },
  ],
  strokes: [{ hand: "L", bar: 1, written: { tick: 4320, ticks: 480 }, notes: [{ name: "G2" }, { name: "D3" }] }],
} as unknown as Arrangement;

describe("a player's own fingers", () => {
  it("are named by hand, bar, place in the bar and key", () => {
    expect(spotOf(arrangement, 0, 1)).toEqual({ hand: "L", bar: 2, tick: 480, note: "D3" });
    expect(spotOf(arrangement, 3, 0)).toBeNull();
  });
  it("are put, changed and let go", () => {
    const put = withFinger({ figure: "held" }, arrangement, 0, 1, 2);
    expect(fingerAt(put, arrangement, 0, 1)).toBe(2);
    expect(fingerAt(put, arrangement, 0, 0)).toBeNull();
    const changed = withFinger(put, arrangement, 0, 1, 1);
    expect(changed.fingers).toEqual([{ hand: "L", bar: 2, tick: 480, note: "D3", finger: 1 }]);
    expect(withFinger(changed, arrangement, 0, 1, null)).toEqual({ figure: "held" });
  });
});
