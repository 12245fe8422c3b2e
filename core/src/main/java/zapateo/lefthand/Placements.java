package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.hand.Jumps;
import zapateo.harmony.ChordSymbol;
import zapateo.harmony.Key;
import zapateo.part.LowIntervalLimits;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** The candidates for every chord's place on the keyboard and what each costs. */
final class Placements {

    private static final int AT_THE_ENDS = 10;
    private static final int CLEAR_OF_BASS = 3;
    private static final int FURTHEST_FINGER = 2;
    /**
     * How much of a broken low limit it is to be rougher by once the measure than the clearest shape on the same bass.
     */
    private static final double ROUGH = 0.3;

    private static final double FIFTH_OF_KEY = 1.5;
    private static final double HAND_HOME = 43;
    private static final int HUNDREDTHS = 100;
    private static final int G1 = 31;
    private static final List<Role> FIFTH_BELOW = List.of(Role.parse("5_"));
    private static final int FIFTH_ABOVE = 7;
    /** What a tone that makes a chord what it is counts for among those left out. */
    private static final int COLOUR = 4;
    /** What is rolled once in a chord counts so much of what would be rolled again and again. */
    private static final double ROLLED_ONCE = 0.1;
    /** What is rolled rather than muddy, and only then. */
    private static final double ROLLED_IF_NEED_BE = 0.3;
    /** And a tone fewer than the voicing has. */
    private static final int THINNER = 3;

    private final Hand hand;
    private final int lowest;
    private final Map<Need, List<Candidate>> known = new HashMap<>();

    /** @param lowest the lowest key of the instrument */
    Placements(Hand hand, int lowest) {
        this.hand = hand;
        this.lowest = lowest;
    }

    /**
     * What decides a chord's candidates; equal needs share one list.
     *
     * @param upper what the close chord is filled with
     * @param together what is struck at once, and how often
     * @param fixed the key a walking line has the bass on already
     * @param outer whether it is the song's first chord or its last
     * @param right whether the chord above is the right hand's
     * @param under strokes that make room for the other hand, and how often
     * @param run what is played one tone after another
     * @param inKey tones it does not name
     * @param bassSpacing of the figure
     * @param alternates whether its last bass is the fifth
     * @param resolves whether it is a dominant on its way home
     * @param between seconds from a bass to the chord above it, the shortest there are
     * @param said tones that make the chord what it is, as far as its time allows
     */
    record Need(
            ChordSymbol chord,
            Key key,
            Register register,
            Optional<Voicing> upper,
            Optional<Voicing> shape,
            boolean bass,
            BassLine.Basses way,
            Map<Struck, Integer> together,
            Optional<Pitch> fixed,
            Lock lock,
            boolean outer,
            boolean right,
            Map<Under, Integer> under,
            Run run,
            List<Interval> said,
            KeyTones inKey,
            String bassSpacing,
            boolean alternates,
            double between,
            boolean resolves) {}

    /**
     * Strokes of one tone each, one after the other.
     *
     * @param roles of the figure
     * @param hands that play them
     */
    record Run(String spacing, List<Role> roles, List<Side> hands) {

        static final Run NONE = new Run("open", List.of(), List.of());

        List<List<Role>> on(Placement placement, List<Interval> said) {
            return new Broken(placement, Spacing.named(spacing), said, hands).of(roles);
        }
    }

    /** A stroke of the left hand below a ceiling. */
    record Under(List<Role> roles, String spacing, boolean rolled, int ceiling) {}

    /**
     * Roles that strokes take at once, before they are fitted to the chord.
     *
     * @param close whether it is the chord in its own window
     * @param rolls whether there is time to roll it, if it must be, however often it comes
     */
    record Struck(List<Role> roles, String spacing, boolean close, boolean rolls) {}

    /** Of how many chords places are known. */
    int size() {
        return known.size();
    }

    /** Every place the chord may have; the same list for the same need. */
    List<Candidate> of(Need need) {
        List<Candidate> found = known.get(need);
        if (found == null) {
            found = locked(need);
            known.put(need, found);
        }
        return found;
    }

    private List<Candidate> locked(Need need) {
        List<Candidate> all = all(need);
        Lock lock = need.lock();
        if (lock.equals(Lock.NONE)) {
            return all;
        }
        List<Candidate> kept = all.stream().filter(each -> keeps(each, lock)).toList();
        return kept.isEmpty() ? all : kept;
    }

    /** Whether a candidate keeps what is locked. */
    static boolean keeps(Candidate candidate, Lock lock) {
        List<PartNote> upper = candidate.placement().upper();
        return lock.bass().filter(bass -> candidate.bass() != bass.midi()).isEmpty()
                && lock.top().filter(top -> candidate.top() != top.midi()).isEmpty()
                && lock.bottom()
                        .filter(bottom ->
                                !upper.isEmpty() && !upper.get(0).role().equals(String.valueOf(bottom)))
                        .isEmpty();
    }

    private List<Candidate> all(Need need) {
        List<Candidate> candidates = new ArrayList<>();
        KeyTones inKey = need.inKey();
        for (ChordSymbol chord : Turned.over(need.chord(), need.bass(), need.way(), need.outer(), need.key())) {
            List<List<PartNote>> uppers = need.upper().isPresent()
                    ? CloseChords.of(
                            chord,
                            need.upper().get(),
                            inKey,
                            need.right(),
                            need.bass(),
                            need.said(),
                            !need.under().isEmpty())
                    : List.of(List.of());
            List<List<Role>> shapes =
                    need.shape().isPresent() ? need.shape().get().on(chord).shapesOn(chord) : List.of(List.of());
            if (!need.bass()
                    && chord.over().isPresent()
                    && need.upper()
                            .filter(voicing -> voicing.shapes().get(0).get(0).isOfClose())
                            .isPresent()) {
                uppers = Turned.overItsBass(chord, uppers);
            }
            for (Pitch bass : basses(need, chord)) {
                boolean added = false;
                for (List<PartNote> upper : uppers) {
                    if (need.bass() && !upper.isEmpty() && upper.get(0).pitch().midi() - bass.midi() < CLEAR_OF_BASS) {
                        continue;
                    }
                    for (List<Role> shape : shapes) {
                        added = true;
                        for (List<Role> spaced : spaced(need, new Placement(chord, bass, upper, shape, inKey))) {
                            candidates.addAll(
                                    positions(need, candidate(need, new Placement(chord, bass, upper, spaced, inKey))));
                        }
                    }
                }
                if (!added
                        && candidates.isEmpty()
                        && bass.midi() + Pitch.OCTAVE > need.register().highest()) {
                    candidates.add(candidate(
                            need,
                            new Placement(
                                    chord,
                                    bass,
                                    uppers.get(uppers.size() - 1),
                                    spaced(need, new Placement(chord, bass, List.of(), shapes.get(0), inKey))
                                            .get(0),
                                    inKey)));
                }
            }
        }
        return need.shape().isPresent() ? withRoughness(candidates) : List.copyOf(candidates);
    }

    /**
     * Of the shapes on one bass the rougher ones are muddier; between basses roughness says nothing, since all of them
     * get rougher as they go down.
     */
    private static List<Candidate> withRoughness(List<Candidate> candidates) {
        Map<Integer, Double> clearest = new HashMap<>();
        candidates.forEach(each -> clearest.merge(each.bass(), roughness(each), Math::min));
        return candidates.stream()
                .map(each -> each.muddier(ROUGH * (roughness(each) - clearest.get(each.bass()))))
                .toList();
    }

    private static double roughness(Candidate candidate) {
        return Roughness.over(candidate.placement().notes(candidate.placement().shape()));
    }

    /** The ways to lay a voicing's shape over the bass, with what says the chord in it. */
    private static List<List<Role>> spaced(Need need, Placement placement) {
        if (need.shape().isEmpty()) {
            return List.of(placement.shape());
        }
        Voicing voicing = need.shape().get().on(placement.chord());
        List<Role> laid = Spacing.named(voicing.spacing()).on(placement.chord(), placement.bass(), placement.shape());
        return voicing.states() ? Fuller.of(placement, laid, need.said()) : List.of(laid);
    }

    private List<Pitch> basses(Need need, ChordSymbol chord) {
        if (need.fixed().isPresent()) {
            return List.of(need.fixed().get());
        }
        List<Pitch> basses = new ArrayList<>();
        Optional<Voicing.Window> own =
                need.shape().map(voicing -> voicing.on(chord).window()).filter(window -> window.home() > 0);
        int from = Math.max(
                lowest,
                own.filter(window -> chord.over().isEmpty())
                        .map(Voicing.Window::lowest)
                        .orElse(need.register().lowest()));
        for (int key = from;
                key <= own.map(Voicing.Window::highest).orElse(need.register().highest());
                key++) {
            if (key % Pitch.OCTAVE == chord.bass().chroma()) {
                basses.add(Pitch.onKey(key, chord.bass()));
            }
        }
        return need.bass() ? basses : basses.subList(0, 1);
    }

    private Candidate candidate(Need need, Placement placement) {
        double mud = 0;
        double reach = 0;
        double beyond = 0;
        int top = placement.upper().isEmpty()
                ? placement.bass().midi()
                : placement.upper().get(placement.upper().size() - 1).pitch().midi();
        for (Map.Entry<Struck, Integer> each : need.together().entrySet()) {
            Struck struck = each.getKey();
            List<PartNote> notes = placement.notes(
                    Spacing.named(struck.spacing()).on(placement.chord(), placement.bass(), struck.roles()));
            mud += Math.min(2, each.getValue())
                    * LowIntervalLimits.mud(
                            PartNote.keys(notes),
                            need.bass()
                                    ? placement.bass().midi()
                                    : notes.get(0).pitch().midi());
            int highest = notes.get(notes.size() - 1).pitch().midi();
            top = Math.max(top, highest);
            Ease ease = hand.easeOf(PartNote.keys(notes));
            reach += ease == Ease.COMFORTABLE || ease == Ease.OUT_OF_REACH ? 0 : 1;
            beyond += ease != Ease.OUT_OF_REACH
                    ? 0
                    : each.getValue() == 1 ? ROLLED_ONCE : struck.rolls() ? ROLLED_IF_NEED_BE : each.getValue();
        }
        int root = Math.floorMod(placement.bass().midi() - need.chord().root().chroma(), Pitch.OCTAVE);
        int inversion =
                need.way() == BassLine.Basses.INVERSIONS && need.chord().over().isEmpty()
                        ? (root == 0 ? 0 : root < 6 ? 1 : Candidate.WEAK) * (need.outer() ? AT_THE_ENDS : 1)
                        : 0;
        double middle = need.upper()
                .map(voicing -> CloseChords.window(voicing, need.right()).home())
                .orElse(0.0);
        return new Candidate(
                placement,
                need.bass() ? placement.bass().midi() : -1,
                PartNote.keys(placement.upper()),
                top,
                need.bass() ? need.way() : BassLine.Basses.OWN,
                inversion,
                -1,
                need.way() == BassLine.Basses.PEDAL
                        ? clash(need, placement.bass().pitchClass())
                        : 0,
                mud,
                reach,
                beyond,
                leftOut(need, placement),
                doubled(need.key(), placement),
                room(need, placement),
                outside(need, placement),
                late(need, placement),
                leaves(need, placement),
                voices(need, placement),
                new Candidate.Home(need.way() == BassLine.Basses.HAND ? HAND_HOME : home(need), middle));
    }

    private static Candidate.Voices voices(Need need, Placement placement) {
        int[] keys =
                PartNote.keys(placement.shape().isEmpty() ? placement.upper() : placement.notes(placement.shape()));
        if (!need.resolves()) {
            return new Candidate.Voices(keys, -1);
        }
        Interval tone = need.chord().quality().tone(7).orElseThrow();
        int chroma = need.chord().tone(tone).chroma();
        boolean states = keys.length > 2
                && need.said().contains(tone)
                && need.shape().filter(Voicing::states).isPresent();
        int seventh = states ? Candidate.Voices.SILENT : -1;
        for (int key : keys) {
            seventh = keys.length > 2 && key % Pitch.OCTAVE == chroma ? key : seventh;
        }
        return new Candidate.Voices(keys, seventh);
    }

    private double late(Need need, Placement placement) {
        boolean jumps =
                need.between() > 0 && !need.right() && !placement.upper().isEmpty();
        return jumps
                ? Math.max(
                                0,
                                new Jumps(hand)
                                                .seconds(
                                                        Math.min(
                                                                placement.bass().midi(), leaves(need, placement)[0]),
                                                        PartNote.keys(placement.upper()))
                                        - need.between())
                        * HUNDREDTHS
                : 0;
    }

    /** Where the line goes on from: its bass, or the fifth it ends on, below or above. */
    private static int[] leaves(Need need, Placement placement) {
        int bass = placement.bass().midi();
        if (!need.alternates()) {
            return new int[] {bass};
        }
        int fifth = placement
                .notes(Spacing.named(need.bassSpacing()).on(placement.chord(), placement.bass(), FIFTH_BELOW))
                .get(0)
                .pitch()
                .midi();
        boolean either = fifth < bass && fifth + Pitch.OCTAVE <= Placement.HIGHEST_BASS;
        return either ? new int[] {fifth, fifth + Pitch.OCTAVE} : new int[] {fifth};
    }

    private static double home(Need need) {
        return need.shape()
                .map(voicing -> voicing.on(need.chord()).window().home())
                .filter(home -> home > 0 && need.chord().over().isEmpty())
                .orElse((double) need.register().home());
    }

    /** What it takes to keep below the other hand. */
    private double room(Need need, Placement placement) {
        double room = 0;
        for (Map.Entry<Under, Integer> each : need.under().entrySet()) {
            Under under = each.getKey();
            List<PartNote> notes = placement.notes(
                    Spacing.named(under.spacing()).on(placement.chord(), placement.bass(), under.roles()));
            room += each.getValue()
                    * Room.under(under.ceiling(), notes, under.rolled(), placement, hand, lowest)
                            .cost();
        }
        return room;
    }

    /** A line for one hand position has a candidate for each place the hand may lie in. */
    private static List<Candidate> positions(Need need, Candidate candidate) {
        if (need.way() != BassLine.Basses.HAND || !candidate.hasBass()) {
            return List.of(candidate);
        }
        List<Candidate> placed = new ArrayList<>();
        for (int position = candidate.bass() - Candidate.FIVE_FINGERS - FURTHEST_FINGER;
                position <= candidate.bass() + FURTHEST_FINGER;
                position++) {
            placed.add(new Candidate(
                    candidate.placement(),
                    candidate.bass(),
                    candidate.upper(),
                    candidate.top(),
                    candidate.way(),
                    0,
                    position,
                    0,
                    candidate.mud(),
                    candidate.reach(),
                    candidate.beyond(),
                    candidate.leftOut(),
                    candidate.doubled(),
                    candidate.room(),
                    candidate.outside(),
                    candidate.late(),
                    candidate.leaves(),
                    candidate.voices(),
                    candidate.home()));
        }
        return placed;
    }

    /** Tones of a close chord that are missing, and what a voicing does not say. */
    private static int leftOut(Need need, Placement placement) {
        int close = placement.upper().isEmpty()
                ? 0
                : Math.max(
                        0,
                        Math.min(4, placement.chord().quality().tones().size())
                                - placement.upper().size());
        if (placement.shape().isEmpty()) {
            return close;
        }
        Voicing voicing = need.shape().orElseThrow();
        int fewer = THINNER
                * Math.max(0, voicing.shapes().get(0).size() - placement.shape().size());
        return close
                + fewer
                + (voicing.states()
                        ? COLOUR
                                * Fuller.missing(placement, placement.shape(), need.said())
                                        .size()
                        : 0);
    }

    /** By how many keys a broken chord or its bass leaves the place on the keyboard where it is clear. */
    private static int outside(Need need, Placement placement) {
        boolean jumps = need.upper().isPresent() && !need.right()
                || need.together().keySet().stream()
                        .anyMatch(struck -> !struck.roles().contains(Role.BASS) && !struck.close());
        int bass = jumps && need.bass() && need.shape().isEmpty()
                ? Math.max(
                        0,
                        placement.bass().midi()
                                - Spacing.named(need.bassSpacing()).highest())
                : 0;
        if (need.shape().filter(voicing -> voicing.window().home() > 0).isPresent()) {
            List<PartNote> shape = placement.notes(placement.shape());
            return bass + Math.max(0, shape.get(shape.size() - 1).pitch().midi() - Register.CHORD_HIGHEST);
        }
        Spacing spacing = Spacing.named(need.run().spacing());
        if (need.run().roles().isEmpty() || spacing.window().isEmpty()) {
            return bass;
        }
        List<List<Role>> laid = need.run().on(placement, need.said());
        int low = Integer.MAX_VALUE;
        int high = Integer.MIN_VALUE;
        for (int i = 0; i < laid.size(); i++) {
            if (need.run().hands().get(i) == Side.LEFT) {
                int[] keys = PartNote.keys(placement.notes(laid.get(i)));
                low = Math.min(low, keys[0]);
                high = Math.max(high, keys[keys.length - 1]);
            }
        }
        int second =
                laid.size() > 1 ? placement.notes(laid.get(1)).get(0).pitch().midi() : high;
        boolean onFifth = second - low == FIFTH_ABOVE
                && low >= G1
                && low < spacing.window().get().lowest()
                && spacing.window().get().lowest() < Register.CHORD_LOWEST;
        return spacing.window().get().outside(onFifth ? spacing.window().get().lowest() : low, high);
    }

    /** How often more than once the key's leading tone sounds. */
    private static int doubled(Key key, Placement placement) {
        int leading = Math.floorMod(key.tonic().chroma() - 1, Pitch.OCTAVE);
        int count = placement.bass().pitchClass().chroma() == leading ? 1 : 0;
        for (PartNote note : placement.upper()) {
            count += note.pitch().pitchClass().chroma() == leading ? 1 : 0;
        }
        return Math.max(0, count - 1);
    }

    /**
     * Nothing for a tone of the chord, little in a chord of the key, more in a strange one and for each semitone
     * against it.
     */
    private static double clash(Need need, PitchClass bass) {
        double lean = bass.chroma() == need.key().tonic().chroma() ? 0 : FIFTH_OF_KEY;
        if (need.chord().tones().stream().anyMatch(tone -> tone.chroma() == bass.chroma())) {
            return lean;
        }
        boolean own = need.chord().tones().stream().allMatch(need.key()::holds);
        long rubs = need.chord().tones().stream()
                .filter(tone -> Math.floorMod(tone.chroma() - bass.chroma(), Pitch.OCTAVE) == 1)
                .count();
        return lean + (own ? 1 : 4) + 2 * rubs;
    }
}
