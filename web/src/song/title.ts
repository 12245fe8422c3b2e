const TITLE = /^[ \t]*title[ \t]*:.*$/im;
const LONGEST = 120;

/** The chart under another title; nothing else in it changes. */
export function retitled(chart: string, title: string): string {
  const plain = title
    .replace(/[\r\n]+/g, " ")
    .replaceAll("//", "/ /")
    .trim()
    .slice(0, LONGEST);
  if (plain === "") return chart;
  return TITLE.test(chart) ? chart.replace(TITLE, () => `Title: ${plain}`) : `Title: ${plain}\n${chart}`;
}

const FIRST = 4;

/** What a song without a name is called: its first chords, and the day. */
export function nameFor(chords: string, day: Date): string {
  const first = chords
    .split("\n")
    .filter((line) => !/^\s*(\[|\w+\s*:|\/\/)/.test(line))
    .join(" ")
    .split(/[\s|]+/)
    .filter((word) => /^[A-G]/.test(word))
    .slice(0, FIRST);
  const on = day.toLocaleDateString("en-GB", { day: "numeric", month: "long" });
  return first.length > 0 ? `${first.join(" ")}, ${on}` : `Song of ${on}`;
}
