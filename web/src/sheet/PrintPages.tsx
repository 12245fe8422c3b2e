import { useEffect, useState } from "react";
import { createPortal, flushSync } from "react-dom";
import type { Page } from "./blocks";
import { PageView } from "./PageView";

/** The pages for the browser's own print: they stand beside the application while it prints, and at no other time. */
export function PrintPages({
  pages,
  width,
  height,
  margin,
  mm,
  foot,
}: {
  pages: Page[];
  width: number;
  height: number;
  margin: number;
  mm: readonly [number, number];
  foot: string;
}) {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const before = () => flushSync(() => setPrinting(true));
    const after = () => setPrinting(false);
    window.addEventListener("beforeprint", before);
    window.addEventListener("afterprint", after);
    return () => {
      window.removeEventListener("beforeprint", before);
      window.removeEventListener("afterprint", after);
    };
  }, []);
  if (!printing) return null;
  return createPortal(
    <div data-print data-scheme="day">
      <style>{`@page { size: ${mm[0]}mm ${mm[1]}mm; margin: 0 } html { background: white }`}</style>
      {pages.map((page, at) => (
        <div
          key={`${page.first}.${page.last}`}
          className="paper"
          style={{ padding: margin, height: height + 2 * margin }}
        >
          <PageView page={page} width={width} height={height} label={`Page ${at + 1}`} />
          <p style={{ textAlign: "center", fontSize: 10 }}>
            {foot} · {at + 1} of {pages.length}
          </p>
        </div>
      ))}
    </div>,
    document.body,
  );
}
