import "@testing-library/jest-dom/vitest";

// jsdom lays nothing out, so nothing is ever resized there.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
