import { fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import type { EditedStroke } from "./edited";
import { following, type Role, rolesOf, shown, spoken, stepped } from "./roles";
import { StepEditor } from "./StepEditor";

function stroke(written: string, hand: "L" | "R" = "L"): EditedStroke {
  const [roles = "", time = ""] = written.split("@");
  const [tick, length] = time.split(":").map(Number);
  return { hand, roles, tick: tick ?? 0, length: length ?? 480, rolled: false, accent: false };
}

function written(strokes: EditedStroke[]): string {
  return [...strokes]
    .sort((one, other) => one.tick - other.tick)
    .map((each) => `${each.roles}@${each.tick}:${each.length}`)
    .join(" ");
}

/** As the server tells them. */
const ROLES: Role[] = (
  [
    ["5_", "L", "fifth below", "5_"],
    ["1", "L", "bass", "1"],
    ["3", "L", "third", "3"],
    ["5", "L", "fifth", "5"],
    ["6", "L", "sixth", "6"],
    ["7", "L", "seventh", "7"],
    ["8", "L", "octave", "8"],
    ["9", "L", "ninth", "9"],
    ["10", "L", "tenth", "10"],
    ["12", "L", "twelfth", "12"],
    ["c", "L", "close chord", "c"],
    ["s", "L", "guide tones", "s"],
    ["v", "L", "the voicing", "v"],
    ["w", "L", "walking note", "w"],
    ["L", "L", "lead-in", "L"],
    ["d", "L", "passing diminished", "d"],
    ["cl", "R", "the lowest", "low"],
    ["cu", "R", "all but the lowest", "upper"],
    ["c", "R", "the whole chord", "all"],
    ["ct", "R", "the top", "top"],
    ["c1", "R", "first from below", "c1"],
    ["c2", "R", "second", "c2"],
    ["c3", "R", "third", "c3"],
    ["c4", "R", "fourth", "c4"],
  ] as const
).map(([id, hand, name, brief]) => ({ id, hand, name, brief, alone: !/^[0-9]/.test(id) }));

type Now = { strokes: EditedStroke[] };

function Bar({ now, hand }: { now: Now; hand: "L" | "R" }) {
  const [strokes, setStrokes] = useState(now.strokes);
  const [at, setAt] = useState<number | null>(null);
  return (
    <StepEditor
      roles={ROLES}
      strokes={strokes}
      at={at}
      hands={[hand]}
      barTicks={3840}
      beatTicks={960}
      unit={480}
      markOf={() => "toe"}
      onAt={setAt}
      onChange={(next, taken) => {
        now.strokes = next;
        setStrokes(next);
        setAt(taken);
      }}
    />
  );
}

describe("the step line while it is written", () => {
  const show = (begin: EditedStroke[], hand: "L" | "R" = "L") => {
    const now: Now = { strokes: begin };
    render(<Bar now={now} hand={hand} />);
    return now;
  };
  const plank = (name: string) => screen.getByRole("button", { name });

  it("all, lowest, the upper ones, lowest: four presses", async () => {
    const now = show([], "R");
    for (const tick of [0, 2, 4, 6]) await userEvent.click(screen.getAllByRole("button")[tick] as HTMLElement);
    expect(written(now.strokes)).toBe("c@0:480 cl@960:480 cu@1920:480 cl@2880:480");
  });

  it("a step is stepped up and down, pulled and lifted by keys alone", async () => {
    const now = show([stroke("1@0:960"), stroke("5@1440:480")]);
    await userEvent.tab();
    expect(document.activeElement).toBe(plank("Left hand on 1: 1, bass"));
    await userEvent.keyboard("{Shift>}{ArrowRight}{/Shift}{ArrowRight}{ArrowRight}{ArrowRight}");
    expect(document.activeElement?.getAttribute("aria-label")).toBe("Left hand on &: 5, fifth");
    await userEvent.keyboard("{ArrowUp}{ArrowUp}{ArrowDown}");
    expect(written(now.strokes)).toBe("1@0:1440 6@1440:480");
    await userEvent.keyboard("{Shift>}{ArrowLeft}{/Shift}");
    expect(written(now.strokes)).toBe("1@0:1440 6@1440:480");
    await userEvent.keyboard("{ArrowRight}{Enter}{Delete}{ArrowLeft}{Backspace}");
    expect(written(now.strokes)).toBe("1@0:1440");
    await userEvent.tab();
    expect(document.activeElement).toBe(document.body);
  });

  it("its sole is pulled as far as the bar goes", () => {
    const now = show([stroke("1@0:480"), stroke("5@2880:480")]);
    const row = screen.getByRole("group");
    row.getBoundingClientRect = () => ({ left: 100, width: 800 }) as DOMRect;
    const pull = document.querySelector('[data-pull="0"]') as HTMLElement;
    pull.setPointerCapture = () => undefined;
    pull.hasPointerCapture = () => true;
    const move = (clientX: number) => {
      const event = new MouseEvent("pointermove", { bubbles: true, clientX });
      Object.assign(event, { pointerId: 1 });
      fireEvent(pull, event);
    };
    move(100 + 310);
    expect(written(now.strokes)).toBe("1@0:1440 5@2880:480");
    move(5000);
    expect(written(now.strokes)).toBe("1@0:3840 5@2880:480");
    move(0);
    expect(written(now.strokes)).toBe("1@0:480 5@2880:480");
  });
});

describe("what a stroke plays", () => {
  it("is stepped within its hand's roles; several together stay", () => {
    expect(stepped(ROLES, stroke("1@0:480"), -1, false)).toBe("5_");
    expect(stepped(ROLES, stroke("5_@0:480"), -1, false)).toBe("5_");
    expect(stepped(ROLES, stroke(">1@0:480"), 1, false)).toBe(">3");
    expect(stepped(ROLES, stroke("3+5@0:480"), 1, false)).toBe("3+5");
    expect(stepped(ROLES, stroke("cl@0:480", "R"), 1, false)).toBe("cu");
    expect(rolesOf(ROLES, "R", false).map((role) => role.id)).not.toContain("1");
    expect(rolesOf(ROLES, "R", true).map((role) => role.id)).toContain("5");
  });
  it("is said in words and shown in short", () => {
    expect(spoken(ROLES, stroke("1+10@0:480"))).toBe("bass and tenth");
    expect(spoken(ROLES, stroke(">1@3360:480"))).toBe("early bass");
    expect(shown(ROLES, stroke("cu@0:480", "R"))).toBe("upper");
    expect(shown(ROLES, stroke("c@0:480"))).toBe("c");
  });
  it("goes on from the stroke before", () => {
    expect(following(undefined, "L")).toBe("1");
    expect(following(stroke("1@0:480"), "L")).toBe("5");
    expect(following(stroke("5@0:480"), "L")).toBe("8");
    expect(following(stroke("ct@0:480", "R"), "R")).toBe("cl");
  });
});
