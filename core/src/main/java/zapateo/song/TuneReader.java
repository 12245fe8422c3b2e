package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Ticks;

/**
 * Reads and writes the melody of one bar: {@code E♭4/4 F4/8. G4/16 r/4 A4/2~}. Behind the slash stands the part of a
 * whole note, with a dot or a {@code t} for one of a triplet; {@code ~} ties into the next note, {@code r} rests, a
 * length may be left out where it stays the same.
 */
public final class TuneReader {

    private static final Pattern NOTE = Pattern.compile(
            "(r|[A-Ga-g](?:##|bb|♯♯|♭♭|𝄪|𝄫|[#b♯♭x])?-?[0-9])(?:/(1|2|4|8|16|32|64)(\\.|t)?|\\*([0-9]{1,5}))?(~?)");

    private TuneReader() {}

    static List<TuneNote> read(Word cell, int barTicks, List<Problem> problems) {
        List<TuneNote> notes = new ArrayList<>();
        int at = 0;
        int ticks = Ticks.PER_QUARTER;
        for (Word word : cell.words()) {
            Matcher match = NOTE.matcher(word.text());
            if (!match.matches()) {
                problems.add(Problem.error(
                        "tune-unread",
                        word,
                        "a note with its octave and its part of a whole note, as in G4/4, or r/4 for a rest"));
                return List.of();
            }
            ticks = ticks(match, ticks);
            boolean rest = match.group(1).equals("r");
            if (at + ticks > barTicks || ticks <= 0) {
                problems.add(Problem.error(
                        "tune-too-long",
                        word,
                        "no more than the bar holds, " + barTicks / (double) Ticks.PER_QUARTER + " quarters"));
                return notes;
            }
            Optional<Pitch> pitch = rest ? Optional.empty() : Optional.of(Pitch.parse(match.group(1)));
            if (pitch.filter(key -> key.midi() < Pitch.LOWEST_KEY || key.midi() > Pitch.HIGHEST_KEY)
                    .isPresent()) {
                problems.add(Problem.error("tune-unread", word, "a key of the piano, A0 to C8"));
                return notes;
            }
            notes.add(new TuneNote(pitch, at, ticks, !rest && !match.group(5).isEmpty()));
            at += ticks;
        }
        notes = joined(notes);
        if (at < barTicks && !notes.isEmpty()) {
            problems.add(Problem.warning("tune-short", cell.stripped(), "notes that fill the bar; rests are r/4"));
        }
        return notes;
    }

    /** Notes tied inside a bar are one note. */
    static List<TuneNote> joined(List<TuneNote> notes) {
        List<TuneNote> joined = new ArrayList<>();
        for (TuneNote note : notes) {
            TuneNote before = joined.isEmpty() ? null : joined.get(joined.size() - 1);
            if (before != null && before.tied() && before.pitch().equals(note.pitch())) {
                joined.set(
                        joined.size() - 1,
                        new TuneNote(before.pitch(), before.tick(), before.ticks() + note.ticks(), note.tied()));
            } else {
                joined.add(note);
            }
        }
        return joined;
    }

    private static int ticks(Matcher match, int before) {
        if (match.group(4) != null) {
            return Integer.parseInt(match.group(4));
        }
        if (match.group(2) == null) {
            return before;
        }
        return Ticks.ofPart(Integer.parseInt(match.group(2)), match.group(3));
    }

    /** The text of one bar that reads as these notes. */
    public static String write(List<TuneNote> notes) {
        StringBuilder line = new StringBuilder();
        for (TuneNote note : notes) {
            line.append(line.isEmpty() ? "" : " ")
                    .append(note.pitch().map(Pitch::toString).orElse("r"))
                    .append(length(note.ticks()))
                    .append(note.tied() ? "~" : "");
        }
        return line.toString();
    }

    private static String length(int ticks) {
        for (int part = 1; part <= 64; part *= 2) {
            int plain = Ticks.PER_WHOLE / part;
            if (ticks == plain) {
                return "/" + part;
            }
            if (ticks == plain * 3 / 2) {
                return "/" + part + ".";
            }
            if (ticks * 3 == plain * 2) {
                return "/" + part + "t";
            }
        }
        return "*" + ticks;
    }
}
