import "@testing-library/jest-dom/vitest";
import { configure } from "@testing-library/react";

// No test fails for want of time: what is waited for comes, on a busy machine late.
configure({ asyncUtilTimeout: 60_000 });

// jsdom lays nothing out, so nothing is ever resized there.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
