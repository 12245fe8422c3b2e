package zapateo.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.harmony.ChordSymbol;
import zapateo.names.Names;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Ticks;

/**
 * What each note of a melody is to the chord under it (HANDBOOK §9; the classes as textbooks of harmony have them,
 * common practice): one of its tones, a tone that moves by step and explains itself by what comes before and after, or
 * a clash.
 */
public final class ToneFit {

    /** What a note may be. */
    public enum Kind {
        CHORD_TONE,
        PASSING,
        NEIGHBOUR,
        SUSPENSION,
        ANTICIPATION,
        APPOGGIATURA,
        ESCAPE,
        PEDAL,
        /** Of no such kind, and no rub either: a ninth, a sixth, an added tone. */
        ADDED,
        CLASH;

        public String id() {
            return Names.of(this);
        }
    }

    /**
     * A note and what it is.
     *
     * @param bar index of its bar
     * @param tick from the start of the song
     * @param avoid whether it is one that should not be held: the natural fourth over a major chord, for longer than a
     *     beat
     * @param chord what it is heard over, empty in silence
     * @param against the chord tone a semitone under it
     */
    public record Heard(
            int bar,
            int tick,
            int ticks,
            Pitch pitch,
            Kind kind,
            boolean avoid,
            Optional<ChordSymbol> chord,
            Optional<PitchClass> against) {}

    private static final int STEP = 2;
    private static final int FOURTH = 5;
    private static final int ANTICIPATES = Ticks.PER_QUARTER;

    private final List<Sung> sung;

    /** One note of the melody over one chord. */
    private record Sung(
            Bar bar,
            int tick,
            int ticks,
            Pitch pitch,
            Optional<ChordSymbol> chord,
            Optional<ChordSymbol> next,
            int chordTick,
            int chordEnd) {

        private int end() {
            return tick + ticks;
        }

        private boolean isTone(Optional<ChordSymbol> of) {
            return of.filter(each -> holds(each, pitch)).isPresent();
        }

        private boolean isTone() {
            return isTone(chord);
        }

        /** On a strong beat, or where the chord begins. */
        private boolean strong() {
            return tick == chordTick || bar.meter().isStrong(tick - bar.tick());
        }
    }

    private ToneFit(List<Sung> sung) {
        this.sung = sung;
    }

    /** Of every note of a song's melody as it is played. */
    public static List<Heard> of(Song song) {
        return of(song, 0, song.bars().size());
    }

    /** Of every note in a run of bars, as if the song were no longer. */
    public static List<Heard> of(Song song, int from, int to) {
        List<Sung> sung = sung(song, from, to);
        ToneFit fit = new ToneFit(sung);
        List<Heard> heard = new ArrayList<>();
        for (int i = 0; i < sung.size(); i++) {
            heard.add(fit.heard(i));
        }
        return heard;
    }

    /** Whether a key is one of a chord, its bass among them. */
    public static boolean holds(ChordSymbol chord, Pitch pitch) {
        int chroma = pitch.pitchClass().chroma();
        return chord.bass().chroma() == chroma || chord.tones().stream().anyMatch(tone -> tone.chroma() == chroma);
    }

    /** Note by note, and anew where a chord changes under one that is held or tied. */
    private static List<Sung> sung(Song song, int from, int to) {
        List<Sung> all = new ArrayList<>();
        for (Bar bar : song.bars().subList(from, to)) {
            for (TuneNote note : bar.tune()) {
                int end = bar.tick() + note.end();
                for (int tick = bar.tick() + note.tick(); note.pitch().isPresent() && tick < end; ) {
                    Optional<Song.Placed> under =
                            song.placedAt(tick).filter(place -> place.chord().isPresent());
                    int until = Math.min(end, under.map(Song.Placed::end).orElse(end));
                    all.add(new Sung(
                            bar,
                            tick,
                            until - tick,
                            note.pitch().get(),
                            under.flatMap(Song.Placed::chord),
                            under.flatMap(place -> song.chordAt(place.end())),
                            under.map(Song.Placed::tick).orElse(tick),
                            under.map(Song.Placed::end).orElse(until)));
                    tick = until;
                }
            }
        }
        return all;
    }

    private Heard heard(int i) {
        Sung note = sung.get(i);
        Kind kind = kind(i);
        boolean avoid = note.ticks() > note.bar().meter().beatTicks()
                && note.chord().filter(chord -> isAvoided(chord, note.pitch())).isPresent()
                && kind != Kind.CHORD_TONE;
        return new Heard(
                note.bar().index(),
                note.tick(),
                note.ticks(),
                note.pitch(),
                kind,
                avoid,
                note.chord(),
                note.chord().flatMap(chord -> against(chord, note.pitch())));
    }

    /** The natural fourth over a major third (HANDBOOK §9). */
    public static boolean isAvoided(ChordSymbol chord, Pitch pitch) {
        return chord.quality().has(3, 4)
                && Math.floorMod(pitch.midi() - chord.root().chroma(), 12) == FOURTH;
    }

    /** The chord tone a semitone under a note, empty where there is none. */
    private static Optional<PitchClass> against(ChordSymbol chord, Pitch pitch) {
        return chord.tones().stream()
                .filter(tone -> Math.floorMod(pitch.midi() - tone.chroma(), Pitch.OCTAVE) == 1)
                .findFirst();
    }

    private Kind kind(int i) {
        Sung note = sung.get(i);
        if (note.chord().isEmpty() || note.isTone()) {
            return Kind.CHORD_TONE;
        }
        Optional<Sung> before =
                i > 0 && sung.get(i - 1).end() == note.tick() ? Optional.of(sung.get(i - 1)) : Optional.empty();
        Optional<Sung> after = i + 1 < sung.size() && sung.get(i + 1).tick() == note.end()
                ? Optional.of(sung.get(i + 1))
                : Optional.empty();
        int in = before.map(each -> note.pitch().midi() - each.pitch().midi()).orElse(Integer.MAX_VALUE);
        int out = after.map(each -> each.pitch().midi() - note.pitch().midi()).orElse(Integer.MAX_VALUE);
        if (in == 0 && isPrepared(before.get(), note)) {
            // What stays while chords change under it: resolved by a step, or a pedal that is a tone again later.
            if (isStep(out) && after.get().isTone()) {
                return Kind.SUSPENSION;
            }
            if (out == 0 && after.get().isTone(after.get().chord())) {
                return Kind.PEDAL;
            }
        }
        if (out == 0
                && !note.strong()
                && note.ticks() <= ANTICIPATES
                && after.get().tick() == note.chordEnd()
                && after.get().isTone()) {
            return Kind.ANTICIPATION;
        }
        if (isStep(in) && isStep(out)) {
            if (in > 0 == out > 0) {
                return Kind.PASSING;
            }
            if (before.get().pitch().midi() == after.get().pitch().midi()) {
                return Kind.NEIGHBOUR;
            }
        }
        if (isStep(out)
                && after.get().isTone()
                && (note.strong() || note.ticks() >= note.bar().meter().beatTicks())
                && !isStep(in)) {
            return Kind.APPOGGIATURA;
        }
        if (isStep(in)
                && !isStep(out)
                && out != 0
                && out != Integer.MAX_VALUE
                && in > 0 != out > 0
                && before.get().isTone()) {
            return Kind.ESCAPE;
        }
        // A neighbour whose other side is left out, by a leap to it or from it: the resolution is what counts.
        if (isStep(out) && after.get().isTone()) {
            return note.strong() ? Kind.APPOGGIATURA : Kind.NEIGHBOUR;
        }
        boolean rubs = against(note.chord().get(), note.pitch()).isPresent();
        return rubs && (note.strong() || note.ticks() > note.bar().meter().beatTicks()) ? Kind.CLASH : Kind.ADDED;
    }

    private static boolean isPrepared(Sung before, Sung note) {
        return before.isTone()
                || before.isTone(before.chord())
                || before.chord().isPresent()
                        && !before.chord().equals(note.chord())
                        && holds(before.chord().get(), note.pitch());
    }

    private static boolean isStep(int semitones) {
        return Math.abs(semitones) >= 1 && Math.abs(semitones) <= STEP;
    }
}
