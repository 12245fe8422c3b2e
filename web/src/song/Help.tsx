import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { StepLegend } from "../steps/StepLegend";
import { GLOSSARY } from "../ui/glossary";
import { LinkButton } from "../ui/LinkButton";
import { HABITS, SIGNS } from "./signs";

const KEYS = [
  ["Space", "play, stop"],
  ["← →", "bar before, bar after"],
  ["Shift + ← →", "take fewer or more bars"],
  ["Page keys", "four bars on or back"],
  ["L", "loop on or off"],
  ["M", "metronome: every beat, 2 and 4, off"],
  ["+ −, < >", "tempo by one, by five"],
  ["T", "tap the tempo: three beats or more"],
  ["H", "half the tempo, and back"],
  ["Ctrl + Z", "undo; with Shift, redo"],
  ["V", "go on, out of a vamp"],
  ["1 … 5, 0", "a level, shown beside the tempo; 0 plays what was chosen"],
  ["B", "bars large, normal, the whole song"],
  ["A", "left hand: A or B of two sets of choices"],
  ["?", "this page"],
];

const SHEET_KEYS = [
  ["A … G, Enter", "type into the chosen bar"],
  ["Enter, Tab", "while typing: keep it, on to the next bar"],
  ["Delete, Insert", "take bars out, put one in"],
  ["Ctrl + C X V D", "copy, cut, paste, once more"],
  ["Alt + ← →", "move the bars"],
  ["↑ ↓", "the chord in the bar"],
  [", .", "the chord a beat earlier, later"],
  ["J", "this bar and the next into one"],
  ["e, then 0 … 9", "by ear: hear what a chord could be"],
  ["[ ]", "a semitone down, up"],
];

const TUNE_KEYS = [
  ["← →", "right hand, Tune: the note before, the next"],
  ["↑ ↓", "a note of the key up, down; with Alt a semitone, with Shift an octave"],
  [", .", "shorter, longer"],
  ["Shift + ← →", "earlier, later"],
  ["Insert, Delete", "a note behind it, none"],
];

const COLOUR_KEYS = [
  ["↑ ↓", "through what is offered"],
  ["A", "before, after, while it plays"],
  ["Enter, Delete", "keep it, drop it"],
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
              <dl className="mt-2 grid grid-cols-[7.5rem_1fr] gap-x-2 gap-y-1">
                {KEYS.map(([key, meaning]) => (
                  <Row key={key} sign={key ?? ""} meaning={meaning ?? ""} />
                ))}
              </dl>
              <h3 className="mt-6 text-lg">Colour</h3>
              <dl className="mt-2 grid grid-cols-[7.5rem_1fr] gap-x-2 gap-y-1">
                {COLOUR_KEYS.map(([key, meaning]) => (
                  <Row key={key} sign={key ?? ""} meaning={meaning ?? ""} />
                ))}
              </dl>
              <h3 className="mt-6 text-lg">On the sheet</h3>
              <dl className="mt-2 grid grid-cols-[7.5rem_1fr] gap-x-2 gap-y-1">
                {SHEET_KEYS.map(([key, meaning]) => (
                  <Row key={key} sign={key ?? ""} meaning={meaning ?? ""} />
                ))}
              </dl>
              <h3 className="mt-6 text-lg">In the tune</h3>
              <dl className="mt-2 grid grid-cols-[7.5rem_1fr] gap-x-2 gap-y-1">
                {TUNE_KEYS.map(([key, meaning]) => (
                  <Row key={key} sign={key ?? ""} meaning={meaning ?? ""} />
                ))}
              </dl>
              <h3 className="mt-6 text-lg">The step line</h3>
              <div className="mt-2">
                <StepLegend />
              </div>
              <h3 className="mt-6 text-lg">Read over</h3>
              <p className="mt-2">
                Beside the left hand's choices: what a strict reader would mark in it, bar by bar, and what would be
                right. Press a place to see its notes; where a choice is known to mend the bar it is offered, and undo
                takes it back; what is meant so is waved off and stays so.
              </p>
              <h3 className="mt-6 text-lg">Take care of your hands</h3>
              <p className="mt-2">
                A tenth is not worth an injury: no forced stretch, wrist low and loose, roll it instead. Rest after 20
                to 30 minutes. Stop at pain, numbness or tingling and see a doctor or physiotherapist; ask a teacher
                about technique. Keep headphones moderate. Millimetres shown here are estimates, not medical advice.
              </p>
            </section>
            <section>
              <h3 className="text-lg">The chart</h3>
              <dl className="mt-2 grid grid-cols-[17rem_1fr] gap-y-1 max-sm:grid-cols-1">
                {SIGNS.map(([sign, meaning]) => (
                  <Row key={sign} sign={sign ?? ""} meaning={meaning ?? ""} />
                ))}
              </dl>
              <h3 className="mt-6 text-lg">Words of the trade</h3>
              <dl className="mt-2 grid grid-cols-[17rem_1fr] gap-y-1 max-sm:grid-cols-1">
                {GLOSSARY.map(([word, meaning]) => (
                  <Row key={word} sign={word} meaning={meaning} />
                ))}
              </dl>
              <h3 className="mt-6 text-lg">Chord symbols</h3>
              <p className="text-quiet">
                All usual spellings are read; these are habits that differ from player to player, and how they are taken
                here.
              </p>
              <dl className="mt-2 grid grid-cols-[17rem_1fr] gap-y-1 max-sm:grid-cols-1">
                {HABITS.map(([typed, read, meaning]) => (
                  <Row key={typed} sign={read && read !== typed ? `${typed} → ${read}` : typed} meaning={meaning} />
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
          <LinkButton onClick={onClose} high={11} strong className="mt-4">
            Close
          </LinkButton>
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
