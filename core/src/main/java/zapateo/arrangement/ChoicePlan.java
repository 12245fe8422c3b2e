package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import zapateo.choice.Options;
import zapateo.hand.Pianist;
import zapateo.harmony.ChordSymbol;
import zapateo.lefthand.BassLine;
import zapateo.lefthand.Ending;
import zapateo.lefthand.FigureCheck;
import zapateo.lefthand.LeadIn;
import zapateo.lefthand.LeftChoice;
import zapateo.lefthand.LeftHand;
import zapateo.lefthand.LeftHandChoices;
import zapateo.lefthand.Lock;
import zapateo.lefthand.Plan;
import zapateo.lefthand.Spice;
import zapateo.lefthand.Voicing;
import zapateo.lefthand.Weights;
import zapateo.part.Reason;
import zapateo.pitch.Interval;
import zapateo.refusal.Refused;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.FigureStroke;
import zapateo.rhythm.Meter;
import zapateo.rhythm.Register;
import zapateo.rhythm.Role;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;

/** The choices of a song as they hold bar by bar, resolved to what there is, with what could not be kept. */
final class ChoicePlan implements Plan {

    private static final int SONG_THAT_ENDS = 4;

    private final FigureBook book;
    private final Choices choices;
    private final Song song;
    private final Pianist pianist;
    private final Map<Bar, String> sectionOf = new IdentityHashMap<>();
    private final Map<Options, LeftHandChoices> resolved = new HashMap<>();
    private final Map<ByHand, LeftHandChoices> byHand = new HashMap<>();
    private final Set<Reason> said = new HashSet<>();
    private final List<Reason> notices = new ArrayList<>();

    /** A bar broken out by hand, in a metre. */
    private record ByHand(Options options, Meter meter) {}

    /** @throws Refused when a choice names something there is not, with what could stand there */
    ChoicePlan(FigureBook book, Choices choices, Song song, Pianist pianist) {
        this.book = book;
        this.pianist = pianist;
        this.choices = choices;
        this.song = song;
        for (Section section : song.sections()) {
            section.bars().forEach(bar -> sectionOf.put(bar, section.name()));
        }
        resolve(choices.song());
        choices.sections().forEach((name, options) -> {
            resolve(options.over(choices.song()));
            if (song.sections().stream().noneMatch(section -> section.name().equals(name))) {
                say("section-unused", Map.of("section", name));
            }
        });
        choices.overrides().forEach(override -> {
            resolve(override.options().over(choices.song()));
            if (song.bars().stream().noneMatch(bar -> override.bars().holds(bar.number()))) {
                say("bars-unused", Map.of("bars", override.bars().toString()));
            }
        });
    }

    /** What could not be kept, each said once. */
    List<Reason> notices() {
        for (Bar bar : song.bars()) {
            Figure figure = at(bar, 0).figure();
            if (!figure.bars().containsKey(bar.meter()) && said.add(Reason.of("adapted-" + figure.id(), Map.of()))) {
                say(
                        "figure-adapted",
                        Map.of(
                                "figure",
                                figure.id(),
                                "name",
                                figure.name(),
                                "meter",
                                bar.meter().toString()));
            }
        }
        return List.copyOf(notices);
    }

    private void say(String code, Map<String, String> args) {
        say(Reason.of(code, args));
    }

    private void say(Reason reason) {
        if (said.add(reason)) {
            notices.add(reason);
        }
    }

    @Override
    public LeftHandChoices at(Bar bar, int tick) {
        Options options = chosen(bar, tick);
        LeftHandChoices known = resolve(options);
        // What was broken out by hand is of its figure: where a level plays another one, the bar goes with it.
        return options.get(LeftChoice.STROKES)
                .filter(strokes -> known.figure().id().equals(options.orUsual(LeftChoice.FIGURE)))
                .map(strokes ->
                        byHand.computeIfAbsent(new ByHand(options, bar.meter()), each -> byHand(known, bar, strokes)))
                .orElse(known);
    }

    private LeftHandChoices byHand(LeftHandChoices known, Bar bar, List<FigureStroke> strokes) {
        List<FigureStroke> inside = strokes.stream()
                .filter(stroke -> stroke.tick() < bar.meter().barTicks())
                .toList();
        List<Reason> faults =
                inside.isEmpty() ? List.of() : FigureCheck.of(known.figure().byHand(bar.meter(), inside));
        faults.forEach(this::say);
        return inside.isEmpty() || !faults.isEmpty() ? known : known.byHand(bar.meter(), inside);
    }

    /** What holds at the beginning of each bar as played, and what of it is heard. */
    List<Holding> holding() {
        Map<Integer, Spice> spices = LeftHand.spices(song, this);
        return song.bars().stream()
                .map(bar -> new Holding(chosen(bar, 0), at(bar, 0), Optional.ofNullable(spices.get(bar.index()))))
                .toList();
    }

    private Options chosen(Bar bar, int tick) {
        Options options = choices.song();
        Options section =
                choices.sections().isEmpty() ? null : choices.sections().get(sectionOf.get(bar));
        if (section != null) {
            options = section.over(options);
        }
        for (Choices.Override override : choices.overrides()) {
            boolean here = override.bars().holds(bar.number())
                    && override.pass().filter(pass -> pass != bar.pass()).isEmpty()
                    && override.beats()
                            .filter(beats -> !beats.holds(tick / bar.meter().beatTicks() + 1))
                            .isEmpty();
            options = here ? override.options().over(options) : options;
        }
        return options;
    }

    @Override
    public List<Integer> changes(Bar bar) {
        TreeSet<Integer> changes = new TreeSet<>();
        for (Choices.Override override : choices.overrides()) {
            if (override.beats().isPresent() && override.bars().holds(bar.number())) {
                changes.add((override.beats().get().first() - 1) * bar.meter().beatTicks());
                changes.add(override.beats().get().last() * bar.meter().beatTicks());
            }
        }
        return List.copyOf(changes);
    }

    @Override
    public Lock lock(Bar bar, int tick) {
        for (Choices.PlacedLock placed : choices.locks()) {
            boolean here = placed.bar() == bar.number()
                    && placed.pass().filter(pass -> pass != bar.pass()).isEmpty();
            int at = (int) Math.round((placed.beat() - 1) * bar.meter().beatTicks());
            if (here
                    && bar.chords().stream()
                            .anyMatch(span ->
                                    span.tick() <= at && at < span.end() && span.tick() <= tick && tick < span.end())) {
                return placed.lock();
            }
        }
        return Lock.NONE;
    }

    /** Any song ends but a vamp, and one whose last dominant leads back to its beginning (HANDBOOK §7a). */
    @Override
    public Optional<Ending> ending() {
        Optional<String> chosen = choices.song().get(SongChoice.ENDING);
        if (chosen.isPresent()) {
            return Ending.named(chosen.get());
        }
        Bar last = song.bars().get(song.bars().size() - 1);
        ChordSpan span = last.chords().get(last.chords().size() - 1);
        boolean ends = song.bars().size() >= SONG_THAT_ENDS
                && last.vamp() < 0
                && span.chord().filter(chord -> !leadsBack(chord)).isPresent();
        return ends ? Optional.of(Ending.of(at(last, span.tick()).figure().family())) : Optional.empty();
    }

    /** A dominant that the first chord, or the key, is the goal of. */
    private boolean leadsBack(ChordSymbol last) {
        int goal = last.root().plus(Interval.of(4, 5)).chroma();
        boolean leads = last.quality().isDominant()
                || last.quality().isMajor() && last.quality().tones().size() == 3;
        return leads
                && (goal == song.key().tonic().chroma()
                        || song.chordAt(0)
                                .filter(first -> goal == first.root().chroma()
                                        && last.root().chroma()
                                                != song.key().tonic().chroma())
                                .isPresent());
    }

    @Override
    public Optional<String> spice(Bar bar) {
        String at = "@" + bar.number();
        return choices.song().orUsual(SongChoice.SPICES).stream()
                .filter(each -> each.endsWith(at))
                .map(each -> each.substring(0, each.indexOf('@')))
                .reduce((one, other) -> other);
    }

    @Override
    public long seed() {
        return choices.song().get(SongChoice.SEED).orElse(0L);
    }

    @Override
    public Weights weights() {
        return choices.weights();
    }

    private LeftHandChoices resolve(Options options) {
        LeftHandChoices known = resolved.get(options);
        if (known == null) {
            known = resolveAnew(options);
            resolved.put(options, known);
        }
        return known;
    }

    private LeftHandChoices resolveAnew(Options chosen) {
        Optional<Level> level = chosen.get(SongChoice.LEVEL).map(Level::of);
        Figure named = figure(chosen);
        Options options = level.map(each -> each.on(chosen, named, way(each))).orElse(chosen);
        Figure taken = figure(options);
        Figure figure = level.filter(each -> taken == named)
                .map(each -> each.reduced(named, way(each)))
                .orElse(taken);
        boolean band = options.orUsual(LeftChoice.WITH_BASS_PLAYER);
        Optional<BassLine> line = options.get(LeftChoice.BASS_LINE)
                .map(name -> BassLine.named(name)
                        .orElseThrow(() -> unknown(
                                "bass line",
                                name,
                                BassLine.all().stream().map(BassLine::id).toList())));
        Optional<LeadIn> leadIn = options.get(LeftChoice.LEAD_IN)
                .map(name -> LeadIn.named(name)
                        .orElseThrow(() -> unknown(
                                "lead-in",
                                name,
                                LeadIn.all().stream().map(LeadIn::id).toList())));
        if (line.filter(each -> each.roles().size() > 1 || each.roles().get(0).kind() == Role.Kind.WALKING)
                        .isPresent()
                && !figure.hasLine()) {
            say(
                    "line-unused",
                    Map.of(
                            "figure",
                            figure.id(),
                            "name",
                            figure.name(),
                            "line",
                            line.get().name()));
        }
        if (line.filter(each -> each.basses() == BassLine.Basses.HAND).isPresent() && figure.plays(Role.Kind.WALKING)) {
            say(
                    "hand-or-walk",
                    Map.of(
                            "figure",
                            figure.id(),
                            "name",
                            figure.name(),
                            "line",
                            line.get().name()));
        }
        if (leadIn.filter(each -> !each.id().equals("none")).isPresent() && !figure.hasLine()) {
            say("lead-in-unused", Map.of("figure", figure.id(), "name", figure.name()));
        }
        Voicing voicing = voicing(options, figure);
        Options heard = LeftChoice.plain(options)
                .with(LeftChoice.REGISTER, band ? Register.MIDDLE : register(options, figure))
                .with(LeftChoice.TENTHS, options.get(LeftChoice.TENTHS).orElse(pianist.tenths()))
                .with(LeftChoice.OCTAVES, options.get(LeftChoice.OCTAVES).orElse(pianist.octaves()))
                .with(
                        LeftChoice.PEDAL,
                        pianist.instrument().pedal()
                                && options.get(LeftChoice.PEDAL)
                                        .orElse(figure.manner().pedal()));
        return new LeftHandChoices(
                figure, voicing, line, leadIn, level.flatMap(each -> each.fuller(named, way(each))), false, heard);
    }

    private int way(Level level) {
        return choices.song()
                .get(SongChoice.WAYS)
                .map(ways -> ways.get(level.number() - 1))
                .orElse(0);
    }

    private Figure figure(Options options) {
        String id = options.orUsual(LeftChoice.FIGURE);
        return book.figure(id)
                .filter(figure -> !figure.isOfRightHand())
                .orElseThrow(() -> unknown(
                        "figure",
                        id,
                        book.figures().stream()
                                .filter(figure -> !figure.isOfRightHand())
                                .map(Figure::id)
                                .toList()));
    }

    private Voicing voicing(Options options, Figure figure) {
        List<String> accepted = figure.manner().voicings();
        Optional<Voicing> wanted = options.get(LeftChoice.VOICING)
                .map(id -> Voicing.named(id)
                        .orElseThrow(() -> new Refused("voicing \"" + id + "\": expected auto or one of "
                                + String.join(
                                        ", ",
                                        Voicing.all().stream().map(Voicing::id).toList()))));
        wanted.filter(voicing -> !accepted.contains(voicing.id()))
                .ifPresent(voicing -> say(
                        "voicing-unused",
                        Map.of("figure", figure.id(), "name", figure.name(), "voicing", voicing.id())));
        return wanted.filter(voicing -> accepted.contains(voicing.id()))
                .or(() -> accepted.stream().findFirst().flatMap(Voicing::named))
                .orElseGet(() -> Voicing.named("close").orElseThrow());
    }

    private Register register(Options options, Figure figure) {
        List<Register> possible = figure.manner().registers();
        options.get(LeftChoice.REGISTER)
                .filter(register -> !possible.contains(register))
                .ifPresent(register -> say(
                        "register-unused",
                        Map.of("figure", figure.id(), "name", figure.name(), "register", register.id())));
        return options.get(LeftChoice.REGISTER).filter(possible::contains).orElseGet(() -> possible.get(0));
    }

    private static Refused unknown(String what, String id, List<String> known) {
        return new Refused(what + " \"" + id + "\": expected one of " + String.join(", ", known));
    }
}
