declare module "verovio/esm" {
  export class VerovioToolkit {
    constructor(module: unknown);
    setOptions(options: Record<string, unknown>): void;
    loadData(data: string): boolean;
    renderToSVG(page: number): string;
  }
}

declare module "verovio/wasm" {
  const createModule: () => Promise<unknown>;
  export default createModule;
}
