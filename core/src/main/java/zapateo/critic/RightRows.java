package zapateo.critic;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/** Rows about the right hand. */
final class RightRows {

    private static final int MAJOR_THIRD = 4;
    private static final int TRITONE = 6;
    private static final int MIDDLE_C = 60;
    private static final int E5 = 76;
    private static final int SIXTH = 9;
    private static final int HIGH = Pitch.parse("C6").midi();
    private static final int G3 = 55;
    private static final int TENTH = 15;
    private static final int CHORUS_BARS = 8;
    private static final int MOTIF = 3;
    private static final double ZIGZAG = 0.15;
    private static final double STEPS = 0.7;

    private RightRows() {}

    /**
     * R1: a tone under the melody is neither the chord's nor of its scale, lies a second under it, or two lie a
     * semitone apart below C4.
     */
    static void underTheMelody(Score score, Marks marks) {
        for (int at : score.of(Side.RIGHT)) {
            Stroke stroke = score.strokes().get(at);
            Optional<ChordSymbol> chord = score.song().chordAt(stroke.written().tick());
            if (!stroke.nature().origin().isTune() || stroke.notes().size() < 2 || chord.isEmpty()) {
                continue;
            }
            int top = stroke.highest().midi();
            boolean passing = !Tones.isOf(chord.get(), top);
            Set<Integer> scale = score.song().bars().get(stroke.bar()).key().scale().stream()
                    .map(PitchClass::chroma)
                    .collect(Collectors.toSet());
            int[] keys = stroke.keys();
            for (int i = 0; i < keys.length - 1; i++) {
                boolean strange = !Tones.isOf(chord.get(), keys[i])
                        && (!passing
                                || !scale.contains(Math.floorMod(keys[i], 12))
                                || Tones.isTheOther(chord.get(), keys[i]));
                boolean close = keys[keys.length - 1] - keys[i] <= 2;
                boolean rubs = keys[i + 1] - keys[i] == 1 && keys[i] < MIDDLE_C;
                if (strange || close || rubs) {
                    marks.add(
                            stroke.bar(),
                            List.of(at),
                            Map.of(
                                    "note",
                                    stroke.notes().get(i).pitch().toString(),
                                    "chord",
                                    chord.get().toString()));
                }
            }
        }
    }

    /** R2: between strong beats the number of tones jumps by two or more. */
    static void flickers(Score score, Marks marks) {
        Stroke before = null;
        for (int at : score.of(Side.RIGHT)) {
            Stroke stroke = score.strokes().get(at);
            Bar bar = score.song().bars().get(stroke.bar());
            boolean strong = bar.meter().isStrong(stroke.written().tick() - bar.tick());
            // Voices that are longer than the tune's note have a stroke of their own.
            boolean voices = score
                    .within(stroke.written().tick(), stroke.written().tick() + 1)
                    .stream()
                    .anyMatch(each -> score.strokes().get(each).nature().origin() == Origin.PARTS);
            if (!stroke.nature().origin().isTune() || !strong || voices) {
                continue;
            }
            if (before != null
                    && !byThirds(score, before, stroke)
                    && before.bar() / 4 == stroke.bar() / 4
                    && Math.abs(before.notes().size() - stroke.notes().size()) >= 2) {
                marks.add(
                        stroke.bar(),
                        List.of(at),
                        Map.of(
                                "before",
                                String.valueOf(before.notes().size()),
                                "now",
                                String.valueOf(stroke.notes().size())));
            }
            before = stroke;
        }
    }

    /** R3: a comping chord leaps where an inversion is nearer. */
    static void leaps(Score score, Marks marks) {
        Stroke before = null;
        Stroke earlier = null;
        int placeBefore = -1;
        List<Stroke> chords = score.of(Side.RIGHT).stream()
                .map(score.strokes()::get)
                .filter(each -> each.nature().origin() == Origin.COMPING)
                .toList();
        // Where nearly all have their third on top it is wanted there.
        boolean onTop = chords.stream().filter(each -> isThird(score, each)).count() * 4 >= chords.size() * 3L;
        for (int at : score.of(Side.RIGHT)) {
            Stroke stroke = score.strokes().get(at);
            if (stroke.nature().origin() != Origin.COMPING) {
                continue;
            }
            int leap = before == null
                    ? 0
                    : Math.abs(stroke.highest().midi() - before.highest().midi());
            boolean broken = earlier != null
                    && before.notes().size() == 1
                    && earlier.notes().size() == 1
                    && score.chordOf(earlier).equals(score.chordOf(before))
                    && earlier.highest().midi() != before.highest().midi();
            // A chord that is broken begins anew where the next one lies.
            boolean single = stroke.notes().size() == 1
                    && before != null
                    && before.notes().size() == 1
                    && !broken;
            boolean same = before != null && score.chordOf(stroke).equals(score.chordOf(before));
            boolean thirds = onTop ? isThird(score, stroke) : isThird(score, stroke) && isThird(score, before);
            int most = thirds ? TRITONE : MAJOR_THIRD;
            // A tone that is wanted on top has no other place than an octave off, and that has to be free.
            boolean forced = (single || thirds)
                    && before != null
                    && (!isFree(score, stroke, other(stroke, before))
                            || thirds && onTop && !single && leapsLater(score, at, other(stroke, before)));
            if (!same
                    && !forced
                    && (single
                            ? leap > TRITONE
                            : stroke.notes().size() > 1
                                    && before != null
                                    && before.notes().size() > 1
                                    && leap > most
                                    && nearer(stroke, before.highest().midi()))) {
                marks.add(
                        stroke.bar(),
                        List.of(placeBefore, at),
                        Map.of(
                                "from",
                                before.highest().toString(),
                                "to",
                                stroke.highest().toString()));
            }
            earlier = before;
            // The line is that of the whole chords: one struck without its top goes on from where it was.
            before = same
                            && before.highest().midi() > stroke.highest().midi()
                            && before.notes().size() > stroke.notes().size()
                    ? before
                    : stroke;
            placeBefore = at;
        }
    }

    /** A whole chord under its third, other notes alone: a way of its own (EXAMPLES 25). */
    private static boolean byThirds(Score score, Stroke one, Stroke other) {
        Stroke fuller = one.notes().size() > other.notes().size() ? one : other;
        Stroke thinner = fuller == one ? other : one;
        boolean blocked = leftUnder(score, thinner) > thinner.lowest().midi() - SIXTH;
        return thinner.notes().size() <= 2 && isThird(score, fuller) && (blocked || !isThird(score, thinner));
    }

    /** The third of its chord is on top: thirds that lie so on purpose leap as chords do. */
    private static boolean isThird(Score score, Stroke stroke) {
        return stroke != null
                && score.chordOf(stroke)
                        .flatMap(Song.Placed::chord)
                        .flatMap(chord -> chord.quality().tone(3).map(chord::tone))
                        .filter(third ->
                                third.chroma() == Math.floorMod(stroke.highest().midi(), Pitch.OCTAVE))
                        .isPresent();
    }

    /** By how much it would lie nearer. */
    private static int other(Stroke stroke, Stroke before) {
        return stroke.highest().midi() > before.highest().midi() ? -Pitch.OCTAVE : Pitch.OCTAVE;
    }

    /**
     * Whether the next chord would be leapt to instead, which is not so as it stands: thirds on top go round once in a
     * while.
     */
    private static boolean leapsLater(Score score, int at, int moved) {
        Stroke stroke = score.strokes().get(at);
        return score.of(Side.RIGHT).stream()
                .filter(later -> later > at)
                .map(score.strokes()::get)
                .filter(next -> next.nature().origin() == Origin.COMPING
                        && !score.chordOf(next).equals(score.chordOf(stroke)))
                .findFirst()
                .filter(next -> Math.abs(
                                        next.highest().midi() - stroke.highest().midi())
                                <= TRITONE
                        && Math.abs(next.highest().midi() - stroke.highest().midi() - moved) > TRITONE)
                .isPresent();
    }

    /**
     * Whether it could lie an octave off: a third over what the left hand has under its chord, inside what is comped
     * in.
     */
    private static boolean isFree(Score score, Stroke stroke, int by) {
        int low = stroke.lowest().midi() + by;
        int left = leftUnder(score, stroke);
        return low >= G3 && low >= left + 3 && stroke.highest().midi() + by <= HIGH;
    }

    private static int leftUnder(Score score, Stroke stroke) {
        int from = score.chordOf(stroke)
                .map(Song.Placed::tick)
                .orElse(stroke.written().tick());
        int to = score.chordOf(stroke)
                .map(Song.Placed::end)
                .orElse(stroke.written().end());
        return score.within(from, to).stream()
                .map(score.strokes()::get)
                .filter(other -> other.hand() == Side.LEFT)
                .mapToInt(other -> other.highest().midi())
                .max()
                .orElse(0);
    }

    private static boolean nearer(Stroke stroke, int top) {
        for (PartNote note : stroke.notes()) {
            for (int key = Math.floorMod(note.pitch().midi(), 12) + G3 - G3 % 12; key <= E5; key += Pitch.OCTAVE) {
                if (key >= G3 && Math.abs(key - top) <= MAJOR_THIRD) {
                    return true;
                }
            }
        }
        return false;
    }

    /** R4: the last chord is not one chord at its first tick, or stands on another chord. */
    static void lastChord(Score score, Marks marks) {
        List<Song.Placed> chords = score.chords();
        if (chords.isEmpty()) {
            return;
        }
        Song.Placed last = chords.get(chords.size() - 1);
        List<Integer> here = score.of(Side.RIGHT).stream()
                .filter(at -> score.strokes().get(at).nature().origin() == Origin.COMPING
                        && score.strokes().get(at).written().tick() >= last.tick())
                .toList();
        boolean ended =
                score.strokes().stream().anyMatch(stroke -> stroke.nature().origin() == Origin.ENDING);
        if (!here.isEmpty()
                && ended
                && (here.size() > 1
                        || score.strokes().get(here.get(0)).written().tick() != last.tick()
                        || score.strokes().get(here.get(0)).notes().stream()
                                .anyMatch(note -> !Tones.isOf(
                                        last.chord().orElseThrow(), note.pitch().midi())))) {
            marks.add(last.bar().index(), here, Map.of("chord", last.span().written()));
        }
    }

    /** R5: a held shape contradicts a chord's third or seventh. */
    static void contradicts(Score score, Marks marks) {
        for (int at : score.of(Side.RIGHT)) {
            Stroke stroke = score.strokes().get(at);
            Optional<ChordSymbol> chord = score.chordOf(stroke).flatMap(Song.Placed::chord);
            if (stroke.nature().origin() == Origin.COMPING
                    && chord.isPresent()
                    && !score.asked(stroke).is(Trait.BLUES)) {
                stroke.notes().stream()
                        .filter(note ->
                                Tones.isTheOther(chord.get(), note.pitch().midi())
                                        && !Tones.isOf(chord.get(), note.pitch().midi()))
                        .findFirst()
                        .ifPresent(note -> marks.add(
                                stroke.bar(),
                                List.of(at),
                                Map.of(
                                        "note",
                                        note.pitch().toString(),
                                        "chord",
                                        chord.get().toString())));
            }
        }
    }

    /**
     * R7: an improvised chorus zigzags, only steps, spans too little, never rests, has no motif that comes back or ends
     * off its chord.
     */
    static void chorus(Score score, Marks marks) {
        List<Stroke> line = score.of(Side.RIGHT).stream()
                .map(score.strokes()::get)
                .filter(stroke -> stroke.nature().origin() == Origin.CHORUS)
                .toList();
        if (line.size() < CHORUS_BARS) {
            return;
        }
        int zigzags = 0;
        int steps = 0;
        boolean rests = false;
        TreeSet<Integer> keys = new TreeSet<>();
        for (int i = 0; i < line.size(); i++) {
            int key = line.get(i).highest().midi();
            keys.add(key);
            zigzags += i >= 2
                            && key == line.get(i - 2).highest().midi()
                            && key != line.get(i - 1).highest().midi()
                    ? 1
                    : 0;
            steps += i >= 1 && Math.abs(key - line.get(i - 1).highest().midi()) <= 2 ? 1 : 0;
            rests |= i >= 1
                    && line.get(i).written().tick() - line.get(i - 1).written().end()
                            >= score.last().meter().beatTicks() / 2;
        }
        Stroke end = line.get(line.size() - 1);
        boolean off = score.song()
                .chordAt(end.written().tick())
                .filter(chord -> !Tones.isOf(chord, end.highest().midi()))
                .isPresent();
        boolean wide = score.song().bars().size() < CHORUS_BARS || keys.last() - keys.first() >= TENTH;
        boolean motif = score.song().bars().size() < CHORUS_BARS || comesBack(score, line);
        String what = zigzags > ZIGZAG * line.size()
                ? "zigzags"
                : steps > STEPS * line.size()
                        ? "steps"
                        : !wide ? "span" : !rests ? "rests" : !motif ? "motif" : off ? "end" : "";
        if (!what.isEmpty()) {
            marks.add(line.get(0).bar(), List.of(), Map.of("what", what));
        }
    }

    /** Whether a bar with a rhythm of its own, no even run, is heard again elsewhere, rising and falling alike. */
    private static boolean comesBack(Score score, List<Stroke> line) {
        Map<Integer, List<Stroke>> byBar = line.stream().collect(Collectors.groupingBy(Stroke::bar));
        Set<String> heard = new HashSet<>();
        for (Map.Entry<Integer, List<Stroke>> bar : byBar.entrySet()) {
            List<Stroke> own = bar.getValue();
            StringBuilder cell = new StringBuilder();
            Set<Integer> gaps = new HashSet<>();
            for (int i = 1; i < own.size(); i++) {
                int gap = own.get(i).written().tick() - own.get(i - 1).written().tick();
                gaps.add(gap);
                cell.append(gap)
                        .append(Integer.signum(own.get(i).highest().midi()
                                - own.get(i - 1).highest().midi()))
                        .append(' ');
            }
            if (own.size() >= MOTIF
                    && gaps.size() > 1
                    && !heard.add(own.get(0).written().tick()
                            - score.song().bars().get(bar.getKey()).tick() + ":" + cell)) {
                return true;
            }
        }
        return false;
    }
}
