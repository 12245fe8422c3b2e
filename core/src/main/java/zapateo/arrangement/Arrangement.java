package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import zapateo.colour.Coloured;
import zapateo.hand.Pianist;
import zapateo.hand.Playability;
import zapateo.lefthand.Realised;
import zapateo.part.Part;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Lifts;
import zapateo.rhythm.Side;
import zapateo.rhythm.Swing;
import zapateo.righthand.TuneHand;
import zapateo.song.Bar;
import zapateo.song.Song;
import zapateo.song.Timeline;

/**
 * A song as two hands play it.
 *
 * @param coloured the song with its colours
 * @param feels which feel sounds
 * @param pedal in the order of time, never overlapping
 * @param notices choices that could not be kept to the letter, and why
 * @param holding what holds in each bar
 * @param laid how the chords were laid, to be asked why
 * @param play how hard it is, bar by bar
 */
public record Arrangement(
        Coloured coloured,
        Feels feels,
        Part left,
        Part right,
        List<Pedal> pedal,
        List<Reason> notices,
        List<Holding> holding,
        Realised laid,
        Playability play) {

    /** Only a hand's first strokes reach back before the song. */
    private static final int FIRST = 4;

    public Arrangement {
        pedal = List.copyOf(pedal);
        notices = List.copyOf(notices);
        holding = List.copyOf(holding);
    }

    /** What is played, colours and all. */
    public Song song() {
        return coloured.song();
    }

    /** Of what is swung. */
    public Swing swing() {
        return feels.swing();
    }

    /** Of both hands, in the order of the score. */
    public List<Stroke> strokes() {
        List<Stroke> both = new ArrayList<>(left.strokes());
        both.addAll(right.strokes());
        both.sort(Stroke.IN_TIME);
        return both;
    }

    /**
     * A name for each of {@link #strokes()} that stays when something is changed elsewhere: hand, bar as written, which
     * time it is played, tick inside it and, from the second on, which of the hand's strokes there, as in
     * {@code L5.1.960} and {@code L5.1.960.1}. Empty where the place of the only one on the page says it.
     */
    public List<String> ids() {
        Map<Place, Integer> there = new HashMap<>();
        List<String> ids = new ArrayList<>();
        for (Stroke stroke : strokes()) {
            Bar bar = song().bars().get(stroke.bar());
            Place place = new Place(
                    stroke.hand(), bar.number(), bar.pass(), stroke.written().tick() - bar.tick());
            int nth = there.merge(place, 1, Integer::sum) - 1;
            ids.add(nth == 0 ? place.name() : place.name() + "." + nth);
        }
        return ids;
    }

    /** Where what a stroke strikes is heard no more: let go, or where the pedal comes up that is down then. */
    public int heardUntil(Stroke stroke) {
        int end = stroke.sounding().end();
        int low = 0;
        int high = pedal().size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (pedal().get(middle).up() <= end) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low < pedal().size() && pedal().get(low).down() <= end
                ? pedal().get(low).up()
                : end;
    }

    private record Place(Side hand, int bar, int pass, int tick) {

        private String name() {
            return hand.letter() + bar + "." + pass + "." + tick;
        }

        @Override
        public int hashCode() {
            return ((bar * 31 + pass) * 31 + tick) * 2 + hand.ordinal();
        }
    }

    /** When its ticks come. */
    public Timeline timeline() {
        return Timeline.of(song(), feels.swing(), feels.straight());
    }

    /** How far what sounds first lies before the first written bar, 0 where nothing does. */
    public int leadInTicks() {
        return -Math.min(
                0,
                Stream.concat(
                                left.strokes().stream().limit(FIRST),
                                right.strokes().stream().limit(FIRST))
                        .mapToInt(Stroke::firstTick)
                        .min()
                        .orElse(0));
    }

    /** Where the chord a stroke plays begins; what comes early plays the one that arrives. */
    public int chordTick(Stroke stroke) {
        return laid.chords().isEmpty()
                ? stroke.written().tick()
                : laid.chords().get(stroke.chord()).tick();
    }

    /**
     * How hard it is to come to what sounds at a tick from what sounded before, 0 to 100: that of the first stroke of
     * the left hand in the chord there.
     *
     * @param tick where a chord begins in the score
     * @param end where it ends
     */
    public double changeAt(int tick, int end) {
        List<Stroke> strokes = left.strokes();
        int first = firstAt(tick);
        return first < strokes.size() && strokes.get(first).written().tick() < end
                ? play.left().get(first)
                : 0;
    }

    /** The first of the left hand's strokes at a tick or after it. */
    private int firstAt(int tick) {
        List<Stroke> strokes = left.strokes();
        int low = 0;
        int high = strokes.size();
        while (low < high) {
            int middle = (low + high) / 2;
            if (strokes.get(middle).written().tick() < tick) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The fastest tempo a bar's jumps and repeated notes allow, in the song's own beats a minute. */
    public double maxTempo(int bar) {
        double beats = play.bars().get(bar).maxTempo()
                * song().bars().get(bar).tempo().beatTicks()
                / song().tempo().beatTicks();
        return Math.min(Playability.NO_LIMIT, beats);
    }

    /** The fastest tempo all bars allow. */
    public double maxTempo() {
        double slowest = Playability.NO_LIMIT;
        for (int bar = 0; bar < song().bars().size(); bar++) {
            slowest = Math.min(slowest, maxTempo(bar));
        }
        return slowest;
    }

    /** How hard it would be for other hands, with the fingers that suit them. */
    public Playability playedBy(Pianist pianist) {
        Fingers fingers = new Fingers(song(), timeline(), List.of());
        return Playability.of(
                fingers.bars(),
                List.of(fingers.of(left, pianist.leftOnKeys()), fingers.of(right, pianist.rightOnKeys())));
    }

    /** The chords that are pedalled from beginning to end, where the score has them. */
    public List<TickSpan> pedalled() {
        return laid.chords().stream()
                .filter(chord ->
                        chord.pedal() && chord.choices().figure().manner().lifts() == Lifts.CHANGE)
                .map(chord -> TickSpan.of(chord.tick(), chord.end() - chord.tick()))
                .toList();
    }

    /** The left hand with the song's melody over it in place of a right hand. */
    public Arrangement withTune() {
        return new Arrangement(
                coloured,
                feels,
                left,
                new Part(Side.RIGHT, TuneHand.alone(song())),
                pedal,
                notices,
                holding,
                laid,
                play);
    }
}
