import { TAB } from "./client";

export type Progress = { done: number; of: number };

const LOOK_MS = 400;

/**
 * A file that takes a while, with how far it is; where nobody waits any more, it is given up.
 *
 * @throws Error with what the server says where it cannot be had
 */
export async function watched(
  address: string,
  told: (progress: Progress) => void,
  signal?: AbortSignal,
): Promise<Response> {
  const name = crypto.randomUUID?.() ?? String(Math.random());
  const look = setInterval(async () => {
    const answer = await fetch(`/api/computing/${name}`, { signal: signal ?? null }).catch(() => null);
    if (answer?.ok) told((await answer.json()) as Progress);
  }, LOOK_MS);
  const stop = () =>
    void fetch(`/api/computing/${name}/stop`, { method: "POST", keepalive: true }).catch(() => undefined);
  signal?.addEventListener("abort", stop);
  try {
    const answer = await fetch(address, {
      headers: { "Zapateo-Work": name, "Zapateo-Tab": TAB },
      signal: signal ?? null,
    });
    if (!answer.ok)
      throw new Error(
        ((await answer.json().catch(() => ({}))) as { detail?: string }).detail ?? "the file could not be had",
      );
    return answer;
  } finally {
    clearInterval(look);
    signal?.removeEventListener("abort", stop);
  }
}
