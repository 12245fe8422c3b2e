package zapateo.arrangement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zapateo.hand.Hand;
import zapateo.lefthand.LeftHand;
import zapateo.lefthand.LeftHandChoices;
import zapateo.lefthand.Voicing;
import zapateo.part.Part;
import zapateo.part.Reason;
import zapateo.part.Side;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Register;
import zapateo.rhythm.Swing;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.Song;

/** Turns a song, choices and a hand into an arrangement. Holds nothing but the figure book; safe to share between threads. */
public final class Arranger {

    /** How soon after a chord the pedal goes down again: the old chord's sound has stopped, the new key is still held. */
    private static final int PEDAL_LAG = 240;
    private static final String DEFAULT_FIGURE = "held";

    private final FigureBook book;

    public Arranger(FigureBook book) {
        this.book = book;
    }

    /** @throws IllegalArgumentException when a choice names something there is not, with what could stand there */
    public Arrangement arrange(Song song, Choices choices, Hand leftHand) {
        List<Reason> notices = new ArrayList<>();
        Figure figure = figure(choices);
        LeftHandChoices left = new LeftHandChoices(figure, voicing(choices, figure, notices), register(choices, figure, notices));
        if (song.bars().stream().map(Bar::meter).anyMatch(meter -> !figure.bars().containsKey(meter))) {
            notices.add(Reason.of("figure-adapted", Map.of("figure", figure.id(), "meter", strangeMeter(song, figure).toString())));
        }
        Swing swing = choices.swingRatio().map(Swing::of).orElseGet(() -> song.feel().at(song.tempo()));
        List<Bar> bars = song.bars();
        Part part = LeftHand.realise(song, left, leftHand);
        Part sounding = new Part(Side.LEFT, part.strokes().stream().map(stroke -> swung(stroke, bars.get(stroke.bar()), swing)).toList());
        return new Arrangement(song, swing, sounding, Part.silent(Side.RIGHT), figure.pedal() ? pedal(song) : List.of(), notices);
    }

    private Figure figure(Choices choices) {
        String id = choices.figure().orElse(DEFAULT_FIGURE);
        return book.figure(id).orElseThrow(() -> new IllegalArgumentException(
                "figure \"" + id + "\": expected one of " + String.join(", ", book.figures().stream().map(Figure::id).toList())));
    }

    private static Voicing voicing(Choices choices, Figure figure, List<Reason> notices) {
        Optional<Voicing> wanted = choices.voicing().map(id -> Voicing.named(id).orElseThrow(() -> new IllegalArgumentException(
                "voicing \"" + id + "\": expected auto or one of " + String.join(", ", Voicing.all().stream().map(Voicing::id).toList()))));
        Optional<Voicing> usual = figure.voicings().stream().findFirst().flatMap(Voicing::named);
        wanted.filter(voicing -> !figure.voicings().contains(voicing.id()))
                .ifPresent(voicing -> notices.add(Reason.of("voicing-unused", Map.of("figure", figure.id(), "voicing", voicing.id()))));
        return wanted.filter(voicing -> figure.voicings().contains(voicing.id())).or(() -> usual).orElseGet(() -> Voicing.all().get(0));
    }

    private static Register register(Choices choices, Figure figure, List<Reason> notices) {
        choices.register().filter(register -> !figure.registers().contains(register))
                .ifPresent(register -> notices.add(Reason.of("register-unused", Map.of("figure", figure.id(), "register", register.id()))));
        return choices.register().filter(figure.registers()::contains).orElseGet(() -> figure.registers().get(0));
    }

    private static Meter strangeMeter(Song song, Figure figure) {
        return song.bars().stream().map(Bar::meter).filter(meter -> !figure.bars().containsKey(meter)).findFirst().orElseThrow();
    }

    private static Stroke swung(Stroke stroke, Bar bar, Swing swing) {
        if (bar.meter().isCompound() || bar.meter().unit() > 4) {
            return stroke;
        }
        int start = bar.tick() + swing.bend(stroke.written().tick() - bar.tick());
        int end = bar.tick() + swing.bend(stroke.written().end() - bar.tick());
        return stroke.sounding(TickSpan.of(start, end - start));
    }

    /** Lifted when a chord is struck, down again before its first key is let go (HANDBOOK §7); an early chord is struck before its place. */
    private static List<Pedal> pedal(Song song) {
        List<Song.Placed> places = song.chords().toList();
        List<Pedal> pedal = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            Song.Placed place = places.get(i);
            int struck = struck(place);
            int lifted = i + 1 < places.size() ? struck(places.get(i + 1)) : place.tick() + place.span().ticks();
            if (place.chord().isPresent()) {
                pedal.add(new Pedal(struck + Math.min(PEDAL_LAG, (lifted - struck) / 4), lifted));
            }
        }
        return pedal;
    }

    private static int struck(Song.Placed place) {
        return place.span().early() && place.tick() >= Ticks.PER_EIGHTH ? place.tick() - Ticks.PER_EIGHTH : place.tick();
    }
}
