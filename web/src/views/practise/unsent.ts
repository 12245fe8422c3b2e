import { api, Refused, take } from "../../api/client";
import type { components } from "../../api/schema";

type PassRequest = components["schemas"]["PassRequest"];
type RoundRequest = components["schemas"]["RoundRequest"];

/** What waits in this browser until the server has it: each has its id, so that none is written twice. */
function outbox<T extends { id: string }>(
  key: string,
  send: (each: T) => Promise<unknown>,
): (each: T) => Promise<number> {
  const waiting = (): T[] => {
    try {
      return JSON.parse(localStorage.getItem(key) ?? "[]") as T[];
    } catch {
      return [];
    }
  };
  const keep = (all: T[]) => {
    if (all.length > 0) localStorage.setItem(key, JSON.stringify(all));
    else localStorage.removeItem(key);
  };
  return async (newest) => {
    keep([...waiting(), newest]);
    for (const each of waiting()) {
      try {
        await send(each);
      } catch (error) {
        // What is refused would be so again; a server that is away comes back.
        const refused = error instanceof Refused && error.status >= 400 && error.status < 500;
        if (!refused) break;
      }
      keep(waiting().filter((other) => other.id !== each.id));
    }
    return waiting().length;
  };
}

/** Writes a pass down, with those that could not be before. Says how many still wait. */
export const writeDown = outbox<PassRequest>("zapateo.practice.unsent", (body) =>
  take(api.POST("/api/practice/log", { body })),
);

/** The same for a time through step by step. */
export const writeSteps = outbox<RoundRequest>("zapateo.practice.steps", (body) =>
  take(api.POST("/api/practice/steps", { body })),
);
