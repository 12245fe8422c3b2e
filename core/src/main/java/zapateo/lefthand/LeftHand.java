package zapateo.lefthand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zapateo.hand.Ease;
import zapateo.hand.Hand;
import zapateo.harmony.ChordSymbol;
import zapateo.part.Part;
import zapateo.part.PartNote;
import zapateo.part.Reason;
import zapateo.part.Roll;
import zapateo.part.Side;
import zapateo.part.Stroke;
import zapateo.part.TickSpan;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Role;
import zapateo.rhythm.Tempo;
import zapateo.search.ShortestPath;
import zapateo.song.Song;

/** Plays a song's chords with one figure: the figure is cut at each chord and the octaves of the whole song are chosen together. */
public final class LeftHand {

    /** A rolled chord opens upward within this time, starting on the beat (HANDBOOK §7). */
    private static final double ROLL_MS = 120;

    private final LeftHandChoices choices;
    private final Hand hand;

    private LeftHand(LeftHandChoices choices, Hand hand) {
        this.choices = choices;
        this.hand = hand;
    }

    public static Part realise(Song song, LeftHandChoices choices, Hand hand) {
        return new LeftHand(choices, hand).play(song);
    }

    private Part play(Song song) {
        List<Cut> cuts = cut(song);
        Placements placements = new Placements(choices.register(), choices.figure().plays(Role.Kind.CLOSE_CHORD));
        Map<ChordSymbol, List<Placements.Candidate>> known = new HashMap<>();
        List<List<Placements.Candidate>> layers = cuts.stream()
                .map(cut -> known.computeIfAbsent(cut.chord(), chord -> placements.of(chord, togetherOn(chord)))).toList();
        List<Placements.Candidate> places = ShortestPath.through(layers, placements.costs()).steps();
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < cuts.size(); i++) {
            strokes.addAll(strokes(cuts.get(i), places.get(i).placement(), cuts.get(i).place().bar().tempo()));
        }
        return new Part(Side.LEFT, Early.tied(song, strokes));
    }

    /** A chord of the song with the strokes that fall on it. */
    private record Cut(Song.Placed place, ChordSymbol chord, List<FigureStroke> strokes) {
    }

    private List<Cut> cut(Song song) {
        List<Cut> cuts = new ArrayList<>();
        Optional<Song.Placed> before = Optional.empty();
        int nth = 0;
        for (Song.Placed place : song.chords().toList()) {
            boolean goesOn = before.filter(last -> last.fillsBar() && place.fillsBar() && last.chord().equals(place.chord())
                    && last.bar().meter().equals(place.bar().meter())).isPresent();
            nth = goesOn ? nth + 1 : 0;
            before = Optional.of(place);
            if (place.chord().isPresent()) {
                cuts.add(new Cut(place, place.chord().get(),
                        choices.figure().strokes(place.bar().meter(), nth, place.span().tick(), place.span().ticks())));
            }
        }
        return cuts;
    }

    /** The sets of roles the figure strikes at once, as they are on this chord; the close chord lies clear by itself. */
    private List<List<Role>> togetherOn(ChordSymbol chord) {
        return choices.figure().bars().values().stream().flatMap(List::stream).flatMap(List::stream)
                .filter(stroke -> !stroke.plays(Role.Kind.CLOSE_CHORD)).map(stroke -> rolesOn(chord, stroke))
                .filter(roles -> roles.size() > 1).distinct().toList();
    }

    private List<Role> rolesOn(ChordSymbol chord, FigureStroke stroke) {
        return stroke.roles().stream().flatMap(role -> role.kind() == Role.Kind.VOICING
                ? choices.voicing().tones().stream().map(tone -> Spacing.named(choices.voicing().spacing()).on(chord, tone))
                : Stream.of(Spacing.named(choices.figure().spacing()).on(chord, role))).toList();
    }

    private List<Stroke> strokes(Cut cut, Placement placement, Tempo tempo) {
        return cut.strokes().stream().map(stroke -> {
            TickSpan span = TickSpan.of(cut.place().tick() + stroke.tick(), stroke.length());
            Stroke plain = new Stroke(Side.LEFT, cut.place().bar().index(), span, span, stroke.mark(),
                    placement.notes(rolesOn(cut.chord(), stroke)),
                    Optional.empty(), reason(cut, stroke));
            return fit(plain, tempo);
        }).toList();
    }

    /** Struck together if the hand spans it, else rolled from the beat upward. */
    private Stroke fit(Stroke stroke, Tempo tempo) {
        List<PartNote> notes = stroke.notes();
        if (notes.size() < 2 || hand.easeOf(stroke.lowest().midi(), stroke.highest().midi()) != Ease.OUT_OF_REACH) {
            return stroke;
        }
        int spread = Math.min(tempo.ticksWithin(ROLL_MS), stroke.written().ticks() / 2);
        List<PartNote> opened = new ArrayList<>();
        for (int i = 0; i < notes.size(); i++) {
            opened.add(notes.get(i).delayed(spread * i / (notes.size() - 1)));
        }
        return stroke.rolled(new Roll(Roll.Kind.QUICK, 0, spread), opened);
    }

    private Reason reason(Cut cut, FigureStroke stroke) {
        Figure figure = choices.figure();
        Map<String, String> args = new HashMap<>(Map.of("figure", figure.id(), "chord", cut.chord().toString(), "stroke", stroke.toString()));
        if (stroke.plays(Role.Kind.VOICING)) {
            args.put("voicing", choices.voicing().id());
        }
        return Reason.of("figure-stroke", args);
    }
}
