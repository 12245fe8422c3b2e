import { hand } from "./pdf";

/** All of a song or an evening in one file, its pages for paper with it; reading back leaves those aside. */
export async function giveWithPages(address: string, name: string, pages: Blob): Promise<void> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error(((await answer.json()) as { detail?: string }).detail ?? "the file could not be had");
  const { unzipSync, zipSync } = await import("fflate");
  const entries = unzipSync(new Uint8Array(await answer.arrayBuffer()));
  entries["pages.pdf"] = new Uint8Array(await pages.arrayBuffer());
  // Its own entries are zips and PDF: pressing them once more gains nothing.
  hand(new Blob([zipSync(entries, { level: 0 }).buffer as ArrayBuffer], { type: "application/zip" }), name);
}
