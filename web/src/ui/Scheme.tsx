import { useState } from "react";

/** Light or dark; what is kept says "stage" for the dark one, as it always has. */
export function Scheme() {
  const [stage, setStage] = useState(document.documentElement.dataset.scheme === "stage");
  const turn = () => {
    const scheme = stage ? "day" : "stage";
    document.documentElement.dataset.scheme = scheme;
    try {
      localStorage.setItem("zapateo.scheme", scheme);
    } catch {
      // A browser that keeps nothing still shows it.
    }
    setStage(!stage);
  };
  return (
    <button
      type="button"
      onClick={turn}
      className="h-10 px-2 text-quiet underline decoration-dotted underline-offset-4"
    >
      {stage ? "Light" : "Dark"}
    </button>
  );
}
