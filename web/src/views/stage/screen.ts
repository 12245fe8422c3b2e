/** How much room a page has on this screen: what is left between its margins, over the line at the foot. */
const SIDE = 24;
const FOOT = 52;

export function standSize(): { width: number; height: number } {
  return { width: window.innerWidth - 2 * Math.min(SIDE, window.innerWidth / 40), height: window.innerHeight - FOOT };
}
