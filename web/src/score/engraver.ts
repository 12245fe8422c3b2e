/** A page; how far its staff lines are from one another, in pixels, and how high it is. */
type Engraved = { svg?: string; width?: number; height?: number; space?: number; error?: string };

let worker: Worker | null = null;
let orders = 0;
const waiting = new Map<number, (answer: Engraved) => void>();
let tellDrawn = () => {};

/** Once the first page or line is engraved. */
export const firstDrawn = new Promise<void>((drawn) => {
  tellDrawn = drawn;
});

/** The engraver takes a moment to be ready. */
export function wakeEngraver(): Worker {
  if (!worker) {
    worker = new Worker(new URL("./engraver.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = (message: MessageEvent<Engraved & { id: number }>) => {
      waiting.get(message.data.id)?.(message.data);
      waiting.delete(message.data.id);
      tellDrawn();
    };
  }
  return worker;
}

function order(what: {
  xml: string;
  width: number;
  space?: number;
  natural?: boolean;
  room?: number;
}): Promise<Engraved> {
  const engraver = wakeEngraver();
  const id = ++orders;
  return new Promise((resolve) => {
    waiting.set(id, resolve);
    engraver.postMessage({ id, ...what });
  });
}

/**
 * A page of the workbench, as wide as there is room and, where its bars are few, as large as they fit into so many
 * pixels of height.
 */
export const engrave = (xml: string, width: number, room: number): Promise<Engraved> => order({ xml, width, room });

/** A line of a sheet, as wide as the page and with so many pixels from one line of the staff to the next. */
export const engraveLine = (xml: string, width: number, space: number): Promise<Engraved> =>
  order({ xml, width, space });

/** How wide a line would be by itself, in pixels. */
export const naturalWidth = async (xml: string, space: number): Promise<number> =>
  (await order({ xml, width: 1000, space, natural: true })).width ?? 0;
