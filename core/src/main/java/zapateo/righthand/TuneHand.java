package zapateo.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.Nature;
import zapateo.part.Origin;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.pitch.Letter;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Tune;

/**
 * A melody with what lies under it, on top of a left hand that is there already: never wider than the hand, a third
 * clear of the left hand.
 */
public final class TuneHand {

    private static final int VELOCITY = 88;
    private static final int SOFTER = 18;
    /** What is closer under the melody than this hides it. */
    private static final int CLEAR_OF_TUNE = 3;

    private static final int TENTH = 16;
    private static final int PHRASE = 4;
    private static final int[] ARCH = {0, 2, 4, 1};
    private static final int TOP = 3;
    private static final int OFF = 2;

    private final Song song;
    private final Hand hand;
    private final RightChoices.Under under;
    private final LeftTop left;

    private TuneHand(Song song, List<Stroke> left, Hand hand, RightChoices.Under under) {
        this.song = song;
        this.hand = hand;
        this.under = under;
        this.left = new LeftTop(left);
    }

    /**
     * @param melody its single notes, in the octave they are played in
     * @param left what the left hand plays, as written
     */
    public static List<Stroke> of(
            Song song, List<Stroke> melody, List<Stroke> left, Hand hand, RightChoices.Under under) {
        TuneHand tune = new TuneHand(song, left, hand, under);
        return tune.alike(melody.stream().map(tune::filled).toList());
    }

    /**
     * One texture to a phrase of four bars: on its strong beats no stroke has over one tone more than the thinnest;
     * octaves are there for all of it or not at all.
     */
    private List<Stroke> alike(List<Stroke> filled) {
        // A chord under thirds alone comes and goes: that is its way.
        if (under == RightChoices.Under.ALONE || under == RightChoices.Under.THIRD) {
            return filled;
        }
        Map<Integer, Integer> thinnest = filled.stream()
                .filter(this::isStrong)
                .collect(Collectors.toMap(
                        stroke -> stroke.bar() / PHRASE,
                        stroke -> stroke.notes().size(),
                        Math::min));
        return filled.stream()
                .map(stroke -> {
                    int least = thinnest.getOrDefault(
                            stroke.bar() / PHRASE, stroke.notes().size());
                    int top = stroke.highest().midi();
                    List<PartNote> kept = under == RightChoices.Under.OCTAVES && least < 2
                            ? stroke.notes().stream()
                                    .filter(note -> top - note.pitch().midi() < Pitch.OCTAVE)
                                    .toList()
                            : stroke.notes();
                    List<PartNote> thinned = kept.size() <= least + 1
                            ? kept
                            : under == RightChoices.Under.OCTAVES
                                    ? List.of(kept.get(0), kept.get(kept.size() - 1))
                                    : kept.subList(kept.size() - least - 1, kept.size());
                    return thinned.size() == stroke.notes().size()
                            ? stroke
                            : thinned.size() == 1
                                    ? stroke.playing(thinned).as(stroke.nature().from(Origin.TUNE))
                                    : stroke.playing(thinned);
                })
                .toList();
    }

    private boolean isStrong(Stroke stroke) {
        Bar bar = song.bars().get(stroke.bar());
        return bar.meter().isStrong(stroke.written().tick() - bar.tick());
    }

    /**
     * The melody's single notes, whatever the left hand does: each phrase of four bars rises to its third, its top note
     * sings out.
     */
    public static List<Stroke> alone(Song song) {
        Reason why = Reason.of(Origin.TUNE.code(), Map.of());
        int[] inSection = new int[song.bars().size()];
        song.sections()
                .forEach(section -> section.bars()
                        .forEach(bar -> inSection[bar.index()] =
                                bar.index() - section.bars().get(0).index()));
        List<Tune.Sung> notes = Tune.of(song);
        Map<Integer, Integer> tops = notes.stream()
                .collect(Collectors.toMap(
                        note -> note.bar() - inSection[note.bar()] % PHRASE,
                        note -> note.pitch().midi(),
                        Math::max));
        List<Stroke> strokes = new ArrayList<>();
        for (Tune.Sung note : notes) {
            Bar bar = song.bars().get(note.bar());
            int place = inSection[note.bar()] % PHRASE;
            int at = Math.floorMod(note.tick() - bar.tick(), bar.meter().beatTicks());
            int loud = VELOCITY
                    + ARCH[place]
                    + (note.pitch().midi() == tops.get(note.bar() - place) ? TOP : 0)
                    - (at == 0 ? 0 : OFF);
            strokes.add(Stroke.of(
                    Side.RIGHT,
                    note.bar(),
                    0,
                    TickSpan.of(note.tick(), note.ticks()),
                    Mark.TOE,
                    false,
                    List.of(PartNote.of(note.pitch(), Role.TUNE).struck(loud)),
                    Nature.of(Origin.TUNE),
                    why));
        }
        return strokes;
    }

    private Stroke filled(Stroke stroke) {
        Bar bar = song.bars().get(stroke.bar());
        int tick = stroke.written().tick();
        Optional<ChordSymbol> chord = song.chordAt(tick);
        boolean carries = under == RightChoices.Under.BLOCK
                || under == RightChoices.Under.THIRDS
                || under == RightChoices.Under.SIXTHS
                || (tick - bar.tick()) % bar.meter().beatTicks() == 0
                || stroke.written().ticks() >= bar.meter().beatTicks();
        if (under == RightChoices.Under.ALONE || chord.isEmpty() || !carries) {
            return stroke;
        }
        PartNote melody = stroke.notes().get(0);
        int floor = Math.max(Shape.LOWEST, left.over(tick, stroke.written().end()) + Comping.CLEAR_OF_LEFT);
        List<PartNote> notes = new ArrayList<>(List.of(melody));
        Set<Integer> justLeft = left.left(tick - bar.meter().beatTicks(), tick);
        List<PartNote> lower = below(melody.pitch(), chord.get(), bar.key());
        for (PartNote note : lower.stream()
                .filter(note ->
                        lower.size() == 1 || !justLeft.contains(note.pitch().midi()))
                .toList()) {
            if (note.pitch().midi() >= floor) {
                notes.add(note.struck(melody.velocity() - SOFTER));
            }
        }
        notes.sort(Comparator.comparingInt(note -> note.pitch().midi()));
        // What the hand cannot span is given up from below.
        while (notes.size() > 1 && (notes.size() > 5 || hand.easeOf(PartNote.keys(notes)) == Ease.OUT_OF_REACH)) {
            notes.remove(0);
        }
        return notes.size() == 1
                ? stroke
                : stroke.playing(notes)
                        .as(stroke.nature().from(Origin.UNDER_TUNE))
                        .because(stroke.reason()
                                .with("under", under.id())
                                .with("chord", chord.get().toString()));
    }

    private List<PartNote> below(Pitch melody, ChordSymbol chord, Key key) {
        List<PartNote> tones = tones(melody, chord);
        return switch (under) {
            // The whole chord hangs under what is its third (EXAMPLES 25); the others stand alone.
            case THIRD ->
                isThird(chord, melody)
                        ? tones.stream()
                                .filter(note -> melody.midi() - note.pitch().midi() < Pitch.OCTAVE)
                                .toList()
                        : List.of();
            // Four parts are written by a search of their own.
            case ALONE, PARTS -> List.of();
            case CLOSE -> tones.stream().limit(2).toList();
            case BLOCK -> tones.stream().limit(3).toList();
            // Every other tone: the second below, and the fourth where the hand has it.
            case OPEN ->
                tones.size() < 2
                        ? tones
                        : tones.size() < 4 ? List.of(tones.get(1)) : List.of(tones.get(1), tones.get(3));
            // A third, or a fourth where only that is of the chord; a sixth, or a fifth.
            case THIRDS -> List.of(below(melody, chord, key, 2, 3, tones));
            case SIXTHS -> List.of(below(melody, chord, key, 5, 4, tones));
            case OCTAVES -> {
                List<PartNote> inside = new ArrayList<>(tones.stream()
                        .filter(note -> melody.midi() - note.pitch().midi() < Pitch.OCTAVE)
                        .limit(1)
                        .toList());
                inside.add(PartNote.of(Pitch.of(melody.pitchClass(), melody.octave() - 1), Role.TUNE));
                yield inside;
            }
        };
    }

    /** The chord's tones under a note, the nearest first, from a minor third down to a tenth. */
    private static List<PartNote> tones(Pitch melody, ChordSymbol chord) {
        List<PartNote> tones = new ArrayList<>();
        for (int midi = melody.midi() - CLEAR_OF_TUNE; midi >= melody.midi() - TENTH; midi--) {
            int chroma = Math.floorMod(midi, Pitch.OCTAVE);
            int at = midi;
            chord.quality().tones().stream()
                    .filter(tone -> chord.tone(tone).chroma() == chroma)
                    .findFirst()
                    .ifPresent(tone -> tones.add(
                            PartNote.of(Pitch.onKey(at, chord.tone(tone).simple()), Role.tone(tone.number()))));
        }
        return tones;
    }

    /** So many steps of the key lower; as many as {@code otherwise} where only that is a tone of the chord. */
    private static PartNote below(
            Pitch melody, ChordSymbol chord, Key key, int steps, int otherwise, List<PartNote> tones) {
        PartNote parallel = stepsBelow(melody, chord, key, steps);
        PartNote other = stepsBelow(melody, chord, key, otherwise);
        boolean close = melody.midi() - parallel.pitch().midi() < CLEAR_OF_TUNE;
        if (isTone(parallel, chord) && !close) {
            return parallel;
        }
        // Under a tone of the chord nothing else but one of its own.
        boolean passing = chord.tones().stream()
                .noneMatch(tone -> tone.chroma() == melody.pitchClass().chroma());
        return isTone(other, chord)
                ? other
                : passing && !close
                        ? parallel
                        : tones.stream()
                                .min(Comparator.comparingInt(tone -> Math.abs(
                                        tone.pitch().midi() - parallel.pitch().midi())))
                                .orElse(parallel);
    }

    private static PartNote stepsBelow(Pitch melody, ChordSymbol chord, Key key, int steps) {
        Letter letter = melody.pitchClass().letter().plus(-steps);
        // The chord's own inflection goes before the key's: F sharp over D7 whatever the key.
        PitchClass name = chord.tones().stream()
                .map(PitchClass::simple)
                .filter(tone -> tone.letter() == letter)
                .findFirst()
                .orElseGet(() -> PitchClass.of(letter, key.alterationOf(letter)));
        int down = Math.floorMod(melody.pitchClass().chroma() - name.chroma(), Pitch.OCTAVE);
        return PartNote.of(Pitch.onKey(melody.midi() - down, name), Role.PARALLEL);
    }

    private static boolean isThird(ChordSymbol chord, Pitch note) {
        return chord.quality()
                .tone(3)
                .filter(tone -> chord.tone(tone).chroma() == note.pitchClass().chroma())
                .isPresent();
    }

    private static boolean isTone(PartNote note, ChordSymbol chord) {
        return chord.tones().stream()
                .anyMatch(tone -> tone.chroma() == note.pitch().pitchClass().chroma());
    }
}
