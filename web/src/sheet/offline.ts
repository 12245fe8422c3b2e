import { registerSW } from "virtual:pwa-register";

/** The application itself stays with the server away: its files are kept by a service worker from here on. */
export async function registerPages(): Promise<void> {
  if (!("serviceWorker" in navigator)) return;
  registerSW({ immediate: true });
  await Promise.race([navigator.serviceWorker.ready, new Promise((go) => setTimeout(go, 20_000))]);
}
