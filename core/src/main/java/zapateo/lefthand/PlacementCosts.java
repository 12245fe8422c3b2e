package zapateo.lefthand;

import java.util.List;
import java.util.Map;
import zapateo.hand.Hand;
import zapateo.hand.Jumps;
import zapateo.harmony.Key;
import zapateo.lefthand.Candidate.Cost;
import zapateo.lefthand.Candidate.Seventh;
import zapateo.part.PartNote;
import zapateo.pitch.Interval;
import zapateo.pitch.Pitch;
import zapateo.pitch.PitchClass;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;

/** What a place of a chord costs, by what is asked of it. */
final class PlacementCosts {

    private static final double FIFTH_OF_KEY = 1.5;
    private static final int HUNDREDTHS = 100;
    private static final int G1 = 31;
    /** A semitone lower than this is mud. */
    private static final int RUBS_BELOW = Pitch.parse("E3").midi();

    private static final List<Role> FIFTH_BELOW = List.of(Role.parse("5_"));
    private static final int FIFTH_ABOVE = 7;
    /** What a tone that makes a chord what it is counts for among those left out. */
    private static final int COLOUR = 4;
    /** And a tone fewer than the voicing has. */
    private static final int THINNER = 3;

    private final Hand hand;
    private final int lowest;

    /** @param lowest the lowest key of the instrument */
    PlacementCosts(Hand hand, int lowest) {
        this.hand = hand;
        this.lowest = lowest;
    }

    /** What it costs besides what it strikes together. */
    Candidate.Costs of(Need need, Placement placement) {
        return new Candidate.Costs()
                .add(
                        Cost.CLASH,
                        need.way() == BassLine.Basses.PEDAL
                                ? clash(need, placement.bass().pitchClass())
                                : 0)
                .add(Cost.LEFT_OUT, leftOut(need, placement))
                .add(Cost.RUB, rubs(placement))
                .add(Cost.DOUBLED, doubled(need.key(), placement))
                .add(Cost.ROOM, room(need, placement))
                .add(Cost.OUTSIDE, outside(need, placement))
                .add(Cost.LATE, late(need, placement));
    }

    static Candidate.Voices voices(Need need, Placement placement) {
        int[] keys =
                PartNote.keys(placement.shape().isEmpty() ? placement.upper() : placement.notes(placement.shape()));
        if (!need.resolves()) {
            return new Candidate.Voices(keys, Seventh.FREE);
        }
        Interval tone = need.chord().quality().tone(7).orElseThrow();
        int chroma = need.chord().tone(tone).chroma();
        boolean states = keys.length > 2
                && need.said().contains(tone)
                && need.shape().filter(Voicing::states).isPresent();
        Seventh seventh = states ? Seventh.SILENT : Seventh.FREE;
        for (int key : keys) {
            seventh = keys.length > 2 && key % Pitch.OCTAVE == chroma ? new Seventh.On(key) : seventh;
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
    static int[] leaves(Need need, Placement placement) {
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

    static double home(Need need) {
        return need.shape()
                .map(voicing -> voicing.on(need.chord()).window().home())
                .filter(home -> home > 0 && need.chord().over().isEmpty())
                .orElse((double) need.register().home());
    }

    /** Under this no bass of the figure goes: a broken chord's own place on the keyboard, else its register. */
    static int lowest(Need need) {
        return Spacing.named(need.run().spacing())
                .window()
                .filter(window -> !need.run().roles().isEmpty())
                .map(window -> Math.min(window.lowest(), Register.DEEP.home()))
                .orElse(need.register().lowest());
    }

    /** And over this none. */
    static int highest(Need need) {
        Spacing spacing = Spacing.named(need.bassSpacing());
        return spacing.growls() ? spacing.highest() : Register.DEEP.highest();
    }

    /** What it takes to keep below the other hand. */
    private double room(Need need, Placement placement) {
        double room = 0;
        for (Map.Entry<Need.Under, Integer> each : need.under().entrySet()) {
            Need.Under under = each.getKey();
            List<PartNote> notes = placement.notes(
                    Spacing.named(under.spacing()).on(placement.chord(), placement.bass(), under.roles()));
            room += each.getValue()
                    * Room.under(under.ceiling(), notes, under.rolled(), placement, hand, lowest)
                            .cost();
        }
        return room;
    }

    /**
     * Tones of a close chord that are missing. Over its bass a chord of four tones leaves the bass's own to it: three
     * tones say the chord, a fourth makes it heavy and rubs where it lies beside its seventh (HANDBOOK §5).
     */
    private static int missing(Need need, Placement placement) {
        int all = Math.min(4, placement.chord().quality().tones().size());
        int there = placement.upper().size();
        boolean full = need.upper().filter(Voicing::full).isPresent()
                && !placement.chord().quality().isDominant();
        boolean onBass = need.bass() && !need.right() && all == 4 && !full;
        boolean doubles = onBass
                && !(CloseChords.isSixth(placement.chord()) && there == 3)
                && placement.upper().stream()
                        .anyMatch(note -> note.pitch().pitchClass().chroma()
                                == placement.bass().pitchClass().chroma());
        return (full ? 2 : 1) * Math.max(0, (onBass ? 3 : all) - there) + (doubles ? 2 : 0);
    }

    /** Semitones struck together, low ones more; what the chord writes a step above its third or seventh is its own. */
    private static double rubs(Placement placement) {
        List<PartNote> notes = placement.shape().isEmpty() ? placement.upper() : placement.notes(placement.shape());
        double rubs = 0;
        for (int i = 1; i < notes.size(); i++) {
            int low = notes.get(i - 1).pitch().midi();
            if (notes.get(i).pitch().midi() - low == 1) {
                rubs += low < RUBS_BELOW ? 2 : 1;
            }
        }
        return rubs;
    }

    /** Tones of a close chord that are missing, and what a voicing does not say. */
    private static int leftOut(Need need, Placement placement) {
        int close = placement.upper().isEmpty() ? 0 : missing(need, placement);
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
        boolean bounded = jumps || Spacing.named(need.bassSpacing()).growls();
        int bass = bounded && need.bass() && need.shape().isEmpty()
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
