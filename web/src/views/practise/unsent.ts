import { api, Refused, take } from "../../api/client";
import type { components } from "../../api/schema";

type PassRequest = components["schemas"]["PassRequest"];

const KEY = "zapateo.practice.unsent";

function waiting(): PassRequest[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? "[]") as PassRequest[];
  } catch {
    return [];
  }
}

function keep(all: PassRequest[]): void {
  if (all.length > 0) localStorage.setItem(KEY, JSON.stringify(all));
  else localStorage.removeItem(KEY);
}

/** Writes a pass down, with those that could not be before: each has its id, so that none is written twice. Says how many still wait. */
export async function writeDown(pass: PassRequest): Promise<number> {
  keep([...waiting(), pass]);
  for (const each of waiting()) {
    try {
      await take(api.POST("/api/practice/log", { body: each }));
    } catch (error) {
      // What is refused would be so again; a server that is away comes back.
      const refused = error instanceof Refused && error.status >= 400 && error.status < 500;
      if (!refused) break;
    }
    keep(waiting().filter((other) => other.id !== each.id));
  }
  return waiting().length;
}
