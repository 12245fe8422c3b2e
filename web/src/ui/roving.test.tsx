import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { rove } from "./roving";

test("arrows go from one thing to the next and stay in the list", async () => {
  render(
    <div role="toolbar" onKeyDown={(event) => rove(event, "button[data-thing]")}>
      {["one", "two", "three"].map((name) => (
        <button key={name} type="button" data-thing="" tabIndex={name === "one" ? 0 : -1}>
          {name}
        </button>
      ))}
      <button type="button">beside</button>
    </div>,
  );
  await userEvent.tab();
  const walk = async (keys: string) => {
    await userEvent.keyboard(keys);
    return document.activeElement?.textContent;
  };
  expect(await walk("{ArrowDown}")).toBe("two");
  expect(await walk("{End}")).toBe("three");
  expect(await walk("{ArrowDown}")).toBe("three");
  expect(await walk("{Home}{ArrowUp}")).toBe("one");
  expect(await walk("{Control>}{ArrowDown}{/Control}")).toBe("one");
  screen.getByText("beside").focus();
  expect(await walk("{ArrowDown}")).toBe("beside");
});
