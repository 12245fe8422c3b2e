import { vi } from "vitest";
import { type Progress, watched } from "./watched";

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });

afterEach(() => vi.unstubAllGlobals());

it("tells how far a file is, by the name it was asked for with", async () => {
  const told: Progress[] = [];
  let arrived: (answer: Response) => void = () => undefined;
  let name = "";
  vi.stubGlobal("fetch", (address: string, how?: RequestInit) => {
    if (address.startsWith("/api/computing/")) {
      expect(address).toBe(`/api/computing/${name}`);
      return Promise.resolve(json({ done: told.length + 1, of: 9 }));
    }
    name = new Headers(how?.headers).get("Zapateo-Work") ?? "";
    return new Promise<Response>((resolve) => {
      arrived = resolve;
    });
  });
  const file = watched("/api/keeping/everything", (progress) => {
    told.push(progress);
    if (told.length === 2) arrived(new Response("all of it"));
  });
  expect(await (await file).text()).toBe("all of it");
  expect(told.slice(0, 2)).toEqual([
    { done: 1, of: 9 },
    { done: 2, of: 9 },
  ]);
});

it("gives a file up that nobody waits for, and says why one cannot be had", async () => {
  const asked: string[] = [];
  const stop = new AbortController();
  vi.stubGlobal("fetch", (address: string, how?: RequestInit) => {
    asked.push(`${how?.method ?? "GET"} ${address.replace(/[0-9a-f-]{36}/, "NAME")}`);
    return how?.method === "POST"
      ? Promise.resolve(new Response(null, { status: 204 }))
      : new Promise((_, reject) => how?.signal?.addEventListener("abort", () => reject(new Error("aborted"))));
  });
  const file = watched("/api/sets/1/export/zip", () => undefined, stop.signal);
  stop.abort();
  await expect(file).rejects.toThrow("aborted");
  expect(asked).toContain("POST /api/computing/NAME/stop");
  vi.stubGlobal("fetch", () => Promise.resolve(json({ detail: "Too much is being computed." }, 503)));
  await expect(watched("/api/sets/1/export/zip", () => undefined)).rejects.toThrow("Too much is being computed.");
});
