/// <reference lib="webworker" />
import { VerovioToolkit } from "verovio/esm";

/** Below this many pixels four bars are too many for a line. */
const NARROW = 560;
/** Pixels from one line of the staff to the next at full scale. */
const SPACE = 18;
/** What is read from the bench: of few bars, of more of them, where there is little width. */
const FEW = 10;
const MORE = 8.1;
const LITTLE = 6.8;
/** How notes are spread: as they are printed, and so that more of them go into the width. */
const LOOSE = { spacingLinear: 0.27, spacingNonLinear: 0.55 };
const DENSE = { spacingLinear: 0.22, spacingNonLinear: 0.55 };

type Order = { id: number; xml: string; width: number; space?: number; natural?: boolean; room?: number };
type Page = { svg: string; width: number; height: number; space: number };

// The engraver stays in files of its own, so that they can be replaced by another build of it.
const ready = import("verovio/wasm").then(async (file) => new VerovioToolkit(await file.default()));

/** Lays the music out at {@code space} pixels from line to line. */
function lay(toolkit: VerovioToolkit, order: Order, space: number, natural: boolean, spread = LOOSE): Page {
  const { xml, width, room } = order;
  const scale = Math.round((space / SPACE) * 100);
  toolkit.setOptions({
    scale,
    pageWidth: natural ? 60_000 : Math.round((width * 100) / scale),
    pageHeight: 60_000,
    adjustPageHeight: true,
    adjustPageWidth: natural,
    pageMarginTop: room ? 24 : 30,
    pageMarginBottom: room ? 4 : 10,
    pageMarginLeft: 25,
    pageMarginRight: order.space ? 6 : 0,
    header: "none",
    footer: "none",
    breaks: natural ? "none" : order.space || width < NARROW ? "auto" : "encoded",
    svgViewBox: true,
    font: "Leipzig",
    fingeringScale: 0.55,
    ...spread,
    spacingBraceGroup: 7,
    spacingSystem: 3,
    spacingStaff: 8,
    justifyVertically: false,
    mnumInterval: 0,
    minLastJustification: 0,
  });
  toolkit.loadData(xml);
  const svg = toolkit.renderToSVG(1);
  // The first of its boxes is in pixels.
  const [, wide, high] = /viewBox="0 0 ([\d.]+) ([\d.]+)/.exec(svg) ?? [];
  return { svg, width: Number(wide ?? 0), height: Number(high ?? 0), space };
}

/** As large as the bars have room for: a few of them are larger than many. */
function page(toolkit: VerovioToolkit, order: Order): Page {
  if (order.space) return lay(toolkit, order, order.space, order.natural ?? false);
  if (order.width < NARROW) return lay(toolkit, order, LITTLE, false);
  const few = (order.xml.match(/<measure /g)?.length ?? 0) <= 4;
  if (few) {
    if (lay(toolkit, order, FEW, true).width <= order.width) return lay(toolkit, order, FEW, false);
    const dense = lay(toolkit, order, FEW, true, DENSE);
    const share = Math.min(1, order.width / dense.width);
    if (FEW * share >= MORE) return { ...dense, height: dense.height * share, space: FEW * share };
  }
  return lay(toolkit, order, MORE, false);
}

self.onmessage = async (message: MessageEvent<Order>) => {
  try {
    self.postMessage({ id: message.data.id, ...page(await ready, message.data) });
  } catch (error) {
    self.postMessage({ id: message.data.id, error: String(error) });
  }
};
