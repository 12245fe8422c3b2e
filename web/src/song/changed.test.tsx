import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { api } from "../api/client";
import { ChangedFigures, withFigure } from "./ChangedFigures";
import type { Draft } from "./draft";
import type { DraftDesk, Make } from "./openDraft";

afterEach(() => vi.restoreAllMocks());

describe("a figure that was changed since its song was kept", () => {
  const choices = {
    figure: "mine",
    sections: { A: { figure: "held" }, B: { figure: "mine" } },
    overrides: [{ bars: "2", figure: "mine" }],
  };

  it("is named otherwise wherever it was chosen", () => {
    expect(withFigure(choices, "mine", "mine-2")).toEqual({
      figure: "mine-2",
      sections: { A: { figure: "held" }, B: { figure: "mine-2" } },
      overrides: [{ bars: "2", figure: "mine-2" }],
    });
    expect(withFigure({ level: 2 }, "mine", "mine-2")).toEqual({ level: 2 });
  });

  it("is had back as it was, for this song", async () => {
    const get = vi.spyOn(api, "GET").mockImplementation((async (path: string) => ({
      data: path.includes("texts") ? "id: mine" : [],
      response: new Response(),
    })) as never);
    const post = vi.spyOn(api, "POST").mockResolvedValue({ data: { id: "mine-2" }, response: new Response() } as never);
    const draft: Draft = { chart: "| C |", choices, arrangement: "alone", others: [] };
    let made: Partial<Draft> | null = null;
    const edit = async (make: Make) => {
      made = await make(draft);
    };
    const desk = { draft, edit } as unknown as DraftDesk;
    render(
      <QueryClientProvider client={new QueryClient()}>
        <ChangedFigures desk={desk} changed={{ mine: "00000000-0000-4000-8000-00000000000c" }} />
      </QueryClientProvider>,
    );
    await userEvent.click(screen.getByRole("button", { name: /Have the old one back/ }));
    await waitFor(() => expect(screen.queryByRole("status")).toBeNull());
    expect(get).toHaveBeenCalledWith("/api/figures/texts/{hash}", expect.anything());
    expect(post).toHaveBeenCalledWith("/api/figures", { body: { file: "id: mine" } });
    expect(made).toMatchObject({ choices: { figure: "mine-2" } });
  });
});
