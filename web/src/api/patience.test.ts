import { api } from "./client";

const busy = () =>
  new Response(JSON.stringify({ type: "/problems/busy", status: 503, detail: "Too much is being computed." }), {
    status: 503,
    headers: { "Retry-After": "0", "Content-Type": "application/problem+json" },
  });
const answer = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
const ask = (signal?: AbortSignal) =>
  api.POST("/api/charts/parse", { body: { text: "C" }, baseUrl: "http://localhost/", ...(signal ? { signal } : {}) });

function stub(answers: (() => Response | Promise<Response>)[]) {
  const asked: Request[] = [];
  vi.stubGlobal("fetch", (request: Request | string) => {
    asked.push(request instanceof Request ? request : new Request(`http://localhost${request}`, { method: "POST" }));
    return Promise.resolve((answers[asked.length - 1] ?? answers[answers.length - 1])?.());
  });
  return asked;
}

test("a busy server is asked again until it has time", async () => {
  const asked = stub([busy, busy, () => answer({ fine: true })]);
  expect((await ask()).data).toEqual({ fine: true });
  expect(asked).toHaveLength(3);
});

test("it is not asked for ever, and a database that is away is not asked again", async () => {
  const asked = stub([busy]);
  expect((await ask()).response.status).toBe(503);
  expect(asked).toHaveLength(8);
  const away = stub([() => answer({ type: "/problems/database", status: 503 }, 503)]);
  await ask();
  expect(away).toHaveLength(1);
});

test("what is waited for no longer is stopped on the server, by its name", async () => {
  let end: (response: Response) => void = () => undefined;
  const asked = stub([
    () => new Promise<Response>((resolve) => (end = resolve)),
    () => new Response(null, { status: 204 }),
  ]);
  const page = new AbortController();
  const waiting = ask(page.signal);
  await vi.waitFor(() => expect(asked).toHaveLength(1));
  page.abort();
  await vi.waitFor(() => expect(asked).toHaveLength(2));
  expect(asked[1]?.url).toBe(`http://localhost/api/computing/${asked[0]?.headers.get("Zapateo-Work")}/stop`);
  end(answer({}));
  await waiting;
});
