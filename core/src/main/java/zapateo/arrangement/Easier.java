package zapateo.arrangement;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntFunction;
import zapateo.choice.Options;
import zapateo.hand.Difficulty;
import zapateo.hand.Pianist;
import zapateo.lefthand.LeftHandChoices;
import zapateo.part.Mending;
import zapateo.part.Reason;
import zapateo.part.Stroke;
import zapateo.refusal.Refused;
import zapateo.rhythm.Mark;
import zapateo.song.Bar;
import zapateo.song.Song;

/**
 * The same place of a song, played more simply: the highest level that is easier there, with what is lost and what is
 * won.
 */
public final class Easier {

    /** Less than this is no ease that a hand would feel (the project's own choice). */
    private static final double FELT = 2;

    private static final double TEMPO_FELT = 1.02;

    private Easier() {}

    /**
     * A way to make some bars easier.
     *
     * @param level to be chosen for these bars
     * @param before of these bars as they are
     * @param after of these bars at the level
     * @param lost what is not played any more
     * @param won what is easier
     */
    public record Way(Level level, Difficulty before, Difficulty after, List<Reason> lost, List<Reason> won) {}

    /**
     * What would help in some bars; empty where they are as easy as they get.
     *
     * @param bars as numbered in the chart
     * @throws Refused naming what was given and what was expected
     */
    public static Optional<Way> in(Choices.Run bars, Arranger arranger, Song song, Choices choices, Pianist pianist) {
        Choices settled = choices.with(SongChoice.WAYS, new LevelLadder(arranger).ways(song, choices, pianist));
        Arrangement now = arranger.arrange(song, settled, pianist);
        List<Bar> here =
                song.bars().stream().filter(bar -> bars.holds(bar.number())).toList();
        if (here.isEmpty()) {
            throw new Refused("bars " + bars + ": the song has none of them");
        }
        Difficulty before = of(now, bars);
        for (int level = Level.FULLEST; level >= Level.EASIEST; level--) {
            Choices.Override override = new Choices.Override(
                    bars, Optional.empty(), Optional.empty(), Options.OPEN.with(SongChoice.LEVEL, level));
            Arrangement easier = arranger.arrange(song, settled.override(override), pianist);
            Difficulty after = of(easier, bars);
            if (after.total() <= before.total() - FELT) {
                return Optional.of(new Way(
                        Level.of(level),
                        before,
                        after,
                        lost(now, easier, bars),
                        won(now, easier, bars, before, after)));
            }
        }
        return Optional.empty();
    }

    private static Difficulty of(Arrangement arrangement, Choices.Run bars) {
        List<Bar> all = arrangement.song().bars();
        return arrangement
                .play()
                .of(all.stream()
                        .filter(bar -> bars.holds(bar.number()))
                        .map(Bar::index)
                        .toList());
    }

    private static List<Reason> lost(Arrangement now, Arrangement easier, Choices.Run bars) {
        List<Reason> lost = new ArrayList<>();
        String before = figures(now, bars);
        String after = figures(easier, bars);
        if (!before.equals(after)) {
            lost.add(Reason.of("easier-figure", Map.of("from", before, "to", after)));
        }
        fewer("easier-notes", now, easier, bars, stroke -> stroke.notes().size(), lost);
        fewer("easier-lead-ins", now, easier, bars, stroke -> stroke.mark() == Mark.LEAD ? 1 : 0, lost);
        fewer(
                "easier-wide",
                now,
                easier,
                bars,
                stroke -> stroke.highest().midi() - stroke.lowest().midi() >= 12 ? 1 : 0,
                lost);
        return lost;
    }

    private static List<Reason> won(
            Arrangement now, Arrangement easier, Choices.Run bars, Difficulty before, Difficulty after) {
        List<Reason> won = new ArrayList<>();
        won.add(Reason.of(
                "easier-difficulty",
                Map.of(
                        "from",
                        String.valueOf(Math.round(before.total())),
                        "to",
                        String.valueOf(Math.round(after.total())))));
        double slow = fastest(now, bars);
        double fast = fastest(easier, bars);
        if (fast > slow * TEMPO_FELT) {
            won.add(Reason.of(
                    "easier-tempo",
                    Map.of("from", String.valueOf(Math.round(slow)), "to", String.valueOf(Math.round(fast)))));
        }
        fewer(
                "easier-altered",
                now,
                easier,
                bars,
                stroke -> stroke.mended(Mending.Cause.HAND).isPresent() ? 1 : 0,
                won);
        return won;
    }

    private static double fastest(Arrangement arrangement, Choices.Run bars) {
        return arrangement.song().bars().stream()
                .filter(bar -> bars.holds(bar.number()))
                .mapToDouble(bar -> arrangement.maxTempo(bar.index()))
                .min()
                .orElseThrow();
    }

    private static void fewer(
            String code,
            Arrangement now,
            Arrangement easier,
            Choices.Run bars,
            ToIntFunction<Stroke> counted,
            List<Reason> said) {
        int before = strokes(now, bars).stream().mapToInt(counted).sum();
        int after = strokes(easier, bars).stream().mapToInt(counted).sum();
        if (after < before) {
            said.add(Reason.of(
                    code,
                    new HashMap<>(Map.of(
                            "from",
                            String.valueOf(before),
                            "to",
                            String.valueOf(after),
                            "less",
                            String.valueOf(before - after)))));
        }
    }

    private static List<Stroke> strokes(Arrangement arrangement, Choices.Run bars) {
        List<Bar> all = arrangement.song().bars();
        return arrangement.left().strokes().stream()
                .filter(stroke -> bars.holds(all.get(stroke.bar()).number()))
                .toList();
    }

    private static String figures(Arrangement arrangement, Choices.Run bars) {
        return String.join(
                ", ",
                strokes(arrangement, bars).stream()
                        .map(stroke ->
                                arrangement.laid().chords().get(stroke.chord()).choices())
                        .map(LeftHandChoices::figure)
                        .map(figure -> figure.name())
                        .distinct()
                        .toList());
    }
}
