import { memo } from "react";
import type { Page } from "./blocks";

/** A page: its lines where they lie. */
export const PageView = memo(function PageView({
  page,
  width,
  height,
  label,
}: {
  page: Page;
  width: number;
  height: number;
  label: string;
}) {
  return (
    <div role="img" aria-label={label} className="sheet relative overflow-hidden" style={{ width, height }}>
      {page.blocks.map((block) => (
        <div
          key={`${block.first}.${block.top}`}
          data-first={block.first}
          style={{ position: "absolute", left: 0, top: block.top, width, height: block.height }}
          // biome-ignore lint/security/noDangerouslySetInnerHtml: the lines come from our own engraver
          dangerouslySetInnerHTML={{ __html: block.svg }}
        />
      ))}
    </div>
  );
});
