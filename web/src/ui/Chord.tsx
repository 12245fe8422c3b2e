const PARTS = /^([A-G](?:𝄫|𝄪|♭|♯)?)(.*?)(?:\/([A-G](?:𝄫|𝄪|♭|♯)?))?$/u;
const RAISED = /^(m?)(.*)$/;

/** A chord symbol set in the book face: the quality raised behind its root, a slash bass on the line. */
export function Chord({ symbol }: { symbol: string }) {
  const parts = PARTS.exec(symbol);
  if (!parts) return <span className="font-serif">{symbol}</span>;
  const [, root, quality = "", bass] = parts;
  const [, minor, rest] = RAISED.exec(quality.startsWith("maj") ? "" : quality) ?? [];
  const raised = quality.startsWith("maj") ? quality : rest;
  return (
    <span className="whitespace-nowrap font-serif">
      {root}
      {minor}
      {raised && <span className="relative -top-[0.22em] ml-[0.04em] text-[0.72em]">{raised}</span>}
      {bass && (
        <>
          <span className="mx-[0.04em] text-quiet">/</span>
          {bass}
        </>
      )}
    </span>
  );
}
