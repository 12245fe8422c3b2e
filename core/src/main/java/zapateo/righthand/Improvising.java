package zapateo.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.names.Names;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Song;

/** What there is to improvise on, chord by chord (HANDBOOK §9). */
public final class Improvising {

    /** What a note is to the chord that sounds, the safest first. */
    public enum Kind {
        /** Third or seventh: what to aim at on a change. */
        GUIDE,
        /** Another tone of the chord. */
        CHORD,
        /** Of the chord's scale, to pass through or to hold. */
        SCALE,
        /** To pass through, not to hold. */
        AVOID;

        public String id() {
            return Names.of(this);
        }
    }

    /** A note by its name. */
    public record Note(PitchClass name, Kind kind) {}

    /**
     * One chord's notes.
     *
     * @param bar index of its bar
     * @param tick from the start of the song
     * @param scale the chord's scale, by its name; empty where there is none
     * @param notes from the root up, each once
     */
    public record Over(int bar, int tick, int ticks, ChordSymbol chord, Optional<ChordScale> scale, List<Note> notes) {}

    /** Which of a chord's notes a manner of improvising takes. */
    record Scope(RightChoices.Manner manner) {

        static Scope of(RightChoices.Manner manner) {
            return new Scope(manner);
        }

        /** @param end whether it is the last note: that is always of the chord */
        List<Note> notes(Over over, Key key, boolean end) {
            List<Note> own = over.notes().stream()
                    .filter(note -> note.kind() == Kind.GUIDE || note.kind() == Kind.CHORD)
                    .toList();
            return end
                    ? own
                    : switch (manner) {
                        case MIXED -> over.notes();
                        case CHORDAL -> own;
                        case PENTATONIC -> named(key.pentatonic(), over);
                        case BLUES -> named(blues(key), over);
                    };
        }

        private static List<Note> named(List<PitchClass> names, Over over) {
            return names.stream()
                    .map(name -> over.notes().stream()
                            .filter(note -> note.name().chroma() == name.chroma())
                            .findFirst()
                            .orElse(new Note(name, isAvoided(over.chord(), name) ? Kind.AVOID : Kind.SCALE)))
                    .toList();
        }
    }

    private static final int FOURTH = 5;
    private static final List<Interval> BLUES =
            Stream.of("1", "b3", "4", "b5", "5", "b7").map(Interval::parse).toList();

    private Improvising() {}

    /** For each chord of a song as it is played. */
    public static List<Over> of(Song song) {
        List<Over> all = new ArrayList<>();
        for (Bar bar : song.bars()) {
            for (ChordSpan span : bar.chords()) {
                span.chord().ifPresent(chord -> all.add(over(bar, span, chord)));
            }
        }
        return all;
    }

    private static Over over(Bar bar, ChordSpan span, ChordSymbol chord) {
        Optional<ChordScale> scale = ChordScale.of(chord, bar.key());
        List<Note> notes = new ArrayList<>();
        for (Interval tone : chord.quality().tones()) {
            notes.add(new Note(
                    chord.tone(tone).simple(), tone.number() == 3 || tone.number() == 7 ? Kind.GUIDE : Kind.CHORD));
        }
        scale.ifPresent(each -> each.on(chord).stream()
                .filter(name -> notes.stream().noneMatch(note -> note.name().chroma() == name.chroma()))
                .forEach(name -> notes.add(new Note(name, isAvoided(chord, name) ? Kind.AVOID : Kind.SCALE))));
        notes.sort(java.util.Comparator.comparingInt(
                note -> Math.floorMod(note.name().chroma() - chord.root().chroma(), Pitch.OCTAVE)));
        return new Over(bar.index(), bar.tick() + span.tick(), span.ticks(), chord, scale, List.copyOf(notes));
    }

    /**
     * The natural fourth over a major third; over other chords than dominants what lies a semitone over a tone (common
     * practice).
     */
    static boolean isAvoided(ChordSymbol chord, PitchClass note) {
        int above = Math.floorMod(note.chroma() - chord.root().chroma(), Pitch.OCTAVE);
        boolean dominant = chord.quality().isDominant();
        boolean rubs = chord.tones().stream()
                .anyMatch(tone -> Math.floorMod(note.chroma() - tone.chroma(), Pitch.OCTAVE) == 1);
        return chord.quality().has(3, 4) && above == FOURTH || !dominant && rubs;
    }

    /** The blues scale of a key: 1 ♭3 4 ♭5 5 ♭7. */
    public static List<PitchClass> blues(Key key) {
        return BLUES.stream().map(key.tonic()::plus).map(PitchClass::simple).toList();
    }
}
