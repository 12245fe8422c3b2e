package zapateo.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zapateo.rhythm.Figure;
import zapateo.rhythm.Mark;
import zapateo.rhythm.Role;
import zapateo.rhythm.Side;
import zapateo.rhythm.Ticks;

/** What the player wants of the bass, put into the strokes of the figures: another line, lead-ins, or no bass at all. */
final class Basses {

    private static final Role LEAD = Role.parse("L");
    private static final Role RAISED_FOURTH = Role.parse("♯4");

    private final List<Cut> cuts;
    private final List<Planned> strokes;

    private Basses(List<Cut> cuts, List<Planned> strokes) {
        this.cuts = cuts;
        this.strokes = new ArrayList<>(strokes);
    }

    static List<Planned> of(List<Cut> cuts, List<Planned> laid) {
        Basses basses = new Basses(cuts, laid);
        basses.dropLostApproaches();
        basses.takeLines();
        basses.leaveToBassPlayer();
        basses.leadIn();
        basses.strokes.sort(Comparator.comparingInt(Planned::tick).thenComparing(Planned::hand));
        return basses.strokes;
    }

    private Cut cut(Planned stroke) {
        return cuts.get(stroke.cut());
    }

    private static boolean isLine(Cut cut, Planned stroke) {
        return stroke.hand() == Side.LEFT && stroke.roles().size() == 1 && cut.choices().figure().manner().line().contains(stroke.roles().get(0));
    }

    /** A raised fourth wants its fifth; where the chord changes before it comes, or its bass is no root, the stroke before sounds on. */
    private void dropLostApproaches() {
        List<Planned> kept = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            Planned stroke = strokes.get(i);
            boolean raised = stroke.roles().size() == 1 && stroke.roles().get(0).equals(RAISED_FOURTH);
            boolean resolves = i + 1 < strokes.size() && strokes.get(i + 1).cut() == stroke.cut() && strokes.get(i + 1).roles().get(0).degree() == 5 && cut(stroke).chord().over().isEmpty();
            if (!raised || resolves) {
                kept.add(stroke);
            } else if (!kept.isEmpty() && kept.get(kept.size() - 1).cut() == stroke.cut()) {
                kept.set(kept.size() - 1, kept.get(kept.size() - 1).until(stroke.end()));
            }
        }
        strokes.clear();
        strokes.addAll(kept);
    }

    private void takeLines() {
        int turn = 0;
        int chord = -1;
        for (int i = 0; i < strokes.size(); i++) {
            Planned stroke = strokes.get(i);
            Cut cut = cut(stroke);
            if (cut.choices().line().isEmpty() || !isLine(cut, stroke) || !cut.choices().hasBass()) {
                continue;
            }
            int begins = stroke.cut();
            while (!cuts.get(begins).begins()) {
                begins--;
            }
            turn = begins == chord ? turn + 1 : 0;
            chord = begins;
            BassLine line = cut.choices().line().get();
            Role role = line.roles().get(turn % line.roles().size());
            strokes.set(i, stroke.playing(List.of(role), Mark.HEEL, role.equals(Role.WALK) ? Planned.WALK : Planned.LINE));
        }
    }

    /** Someone else has the bass: chords stay, single basses become guide tones where nothing else would be left. */
    private void leaveToBassPlayer() {
        List<Planned> kept = new ArrayList<>();
        boolean[] heard = new boolean[cuts.size()];
        for (Planned stroke : strokes) {
            Cut cut = cut(stroke);
            Figure figure = cut.choices().figure();
            boolean hasChords = figure.plays(Role.Kind.CLOSE_CHORD) || figure.plays(Role.Kind.GUIDE_TONES);
            boolean onlyBass = figure.written().allMatch(each -> figure.isLine(each) || each.plays(Role.Kind.LEAD_IN) || each.roles().get(0).sign() != 0);
            if (!cut.choices().withBassPlayer() || stroke.hand() == Side.RIGHT || stroke.code().equals(Planned.ENDING)) {
                kept.add(stroke);
            } else if (stroke.roles().get(0).kind() == Role.Kind.LEAD_IN) {
                continue;
            } else if (onlyBass) {
                kept.add(stroke.playing(List.of(Role.GUIDE), Mark.TOE, stroke.code()));
            } else if (hasChords) {
                List<Role> chord = stroke.roles().stream().filter(role -> !role.equals(Role.BASS) && role.kind() != Role.Kind.FIFTH_BELOW && role.kind() != Role.Kind.WALKING
                        && !(stroke.roles().size() == 1 && figure.manner().line().contains(role))).toList();
                if (!chord.isEmpty()) {
                    kept.add(stroke.playing(chord, Mark.TOE, stroke.code()));
                }
            } else {
                kept.add(stroke);
            }
        }
        kept.forEach(stroke -> heard[stroke.cut()] = true);
        strokes.stream().filter(stroke -> !heard[stroke.cut()]).forEach(stroke -> {
            heard[stroke.cut()] = true;
            kept.add(stroke.playing(List.of(Role.GUIDE), Mark.TOE, stroke.code()));
        });
        strokes.clear();
        strokes.addAll(kept);
        strokes.sort(Comparator.comparingInt(Planned::tick));
    }

    private void leadIn() {
        List<List<Planned>> byCut = new ArrayList<>();
        cuts.forEach(cut -> byCut.add(new ArrayList<>()));
        strokes.forEach(stroke -> byCut.get(stroke.cut()).add(stroke));
        for (Cut cut : cuts) {
            Optional<Cut> next = Optional.of(cut.index() + 1).filter(after -> after < cuts.size() && cuts.get(after).tick() == cut.end()).map(cuts::get);
            Optional<LeadIn> wanted = cut.choices().leadIn().or(() -> cut.choices().figure().manner().leadIn().flatMap(LeadIn::named));
            List<Planned> here = byCut.get(cut.index());
            if (here.stream().anyMatch(Basses::isLead)) {
                keepWritten(cut, here, next.filter(after -> !after.early()).flatMap(after -> wanted.or(() -> LeadIn.named("scale")).filter(each -> !each.steps().isEmpty())
                        .map(each -> each.between(cut.chord(), after.chord()))));
            } else if (wanted.isPresent() && next.isPresent()) {
                insert(cut, here, next.get(), byCut.get(next.get().index()), wanted.get().between(cut.chord(), next.get().chord()));
            }
        }
        strokes.clear();
        byCut.forEach(strokes::addAll);
    }

    private static boolean isLead(Planned stroke) {
        return stroke.roles().get(0).kind() == Role.Kind.LEAD_IN;
    }

    /** The figure's own lead-in strokes take the last steps of the lead-in; without one the stroke before sounds on. */
    private static void keepWritten(Cut cut, List<Planned> here, Optional<LeadIn> leadIn) {
        List<Planned> own = here.stream().filter(Basses::isLead).toList();
        for (int i = 0; i < own.size(); i++) {
            int at = here.indexOf(own.get(i));
            if (leadIn.isPresent()) {
                here.set(at, lead(cut, own.get(i).tick(), own.get(i).ticks(), Math.max(0, leadIn.get().steps().size() - own.size() + i)));
                continue;
            }
            here.remove(at);
            int end = own.get(i).end();
            for (int before = at - 1; before >= 0; before--) {
                if (here.get(before).hand() == Side.LEFT) {
                    here.set(before, here.get(before).until(Math.max(end, here.get(before).end())));
                    break;
                }
            }
        }
    }

    private static Planned lead(Cut cut, int tick, int ticks, int step) {
        return new Planned(cut.index(), cut.bar().index(), tick, ticks, Side.LEFT, List.of(LEAD), false, false, Mark.LEAD, Planned.LEAD, step);
    }

    private static void insert(Cut cut, List<Planned> here, Cut next, List<Planned> after, LeadIn leadIn) {
        int from = next.tick() - leadIn.lasts();
        // A walk up begins on the chord's own root.
        boolean room = from == cut.tick() && leadIn.when().isPresent() && cut.chord().over().isEmpty() || from - cut.tick() >= Ticks.PER_QUARTER;
        boolean changes = next.begins() && next.chord().bass().chroma() != cut.chord().bass().chroma() && !next.early();
        boolean hasPlace = cut.choices().figure().hasLine() && cut.choices().hasBass() && !cut.choices().figure().plays(Role.Kind.WALKING)
                && cut.choices().line().filter(BassLine::walks).isEmpty();
        boolean anticipated = after.stream().anyMatch(stroke -> stroke.tick() < next.tick());
        if (leadIn.steps().isEmpty() || !room || !changes || !hasPlace || anticipated || here.stream().anyMatch(stroke -> stroke.code().equals(Planned.ENDING))) {
            return;
        }
        here.removeIf(stroke -> stroke.hand() == Side.LEFT && stroke.tick() >= from);
        here.replaceAll(stroke -> stroke.hand() == Side.LEFT && stroke.end() > from ? stroke.until(from) : stroke);
        for (int i = 0; i < leadIn.steps().size(); i++) {
            LeadIn.Step step = leadIn.steps().get(i);
            here.add(lead(cut, next.tick() + step.before(), step.ticks(), i));
        }
    }
}
