import { api } from "../../api/client";
import { writeDown } from "./unsent";

const PASS = { song: "s", first: 1, last: 2, layer: "left", tempo: 80, clean: true, seconds: 9 };

describe("passes that could not be written down", () => {
  afterEach(() => {
    vi.restoreAllMocks();
    localStorage.clear();
  });

  it("wait in the browser and go with the next one, once each", async () => {
    const sent: string[] = [];
    const post = vi.spyOn(api, "POST");
    post.mockRejectedValue(new TypeError("away"));
    expect(await writeDown({ ...PASS, id: "one" })).toBe(1);
    expect(await writeDown({ ...PASS, id: "two" })).toBe(2);
    post.mockImplementation((async (_path: string, { body }: { body: { id: string } }) => {
      sent.push(body.id);
      return { data: {}, response: new Response("{}", { status: 201 }) };
    }) as never);
    expect(await writeDown({ ...PASS, id: "three" })).toBe(0);
    expect(sent).toEqual(["one", "two", "three"]);
    expect(localStorage.length).toBe(0);
  });

  /** A server without its database, or one that has too much to do, comes back: only what it says is wrong is wrong. */
  it.each([500, 502, 503, 504])("wait where the server answers %i", async (status) => {
    vi.spyOn(api, "POST").mockResolvedValue({
      error: { detail: "later" },
      response: new Response("{}", { status }),
    } as never);
    expect(await writeDown({ ...PASS, id: "later" })).toBe(1);
  });

  it("are let go where they are refused", async () => {
    vi.spyOn(api, "POST").mockResolvedValue({
      error: { detail: "gone" },
      response: new Response("{}", { status: 404 }),
    } as never);
    expect(await writeDown({ ...PASS, id: "gone" })).toBe(0);
  });
});
