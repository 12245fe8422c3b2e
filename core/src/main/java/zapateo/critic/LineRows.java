package zapateo.critic;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Side;
import zapateo.song.Song;

/** Rows about notes that lead, and basses that walk. */
final class LineRows {

    private static final int THIRD = 4;
    private static final int FIFTH = 7;

    private LineRows() {
    }

    /** L6: what leads into a bass neither steps to it, nor is a chord's own third away, nor its fifth; or it contradicts the chord that sounds; or nothing was to be led. */
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
            boolean third = (away == 3 || away == THIRD) && sounding.filter(chord -> Tones.isOf(chord, key)).isPresent();
            boolean fifth = away <= FIFTH && next.filter(chord -> chord.quality().tone(5).map(Interval::semitones).orElse(FIFTH) == Tones.above(chord, key)).isPresent();
            boolean strange = away != 1 && sounding.filter(chord -> Tones.isTheOther(chord, key)).isPresent();
            boolean needless = bass != null && Math.abs(bass.lowest().midi() - target.lowest().midi()) <= 1;
            if (!steps && !third && !fifth || strange || needless || away > FIFTH) {
                marks.add(lead.bar(), List.of(left.get(i), left.get(i + 1)), Map.of("note", lead.lowest().toString(), "target", target.lowest().toString()));
            }
        }
    }

    /** L7: a walking line has no root where a chord begins, trills, or leaps over an octave. */
    static void wanderingWalk(Score score, Marks marks) {
        List<Integer> walked = score.of(Side.LEFT).stream().filter(at -> score.asked(score.strokes().get(at)).is(Trait.WALKS) && score.strokes().get(at).notes().size() == 1).toList();
        for (int i = 0; i < walked.size(); i++) {
            Stroke stroke = score.strokes().get(walked.get(i));
            Optional<Song.Placed> place = score.song().placedAt(stroke.written().tick());
            boolean begins = place.filter(each -> each.tick() == stroke.written().tick() && each.chord().isPresent()).isPresent();
            boolean rootless = begins && Math.floorMod(stroke.lowest().midi(), 12) != place.orElseThrow().chord().orElseThrow().bass().chroma() && !isSame(score, place.orElseThrow());
            boolean trills = i >= 3 && key(score, walked, i) == key(score, walked, i - 2) && key(score, walked, i - 1) == key(score, walked, i - 3) && key(score, walked, i) != key(score, walked, i - 1);
            boolean leaps = i >= 1 && Math.abs(key(score, walked, i) - key(score, walked, i - 1)) > Pitch.OCTAVE;
            if (rootless || trills || leaps) {
                marks.add(stroke.bar(), List.of(walked.get(i)), Map.of("note", stroke.lowest().toString()));
            }
        }
    }

    /** Whether a chord is the one before once more. */
    private static boolean isSame(Score score, Song.Placed place) {
        return place.tick() > 0 && score.song().chordAt(place.tick() - 1).equals(place.chord());
    }

    private static int key(Score score, List<Integer> walked, int at) {
        return score.strokes().get(walked.get(at)).lowest().midi();
    }
}
