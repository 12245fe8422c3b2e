package zapateo.critic;

import java.util.ArrayList;
import java.util.IntSummaryStatistics;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/** Rows about notes that lead, and basses that walk. */
final class LineRows {

    private static final int THIRD = 4;
    private static final int FIFTH = 7;
    private static final int PHRASE = 8;

    private LineRows() {}

    /**
     * L6: what leads into a bass neither steps to it, nor is a chord's own third away, nor its fifth; or it contradicts
     * the chord that sounds; or nothing was to be led.
     */
    static void wrongLeadIn(Score score, Marks marks) {
        List<Integer> left = score.of(Side.LEFT);
        Stroke bass = null;
        for (int i = 0; i + 1 < left.size(); i++) {
            Stroke lead = score.strokes().get(left.get(i));
            Stroke target = score.strokes().get(left.get(i + 1));
            bass = lead.mark() == Mark.HEEL ? lead : bass;
            // Of a run only its last note is tested.
            if (lead.mark() != Mark.LEAD || target.mark() == Mark.LEAD) {
                continue;
            }
            Optional<ChordSymbol> sounding = score.song().chordAt(lead.written().tick());
            Optional<ChordSymbol> next = score.chordOf(target).flatMap(Song.Placed::chord);
            int away = Math.abs(target.lowest().midi() - lead.lowest().midi());
            int key = lead.lowest().midi();
            boolean steps = away == 1 || away == 2;
            boolean third = (away == 3 || away == THIRD)
                    && sounding.filter(chord -> Tones.isOf(chord, key)).isPresent();
            boolean fifth = away <= FIFTH
                    && next.filter(chord -> chord.quality()
                                            .tone(5)
                                            .map(Interval::semitones)
                                            .orElse(FIFTH)
                                    == Tones.above(chord, key))
                            .isPresent();
            boolean strange = away != 1
                    && sounding.filter(chord -> Tones.isTheOther(chord, key)).isPresent();
            boolean needless = !score.asked(lead).is(Trait.LEADS)
                    && bass != null
                    && Math.abs(bass.lowest().midi() - target.lowest().midi()) <= 1;
            if (!steps && !third && !fifth || strange || needless || away > FIFTH) {
                marks.add(
                        lead.bar(),
                        List.of(left.get(i), left.get(i + 1)),
                        Map.of(
                                "note",
                                lead.lowest().toString(),
                                "target",
                                target.lowest().toString()));
            }
        }
    }

    /**
     * L7: a walking line has no root where a chord begins or for two bars, trills, leaps, contradicts its chord,
     * repeats one cell, ranges too far or does not lead.
     */
    static void wanderingWalk(Score score, Marks marks) {
        List<Stroke> line = new ArrayList<>();
        List<Integer> places = new ArrayList<>(score.of(Side.LEFT).stream()
                .filter(at -> score.asked(score.strokes().get(at)).is(Trait.WALKS)
                        && score.strokes().get(at).notes().size() == 1)
                .toList());
        places.forEach(at -> line.add(score.strokes().get(at)));
        for (int i = line.size() - 1; i > 0; i--) {
            // A skip between the beats to the octave of the note it follows is no step of the line.
            if (isSkip(score, line.get(i - 1), line.get(i))) {
                line.remove(i);
                places.remove(i);
            }
        }
        for (int i = 0; i < line.size(); i++) {
            String what = wrong(score, line, i);
            if (!what.isEmpty()) {
                marks.add(
                        line.get(i).bar(),
                        List.of(places.get(i)),
                        Map.of("note", line.get(i).lowest().toString(), "what", what));
            }
        }
    }

    private static boolean isSkip(Score score, Stroke before, Stroke now) {
        Bar bar = score.song().bars().get(now.bar());
        boolean offBeat = (now.written().tick() - bar.tick()) % bar.meter().beatTicks() != 0;
        return offBeat && Math.abs(now.lowest().midi() - before.lowest().midi()) == Pitch.OCTAVE;
    }

    private static String wrong(Score score, List<Stroke> line, int i) {
        Stroke now = line.get(i);
        Optional<Song.Placed> place = score.song()
                .placedAt(now.written().tick())
                .filter(each -> each.chord().isPresent());
        if (place.isEmpty()) {
            return "";
        }
        ChordSymbol chord = place.get().chord().orElseThrow();
        boolean begins = place.get().tick() == now.written().tick() && !isSame(score, place.get());
        if (begins && !isRoot(chord, now)) {
            return "start";
        }
        boolean follows = i >= 1 && now.bar() - line.get(i - 1).bar() <= 1;
        if (follows && Math.abs(key(line, i) - key(line, i - 1)) > Pitch.OCTAVE) {
            return "leap";
        }
        if (i >= 3
                && key(line, i) == key(line, i - 2)
                && key(line, i - 1) == key(line, i - 3)
                && key(line, i) != key(line, i - 1)) {
            return "trill";
        }
        Bar bar = score.song().bars().get(now.bar());
        boolean strong = bar.meter().isStrong(now.written().tick() - bar.tick());
        boolean walksUp = i + 1 < line.size() && key(line, i + 1) == key(line, i) + 1;
        if (strong && Tones.isTheOther(chord, key(line, i)) && !Tones.isOf(chord, key(line, i)) && !walksUp) {
            return "other";
        }
        boolean opensBar = i == 0 || line.get(i - 1).bar() != now.bar();
        if (opensBar && hasNoRoot(score, line, i, chord)) {
            return "root";
        }
        if (opensBar && isTheCellAgain(score, line, i)) {
            return "cell";
        }
        if (opensBar && ranges(line, i)) {
            return "range";
        }
        // A chord of one beat has its root alone.
        return i + 1 < line.size() && place.get().tick() != now.written().tick() && leadsNowhere(score, line, i, chord)
                ? "approach"
                : "";
    }

    /** Whether a chord that stays has no root in this bar and the next. */
    private static boolean hasNoRoot(Score score, List<Stroke> line, int i, ChordSymbol chord) {
        int bar = line.get(i).bar();
        List<Stroke> two = line.subList(i, line.size()).stream()
                .takeWhile(stroke -> stroke.bar() <= bar + 1)
                .toList();
        return two.get(two.size() - 1).bar() == bar + 1
                && two.stream()
                        .allMatch(stroke -> score.song()
                                        .chordAt(stroke.written().tick())
                                        .filter(chord::equals)
                                        .isPresent()
                                && !isRoot(chord, stroke));
    }

    /** The third of three bars with two chords each that say the same of them. */
    private static boolean isTheCellAgain(Score score, List<Stroke> line, int i) {
        int bar = line.get(i).bar();
        if (bar < 2 || score.song().bars().get(bar).chords().size() != 2) {
            return false;
        }
        String cell = cell(score, line, bar);
        return cell.contains("|") && cell.equals(cell(score, line, bar - 1)) && cell.equals(cell(score, line, bar - 2));
    }

    private static String cell(Score score, List<Stroke> line, int bar) {
        List<Stroke> own = line.stream().filter(stroke -> stroke.bar() == bar).toList();
        return score.song().bars().get(bar).chords().size() == 2 && own.size() > 2
                ? own.stream()
                        .map(stroke -> score.song()
                                .chordAt(stroke.written().tick())
                                .map(chord ->
                                        "|" + Tones.above(chord, stroke.lowest().midi()))
                                .orElse("-"))
                        .collect(Collectors.joining())
                : "";
    }

    private static boolean ranges(List<Stroke> line, int i) {
        int bar = line.get(i).bar();
        IntSummaryStatistics keys = line.subList(i, line.size()).stream()
                .takeWhile(stroke -> stroke.bar() < bar + PHRASE)
                .mapToInt(stroke -> stroke.lowest().midi())
                .summaryStatistics();
        return keys.getMax() - keys.getMin() > 2 * Pitch.OCTAVE;
    }

    /**
     * Whether the last note before another chord neither steps to its bass, nor is its fifth, nor a chord tone a third
     * away.
     */
    private static boolean leadsNowhere(Score score, List<Stroke> line, int i, ChordSymbol chord) {
        Stroke next = line.get(i + 1);
        Optional<ChordSymbol> target = score.song()
                .placedAt(next.written().tick())
                .filter(place -> place.tick() == next.written().tick())
                .flatMap(Song.Placed::chord);
        if (target.isEmpty()
                || target.get().bass().chroma() == chord.bass().chroma()
                || next.bar() - line.get(i).bar() > 1) {
            return false;
        }
        int away = Math.abs(key(line, i + 1) - key(line, i));
        int third = Math.floorMod(key(line, i + 1) - key(line, i), Pitch.OCTAVE);
        boolean fifth = target.get().quality().tone(5).map(Interval::semitones).orElse(FIFTH)
                == Tones.above(target.get(), key(line, i));
        boolean thirdAway = Tones.isOf(chord, key(line, i))
                && (third == THIRD
                        || third == THIRD - 1
                        || third == Pitch.OCTAVE - THIRD
                        || third == Pitch.OCTAVE - THIRD + 1);
        return away != 1 && away != 2 && !fifth && !thirdAway;
    }

    private static boolean isRoot(ChordSymbol chord, Stroke stroke) {
        int chroma = Math.floorMod(stroke.lowest().midi(), Pitch.OCTAVE);
        return chroma == chord.bass().chroma();
    }

    /** Whether a chord is the one before once more. */
    private static boolean isSame(Score score, Song.Placed place) {
        return place.tick() > 0 && score.song().chordAt(place.tick() - 1).equals(place.chord());
    }

    private static int key(List<Stroke> line, int at) {
        return line.get(at).lowest().midi();
    }
}
