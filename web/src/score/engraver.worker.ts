/// <reference lib="webworker" />
import { VerovioToolkit } from "verovio/esm";
import moduleUrl from "verovio/wasm?url";

/** Below this many pixels four bars are too many for a line. */
const NARROW = 560;
/** Pixels from one line of the staff to the next at full scale. */
const SPACE = 18;

type Order = { id: number; xml: string; width: number; space?: number; natural?: boolean };

// The engraver stays a file of its own, so that it can be replaced by another build of it.
const ready = import(/* @vite-ignore */ moduleUrl).then(async (file) => new VerovioToolkit(await file.default()));

self.onmessage = async (message: MessageEvent<Order>) => {
  const { id, xml, width, space, natural = false } = message.data;
  const scale = space ? Math.round((space / SPACE) * 100) : width < NARROW ? 38 : 45;
  try {
    const toolkit = await ready;
    toolkit.setOptions({
      scale,
      pageWidth: natural ? 60_000 : Math.round((width * 100) / scale),
      pageHeight: 60_000,
      adjustPageHeight: true,
      adjustPageWidth: natural,
      pageMarginTop: 30,
      pageMarginBottom: 10,
      pageMarginLeft: 25,
      pageMarginRight: space ? 6 : 0,
      header: "none",
      footer: "none",
      breaks: natural ? "none" : space || width < NARROW ? "auto" : "encoded",
      svgViewBox: true,
      font: "Leipzig",
      fingeringScale: 0.55,
      spacingLinear: 0.27,
      spacingNonLinear: 0.55,
      spacingBraceGroup: 7,
      spacingSystem: 3,
      spacingStaff: 8,
      justifyVertically: false,
      mnumInterval: 0,
      minLastJustification: 0,
    });
    toolkit.loadData(xml);
    const svg = toolkit.renderToSVG(1);
    const box = /viewBox="0 0 ([\d.]+) /.exec(svg);
    self.postMessage({ id, svg, width: (Number(box?.[1] ?? 0) * scale) / 1000 });
  } catch (error) {
    self.postMessage({ id, error: String(error) });
  }
};
