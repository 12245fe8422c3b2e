import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";

const KEYS = [
  ["Space", "play, stop"],
  ["← →", "bar before, bar after"],
  ["Shift + ← →", "take fewer or more bars"],
  ["Page keys", "four bars on or back"],
  ["L", "loop on or off"],
  ["M", "metronome: every beat, 2 and 4, off"],
  ["+ −", "tempo"],
  ["Ctrl + Z", "undo; with Shift, redo"],
  ["?", "this page"],
];

const SIGNS = [
  ["Title: Slow Tide", "header lines, each optional: Title, Key, Meter, Tempo, Feel"],
  ["Key: B♭ · Gm · E mixolydian", "b and # are read as ♭ and ♯; without a key the likeliest is found"],
  ["Tempo: 92", "beats of the metre a minute; in 6/8 dotted quarters"],
  ["Feel: straight · swing · shuffle", "how the two halves of a beat share it"],
  ["[Verse]", "alone on a line: a section begins"],
  ["| B♭ | Gm7 F7 |", "bars; chords in a bar share it evenly"],
  ["| C . . F |", "with dots every chord and every dot is one beat"],
  ["%", "the bar before once more"],
  ["N.C.", "no chord"],
  ["| (3/4) C |", "the metre changes from this bar on"],
  ["C Am F G", "a row without bar lines is one chord a bar"],
  ["// slower", "a remark nobody plays"],
  ["C2 · Cdim · C°7", "C2 is Csus2; Cdim is the triad, C°7 or Cdim7 has the seventh"],
];

/** Keys, the signs of the chart, and the cautions. */
export function Help({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-ink/35" />
      <div className="fixed inset-0 flex items-start justify-center overflow-auto p-6">
        <DialogPanel className="w-full max-w-5xl border border-grain bg-sheet px-6 py-5">
          <DialogTitle className="text-2xl">Help</DialogTitle>
          <div className="mt-4 grid gap-8 md:grid-cols-[20rem_1fr]">
            <section>
              <h3 className="text-lg">Keys</h3>
              <dl className="mt-2 grid grid-cols-[7.5rem_1fr] gap-y-1">
                {KEYS.map(([key, meaning]) => (
                  <Row key={key} sign={key ?? ""} meaning={meaning ?? ""} />
                ))}
              </dl>
              <h3 className="mt-6 text-lg">Take care of your hands</h3>
              <p className="mt-2">
                A tenth is not worth an injury: no forced stretch, wrist low and loose, roll it instead. Rest after 20 to 30 minutes. Stop
                at pain, numbness or tingling and see a doctor or physiotherapist; ask a teacher about technique. Keep headphones moderate.
                Millimetres shown here are estimates, not medical advice.
              </p>
            </section>
            <section>
              <h3 className="text-lg">The chart</h3>
              <dl className="mt-2 grid grid-cols-[17rem_1fr] gap-y-1">
                {SIGNS.map(([sign, meaning]) => (
                  <Row key={sign} sign={sign ?? ""} meaning={meaning ?? ""} />
                ))}
              </dl>
              <p className="mt-4 text-quiet">
                Engraving: Verovio (
                <a className="underline" href="/licences/LGPL-3.0.txt">
                  LGPL 3
                </a>
                ). Piano: Salamander Grand Piano by Alexander Holm (
                <a className="underline" href="/sounds/LICENCE.txt">
                  CC BY 3.0
                </a>
                ). Letters:{" "}
                <a className="underline" href="/licences/OFL-1.1-Literata.txt">
                  Literata
                </a>
                ,{" "}
                <a className="underline" href="/licences/OFL-1.1-Source-Sans-3.txt">
                  Source Sans 3
                </a>
                , accidentals after{" "}
                <a className="underline" href="/licences/OFL-1.1-Zapateo-Accidentals.txt">
                  Bravura Text
                </a>{" "}
                (SIL OFL).
              </p>
            </section>
          </div>
          <button type="button" onClick={onClose} className="mt-4 min-h-11 font-semibold text-accent underline underline-offset-4">
            Close
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Row({ sign, meaning }: { sign: string; meaning: string }) {
  return (
    <>
      <dt className="font-semibold">{sign}</dt>
      <dd className="text-quiet">{meaning}</dd>
    </>
  );
}
