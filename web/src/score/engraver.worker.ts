/// <reference lib="webworker" />
import { VerovioToolkit } from "verovio/esm";
import moduleUrl from "verovio/wasm?url";

/** Below this many pixels four bars are too many for a line. */
const NARROW = 560;

type Order = { id: number; xml: string; width: number };

// The engraver stays a file of its own, so that it can be replaced by another build of it.
const ready = import(/* @vite-ignore */ moduleUrl).then(async (file) => new VerovioToolkit(await file.default()));

self.onmessage = async (message: MessageEvent<Order>) => {
  const { id, xml, width } = message.data;
  const scale = width < NARROW ? 38 : 45;
  try {
    const toolkit = await ready;
    toolkit.setOptions({
      scale,
      pageWidth: Math.round((width * 100) / scale),
      pageHeight: 60_000,
      adjustPageHeight: true,
      pageMarginTop: 30,
      pageMarginBottom: 10,
      pageMarginLeft: 25,
      pageMarginRight: 0,
      header: "none",
      footer: "none",
      breaks: width < NARROW ? "auto" : "encoded",
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
    self.postMessage({ id, svg: toolkit.renderToSVG(1) });
  } catch (error) {
    self.postMessage({ id, error: String(error) });
  }
};
