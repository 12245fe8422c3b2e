package zapateo.critic;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.part.PartNote;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;

/** Rows about tones that rub, and voicings nobody takes. */
final class ClashRows {

    private static final int E3 = 52;
    private static final int A4 = 69;
    private static final int NINTH = 14;
    private static final int FIFTH = 7;
    private static final int OCTAVE = 8;
    private static final int MINOR_SEVENTH = 10;
    /** Lower tones of semitones a rootless voicing has: a ninth under a minor third, a thirteenth under a seventh. */
    private static final Set<Integer> FINE_UNDER = Set.of(2, 9);
    /**
     * Lower tones of semitones that hide what a chord is: ♯9 under its third, ♯11 under its fifth, 7 under its root.
     */
    private static final Set<List<Integer>> HIDES = Set.of(List.of(3, 4), List.of(6, 7), List.of(11, 0));

    private ClashRows() {}

    /** L20: a semitone inside a chord where it hides what the chord is, or lies low. */
    static void rubs(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            if (stroke.roll().isPresent() || stroke.isGrace()) {
                continue;
            }
            score.chordOf(stroke).flatMap(Song.Placed::chord).ifPresent(chord -> {
                List<PartNote> notes = stroke.notes();
                for (int i = 0; i + 1 < notes.size(); i++) {
                    int low = notes.get(i).pitch().midi();
                    int high = notes.get(i + 1).pitch().midi();
                    int under = Tones.above(chord, low);
                    boolean hides = HIDES.contains(List.of(under, Tones.above(chord, high)));
                    if (high - low == 1
                            && (hides || low < E3 || !FINE_UNDER.contains(under) && !written(chord, under))) {
                        marks.add(
                                stroke.bar(),
                                List.of(at),
                                Map.of(
                                        "low",
                                        notes.get(i).pitch().toString(),
                                        "high",
                                        notes.get(i + 1).pitch().toString()));
                    }
                }
            });
        }
    }

    private static boolean written(ChordSymbol chord, int above) {
        return chord.quality().tones().stream().anyMatch(tone -> Math.floorMod(tone.semitones(), 12) == above);
    }

    /** L21: over a bass that is not the root stands that bass's fifth, which is neither the chord's nor the key's. */
    static void strangeFifth(Score score, Marks marks) {
        for (Song.Placed place : score.chords()) {
            ChordSymbol chord = place.chord().orElseThrow();
            if (chord.over().isEmpty()) {
                continue;
            }
            int fifth = Math.floorMod(chord.bass().chroma() + FIFTH, 12);
            boolean known = Tones.isOf(chord, fifth)
                    || place.bar().key().scale().stream().anyMatch(note -> note.chroma() == fifth);
            for (int at : score.within(place.tick(), place.end())) {
                Stroke stroke = score.strokes().get(at);
                if (!known && stroke.hand() == Side.LEFT && stroke.mark() != Mark.LEAD) {
                    stroke.notes().stream()
                            .filter(note -> Math.floorMod(note.pitch().midi(), 12) == fifth)
                            .findFirst()
                            .ifPresent(note -> marks.add(
                                    stroke.bar(),
                                    List.of(at),
                                    Map.of(
                                            "note",
                                            note.pitch().toString(),
                                            "chord",
                                            place.span().written())));
                }
            }
        }
    }

    /** L22: an inversion sounds in neither hand with its root. */
    static void noRoot(Score score, Marks marks) {
        for (Song.Placed place : score.chords()) {
            ChordSymbol chord = place.chord().orElseThrow();
            Asked asked = score.asked().get(place.bar().index());
            boolean free = chord.over().isEmpty()
                    || place.span().ticks() <= place.bar().meter().beatTicks()
                    || asked.isPlain()
                    || asked.single()
                    || asked.bassPlayer()
                    || asked.is(Trait.BASS_ONLY)
                    || asked.is(Trait.OPEN)
                    || asked.is(Trait.BASSLESS)
                    || asked.is(Trait.WALKS);
            // On its seventh a chord leaves its root, a second away, to others (HANDBOOK §5a).
            boolean onSeventh = Tones.above(chord, chord.bass().chroma()) >= MINOR_SEVENTH;
            boolean chords = asked.is(Trait.RUNS)
                    || score.within(place.tick(), place.end()).stream()
                            .anyMatch(at -> score.strokes().get(at).notes().size() > 2);
            if (!free
                    && !onSeventh
                    && chords
                    && !score.stepsIn(place.tick(), place.end(), chord).contains(0)) {
                marks.add(
                        place.bar().index(),
                        score.within(place.tick(), place.end()),
                        Map.of(
                                "chord",
                                place.span().written(),
                                "note",
                                chord.root().toString()));
            }
        }
    }

    /** L29: one key twice in a stroke, or a fixed tone that a chord altered, diminished or suspended has not. */
    static void doubleKey(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            Set<Integer> keys = new HashSet<>();
            boolean twice = !Arrays.stream(stroke.keys()).allMatch(keys::add);
            ChordSymbol chord =
                    score.chordOf(stroke).flatMap(Song.Placed::chord).orElse(null);
            boolean strange = chord != null
                    && stroke.mark() != Mark.LEAD
                    && stroke.notes().stream().anyMatch(note -> isStrange(chord, note, stroke));
            if (twice || strange) {
                marks.add(
                        stroke.bar(),
                        List.of(at),
                        Map.of("notes", stroke.lowest().toString(), "chord", chord == null ? "" : chord.toString()));
            }
        }
    }

    /** Fixed by the figure, and foreign; or the altered fifth of an altered chord as a bass of its own. */
    private static boolean isStrange(ChordSymbol chord, PartNote note, Stroke stroke) {
        int above = Tones.above(chord, note.pitch().midi());
        boolean altered = chord.quality().isDominant()
                        && chord.quality().tone(5).map(Interval::semitones).orElse(FIFTH) != FIFTH
                || chord.quality().has(5, FIFTH - 1)
                || chord.quality().has(3, 5);
        boolean fixed = note.role().kind() == Role.Kind.TONE
                && note.role().degree() > 1
                && note.role().degree() < OCTAVE;
        boolean bassOfAlt = chord.quality().id().contains("alt")
                && stroke.mark() == Mark.HEEL
                && stroke.notes().size() == 1
                && (above == FIFTH - 1 || above == FIFTH + 1);
        return bassOfAlt || altered && fixed && !Tones.isOf(chord, note.pitch().midi());
    }

    /** L32: more than a ninth on every beat, thirds stacked over A4, or a whole bar of bare octaves among chords. */
    static void nobodysVoicing(Score score, Marks marks) {
        for (Bar bar : score.song().bars()) {
            Asked asked = score.asked().get(bar.index());
            List<Integer> left = score.within(bar.tick(), bar.end()).stream()
                    .filter(at -> score.strokes().get(at).hand() == Side.LEFT)
                    .toList();
            List<Stroke> strokes = left.stream().map(score.strokes()::get).toList();
            // A chord on each beat of its own is no style of every beat.
            boolean everyBeat = bar.chords().size() <= 2
                    && bar.meter().beats() > 2
                    && strokes.stream().filter(ClashRows::isWide).count()
                            >= bar.meter().beats();
            boolean high = strokes.stream()
                    .anyMatch(stroke ->
                            stroke.notes().size() > 2 && stroke.highest().midi() > A4);
            boolean bare = strokes.size() > 2
                    && !asked.is(Trait.OCTAVES)
                    && !asked.is(Trait.OPEN)
                    && !asked.is(Trait.BASS_ONLY)
                    && !asked.is(Trait.WALKS)
                    && !asked.isPlain()
                    && !asked.single()
                    && strokes.stream().allMatch(ClashRows::isOctave);
            if (everyBeat || high || bare) {
                marks.add(bar.index(), left, Map.of("what", everyBeat ? "wide" : high ? "high" : "bare"));
            }
        }
    }

    private static boolean isWide(Stroke stroke) {
        return stroke.notes().size() > 2
                && stroke.roll().isEmpty()
                && stroke.highest().midi() - stroke.lowest().midi() > NINTH;
    }

    private static boolean isOctave(Stroke stroke) {
        return stroke.notes().size() == 2
                && Math.floorMod(stroke.highest().midi() - stroke.lowest().midi(), 12) == 0;
    }
}
