import type { NoteSink } from "./midiOut";

export type Received = { message: number[]; at: number };

const KEPT = 1000;

/**
 * Stands in for a digital piano where there is none: keeps what it is sent, newest at the end, and says how much that
 * is.
 */
export class StandInPiano implements NoteSink {
  readonly id = "stand-in-piano";
  readonly name = "the stand-in for one";
  readonly received: Received[] = [];
  private readonly listeners = new Set<() => void>();
  private struck = 0;

  send = (message: number[], at: number): void => {
    this.received.push({ message, at });
    if (this.received.length > KEPT) this.received.shift();
    if (((message[0] ?? 0) & 0xf0) === 0x90) this.struck++;
    for (const listener of this.listeners) listener();
  };

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** How many keys it was told to strike. */
  count = (): number => this.struck;
}

/** The one that ships with the application. */
export const standInPiano = new StandInPiano();
