package zapateo.critic;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.EssentialTones;
import zapateo.part.Origin;
import zapateo.part.Stroke;
import zapateo.pitch.Interval;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.Song;

/** Rows about what a chord has to say, and what it must not. */
final class ColourRows {

    private static final int MAJOR_THIRD = 4;
    private static final int SIXTH = 9;
    private static final int MINOR_SEVENTH = 10;
    private static final int MAJOR_SEVENTH = 11;
    private static final int SECOND = 2;

    private ColourRows() {}

    /** L9: a tone that makes the chord what it is sounds in neither hand. */
    static void colourLost(Score score, Marks marks) {
        for (Song.Placed place : score.chords()) {
            Asked asked = score.asked().get(place.bar().index());
            boolean free = asked.is(Trait.BASS_ONLY)
                    || asked.is(Trait.OPEN)
                    || asked.is(Trait.ROCKS)
                    || asked.single()
                    || asked.isPlain();
            if (free) {
                continue;
            }
            ChordSymbol chord = place.chord().orElseThrow();
            Set<Integer> heard = score.stepsIn(place.tick(), place.end(), chord);
            // Son and its kin end on their bass alone, and out (HANDBOOK §7a).
            boolean out = heard.equals(Set.of(0))
                    && score.within(place.tick(), place.end()).stream()
                            .allMatch(at -> score.strokes().get(at).nature().origin() == Origin.ENDING);
            if (out) {
                continue;
            }
            List<String> lost =
                    EssentialTones.stating(
                                    chord,
                                    place.span().ticks(),
                                    place.bar().meter().beatTicks())
                            .stream()
                            .filter(tone -> !heard.contains(Math.floorMod(tone.semitones(), 12)))
                            .map(tone -> chord.tone(tone).toString())
                            .toList();
            if (!lost.isEmpty()) {
                marks.add(
                        place.bar().index(),
                        score.within(place.tick(), place.end()),
                        Map.of("chord", place.span().written(), "lost", String.join(", ", lost)));
            }
        }
    }

    /** L10: a chord that is struck off the beat and held over a change states the old chord. */
    static void twoChords(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            Optional<Song.Placed> own = score.song().placedAt(stroke.written().tick());
            if (stroke.notes().size() < 2
                    || stroke.mark() != Mark.TOE
                    || score.asked(stroke).is(Trait.RUNS)
                    || own.isEmpty()
                    || stroke.written().end() <= own.get().end()) {
                continue;
            }
            boolean offBeat = (stroke.written().tick() - own.get().bar().tick())
                            % own.get().bar().meter().beatTicks()
                    != 0;
            Optional<ChordSymbol> next = score.song().chordAt(own.get().end());
            boolean struckAgain = score.within(own.get().end(), own.get().end() + 1).stream()
                    .anyMatch(other -> score.strokes().get(other).hand() == Side.LEFT);
            boolean old = next.filter(chord -> stroke.notes().stream()
                            .anyMatch(note -> chord.quality().tones().stream()
                                    .noneMatch(tone -> Math.floorMod(
                                                    chord.root().chroma()
                                                            + tone.semitones()
                                                            - note.pitch().midi(),
                                                    12)
                                            == 0)))
                    .isPresent();
            if (offBeat && !struckAgain && old) {
                marks.add(
                        stroke.bar(),
                        List.of(at),
                        Map.of(
                                "chord",
                                own.get().span().written(),
                                "next",
                                next.orElseThrow().toString()));
            }
        }
    }

    /** L11: the last chord loses its colour or its bass. */
    static void lastChord(Score score, Marks marks) {
        List<Song.Placed> chords = score.chords();
        if (chords.isEmpty()) {
            return;
        }
        Song.Placed last = chords.get(chords.size() - 1);
        Asked asked = score.asked().get(last.bar().index());
        if (last.bar().index() != score.last().index()
                || asked.single()
                || asked.isPlain()
                || asked.is(Trait.BASS_ONLY)) {
            return;
        }
        ChordSymbol chord = last.chord().orElseThrow();
        Set<Integer> heard = score.stepsIn(last.tick(), last.end(), chord);
        List<String> lost = chord.quality().tones().stream()
                .filter(tone -> tone.number() == 6 || tone.number() == 7 || tone.number() == 9)
                .filter(tone -> !heard.contains(Math.floorMod(tone.semitones(), 12)))
                .map(tone -> chord.tone(tone).toString())
                .toList();
        if (!lost.isEmpty() && !asked.is(Trait.OPEN) && !asked.is(Trait.ROCKS)) {
            marks.add(
                    last.bar().index(),
                    score.within(last.tick(), last.end()),
                    Map.of("chord", last.span().written(), "lost", String.join(", ", lost)));
        }
    }

    /** L12: a fixed tone of a figure rubs against the chord. */
    static void fixedTone(Score score, Marks marks) {
        for (int at : score.of(Side.LEFT)) {
            Stroke stroke = score.strokes().get(at);
            Optional<ChordSymbol> chord = score.chordOf(stroke).flatMap(Song.Placed::chord);
            if (chord.isEmpty() || score.asked(stroke).is(Trait.BLUES) || stroke.mark() == Mark.LEAD) {
                continue;
            }
            boolean major = chord.get().quality().tones().stream()
                    .anyMatch(tone -> tone.number() == 7 && tone.semitones() == MAJOR_SEVENTH);
            stroke.notes().stream()
                    .filter(note -> major
                            && note.role().equals(Role.FLAT_SEVENTH)
                            && Tones.above(chord.get(), note.pitch().midi()) == MINOR_SEVENTH)
                    .findFirst()
                    .ifPresent(note -> marks.add(
                            stroke.bar(),
                            List.of(at),
                            Map.of(
                                    "chord",
                                    chord.get().toString(),
                                    "note",
                                    note.pitch().toString())));
        }
    }

    /**
     * L13: a natural thirteenth on a dominant that goes to a minor chord a fifth below, or a natural ninth there that
     * is not the key's.
     */
    static void tension(Score score, Marks marks) {
        List<Song.Placed> chords = score.chords();
        for (int i = 0; i + 1 < chords.size(); i++) {
            ChordSymbol chord = chords.get(i).chord().orElseThrow();
            ChordSymbol next = chords.get(i + 1).chord().orElseThrow();
            boolean toMinor = chord.quality().isDominant()
                    && next.quality().isMinor()
                    && Math.floorMod(next.root().chroma() - chord.root().chroma(), 12) == 5;
            if (!toMinor) {
                continue;
            }
            int ninth = Math.floorMod(chord.root().chroma() + SECOND, 12);
            boolean keysNinth = chords.get(i).bar().key().scale().stream().anyMatch(note -> note.chroma() == ninth);
            for (int at : score.within(chords.get(i).tick(), chords.get(i).end())) {
                Stroke stroke = score.strokes().get(at);
                stroke.notes().stream()
                        .filter(note -> stroke.mark() != Mark.LEAD
                                && !stroke.nature().origin().isSung()
                                && !note.role().equals(Role.WALK))
                        .filter(note -> {
                            int above = Tones.above(chord, note.pitch().midi());
                            boolean written = chord.quality().tones().stream()
                                    .anyMatch(tone -> Math.floorMod(tone.semitones(), 12) == above);
                            return !written && (above == SIXTH || above == SECOND && !keysNinth);
                        })
                        .findFirst()
                        .ifPresent(note -> marks.add(
                                stroke.bar(),
                                List.of(at),
                                Map.of(
                                        "chord",
                                        chord.toString(),
                                        "next",
                                        next.toString(),
                                        "note",
                                        note.pitch().toString())));
            }
        }
    }

    /**
     * L14: the key's leading tone twice in the accompaniment of a dominant, or a major third in the bass doubled by the
     * left hand.
     */
    static void doubled(Score score, Marks marks) {
        for (Song.Placed place : score.chords()) {
            ChordSymbol chord = place.chord().orElseThrow();
            Asked asked = score.asked().get(place.bar().index());
            int third = Math.floorMod(chord.root().chroma() + MAJOR_THIRD, 12);
            if (!chord.quality().isMajor() || asked.is(Trait.OCTAVES) || asked.is(Trait.BASSLESS)) {
                continue;
            }
            boolean inBass = chord.over().isPresent() && chord.bass().chroma() == third;
            boolean leading = Math.floorMod(third - place.bar().key().tonic().chroma(), 12) == MAJOR_SEVENTH;
            for (int at : score.within(place.tick(), place.end())) {
                Stroke stroke = score.strokes().get(at);
                List<Integer> together =
                        score.within(stroke.written().tick(), stroke.written().tick() + 1);
                long times = together.stream()
                        .map(score.strokes()::get)
                        .filter(each -> !each.nature().origin().isSung() && (leading || each.hand() == Side.LEFT))
                        .flatMap(each -> each.notes().stream())
                        .filter(note -> Math.floorMod(note.pitch().midi(), 12) == third)
                        .count();
                // A close chord that has the third at its own bottom is on its bass, not over it.
                boolean onBass = Math.floorMod(stroke.lowest().midi(), 12) == third
                        && score.notesAt(stroke.written().tick()).stream()
                                .noneMatch(note ->
                                        note.pitch().midi() < stroke.lowest().midi());
                boolean aboveItsBass = inBass
                        && !onBass
                        && stroke.hand() == Side.LEFT
                        && stroke.mark() == Mark.TOE
                        && times > 0
                        && stroke.notes().size() > 1;
                if ((inBass || leading) && times > 1 || aboveItsBass) {
                    marks.add(
                            place.bar().index(),
                            together,
                            Map.of(
                                    "chord",
                                    place.span().written(),
                                    "note",
                                    chord.tone(Interval.of(2, MAJOR_THIRD)).toString()));
                }
            }
        }
    }
}
