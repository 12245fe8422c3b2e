// Before the first paint: the scheme the player chose, else the one the machine is set to.
(() => {
  let kept = null;
  try {
    kept = localStorage.getItem("zapateo.scheme");
  } catch {
    kept = null;
  }
  const dark = kept ? kept === "stage" : matchMedia("(prefers-color-scheme: dark)").matches;
  document.documentElement.dataset.scheme = dark ? "stage" : "day";
})();
