import { type Progress, watched } from "../api/watched";
import { hand } from "./pdf";

/**
 * All of a song or an evening in one file, its pages for paper with it; reading back leaves those aside.
 *
 * @param most bytes that can be brought in again; pages that are too many for it stay out
 * @param told how far it is, by songs
 * @returns whether they are in it
 */
export async function giveWithPages(
  address: string,
  name: string,
  pages: Blob,
  most: number,
  told: (progress: Progress) => void = () => undefined,
  signal?: AbortSignal,
): Promise<boolean> {
  const answer = await watched(address, told, signal);
  const { unzipSync, zipSync } = await import("fflate");
  const entries = unzipSync(new Uint8Array(await answer.arrayBuffer()));
  entries["pages.pdf"] = new Uint8Array(await pages.arrayBuffer());
  const whole = zipSync(entries);
  const fits = whole.length <= most;
  if (!fits) delete entries["pages.pdf"];
  hand(new Blob([(fits ? whole : zipSync(entries)).buffer as ArrayBuffer], { type: "application/zip" }), name);
  return fits;
}
