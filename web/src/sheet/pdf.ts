import type { jsPDF } from "jspdf";
import engravingUrl from "../assets/fonts/zapateo-engraving.ttf?url";
import plainUrl from "../assets/fonts/zapateo-page-400.ttf?url";
import boldUrl from "../assets/fonts/zapateo-page-600.ttf?url";
import type { Page } from "./blocks";

/** A page on paper, in pixels of 96 to the inch; what stands at its foot. */
export type PaperPage = { page: Page; width: number; height: number; foot: string };

export type Paper = { mm: readonly [number, number]; margin: number };

const PX_A_MM = 96 / 25.4;
const POINTS_A_PX = 0.75;
const FOOT = 8;
/** What the page stays usable between, in milliseconds. */
const SLICE = 8;

/** Makes a PDF page by page; text in it is text. Between its pieces the screen goes on, and a signal stops it. */
export async function makePdf(
  pages: Iterable<PaperPage> | AsyncIterable<PaperPage>,
  paper: Paper,
  title: string,
  onPage: (done: number) => void,
  signal: AbortSignal,
): Promise<Blob> {
  const [{ jsPDF: Pdf }, { svg2pdf }] = await Promise.all([import("jspdf"), import("svg2pdf.js")]);
  const [width, height] = paper.mm.map((mm) => mm * PX_A_MM * POINTS_A_PX) as [number, number];
  const pdf = new Pdf({ unit: "pt", format: [width, height], compress: true, putOnlyUsedFonts: true });
  await addFonts(pdf);
  pdf.setProperties({ title, creator: "Zapateo" });
  const ground = document.createElement("div");
  ground.style.cssText = "position:absolute;left:-10000px;top:0;visibility:hidden";
  document.body.append(ground);
  let done = 0;
  let since = performance.now();
  const breathe = async () => {
    signal.throwIfAborted();
    if (performance.now() - since < SLICE) return;
    await new Promise((go) => setTimeout(go, 0));
    signal.throwIfAborted();
    since = performance.now();
  };
  try {
    for await (const { page, width: wide, foot } of pages) {
      if (done > 0) pdf.addPage([width, height]);
      for (const block of page.blocks)
        for (const piece of piecesOf(block.svg, wide, block.height)) {
          await breathe();
          ground.replaceChildren(piece);
          await svg2pdf(piece, pdf, {
            x: paper.margin * POINTS_A_PX,
            y: (paper.margin + block.top) * POINTS_A_PX,
            width: wide * POINTS_A_PX,
            height: block.height * POINTS_A_PX,
          });
        }
      pdf.setFont("Zapateo Page", "normal");
      pdf.setFontSize(FOOT);
      pdf.text(foot, width / 2, height - paper.margin * POINTS_A_PX * 0.5, { align: "center" });
      onPage(++done);
      await breathe();
    }
    return pdf.output("blob");
  } finally {
    ground.remove();
  }
}

async function addFonts(pdf: jsPDF): Promise<void> {
  const fonts = [
    { url: plainUrl, family: "Zapateo Page", style: "normal" },
    { url: boldUrl, family: "Zapateo Page", style: "bold" },
    { url: plainUrl, family: "Zapateo Page", style: "italic" },
    { url: engravingUrl, family: "Leipzig", style: "normal" },
  ];
  for (const { url, family, style } of fonts) {
    const name = `${family}-${style}.ttf`;
    pdf.addFileToVFS(name, btoa(binary(await (await fetch(url)).arrayBuffer())));
    pdf.addFont(name, family, style);
  }
}

function binary(buffer: ArrayBuffer): string {
  const bytes = new Uint8Array(buffer);
  let text = "";
  for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return text;
}

/** A line in pieces, a measure each, so that none takes long; all of them lie where the line does. */
export function piecesOf(svg: string, width: number, height: number): SVGSVGElement[] {
  // One coordinate of the outermost picture is one pixel, whatever is drawn in it.
  const sized = svg.replace(/<svg /, `<svg x="0" y="0" width="${width}" height="${height}" `);
  const outer = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${sized}</svg>`;
  const whole = new DOMParser().parseFromString(outer, "image/svg+xml").documentElement as unknown as SVGSVGElement;
  whole.querySelector("style")?.remove();
  faces(whole);
  const parts = [...whole.querySelectorAll("g.system > *")];
  if (parts.length < 2) return [whole];
  return parts.map((_, at) => {
    const piece = whole.cloneNode(true) as SVGSVGElement;
    const own = [...piece.querySelectorAll("g.system > *")];
    for (const [index, each] of own.entries()) if (index !== at) each.remove();
    // What stands over the line, such as its section's name, is drawn once.
    if (at > 0) for (const each of [...piece.querySelectorAll("svg > text")]) each.remove();
    used(piece);
    return piece;
  });
}

/** Only the signs that a piece shows. */
function used(piece: SVGSVGElement): void {
  const shown = new Set(
    [...piece.querySelectorAll("use")].map((use) =>
      (use.getAttribute("href") ?? use.getAttribute("xlink:href") ?? "").slice(1),
    ),
  );
  for (const sign of piece.querySelectorAll("defs > [id]")) if (!shown.has(sign.id)) sign.remove();
}

/** Accidentals of chord symbols in the engraver's face (SMuFL, figured bass). */
const SIGNS: Record<string, string> = { "\uea64": "♭", "\uea65": "♮", "\uea66": "♯", "\uea63": "𝄫", "\uea67": "𝄪" };
const SIGN_SIZE = 405 / 720;

/** Every letter in a face the file embeds; colours of paper. */
function faces(root: SVGSVGElement): void {
  for (const each of root.querySelectorAll("[font-family], text, tspan")) {
    const sign = each.getAttribute("font-family") === "Leipzig" ? SIGNS[each.textContent ?? ""] : undefined;
    if (sign) {
      // The engraver's own accidental of a chord symbol, as the letter that can be found and copied.
      each.textContent = sign;
      each.setAttribute("font-size", `${Number.parseFloat(each.getAttribute("font-size") ?? "0") * SIGN_SIZE}px`);
    } else if (each.getAttribute("font-family") === "Leipzig") continue;
    if (each.tagName === "text" || each.hasAttribute("font-family")) each.setAttribute("font-family", "Zapateo Page");
    if (each.getAttribute("font-weight") === "600") each.setAttribute("font-weight", "bold");
  }
  root.removeAttribute("font-family");
  // What the engraver's style sheet says, where a file has none.
  for (const each of root.querySelectorAll("ellipse, path, polygon, polyline, rect:not([class])"))
    each.setAttribute("stroke", "#000000");
  for (const each of root.querySelectorAll("g.fing text, g.tempo text, g.reh text, g.ending text"))
    each.setAttribute("font-weight", "bold");
  for (const plank of root.querySelectorAll("rect.plank")) plank.setAttribute("fill", "#c9bda6");
  for (const quiet of root.querySelectorAll("text.quiet")) quiet.setAttribute("fill", "#555555");
}

/** A name a file may have anywhere. */
export const fileName = (title: string): string => title.replace(/[/\\:*?"<>|]/g, "_");

/** Hands a file to the person. */
export function hand(blob: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
