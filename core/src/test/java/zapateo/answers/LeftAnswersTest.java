package zapateo.answers;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zapateo.answers.Answer.Struck;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Arranger;
import zapateo.arrangement.Choices;
import zapateo.hand.Hand;
import zapateo.lefthand.LeftChoice;
import zapateo.rhythm.FigureBook;
import zapateo.rhythm.Liveliness;
import zapateo.song.ChartParser;
import zapateo.song.Song;

/** What we play beside what a fine player would (answers/left.jsonl, worked out by hand for the project). */
class LeftAnswersTest {

    private static final Arranger ARRANGER = new Arranger(FigureBook.open());
    private static final int THIRD = 4;
    /** Lines that are walked anew each time are not compared note for note. */
    private static final Set<String> WALKED = Set.of("walking", "gospel-octave-walk");

    /** Share of bars that have to be met. */
    private static final double MET = 0.58;

    private static Arrangement ours(Answer answer) {
        Song song = ChartParser.parse(answer.chart()).song().orElseThrow();
        Choices choices = Choices.figure(answer.figure());
        return ARRANGER.arrange(song, answer.ends() ? choices : choices.endsHeld(false), Hand.of(201));
    }

    /** The same onsets, the same bass, chords of the same tones with their tops within a third. */
    private static boolean meets(List<Struck> ours, List<Struck> answer) {
        if (ours.size() != answer.size()) {
            return false;
        }
        for (int i = 0; i < ours.size(); i++) {
            if (!meets(ours.get(i), answer.get(i))) {
                return false;
            }
        }
        return true;
    }

    private static boolean meets(Struck ours, Struck answer) {
        List<Integer> played = ours.keys();
        List<Integer> wanted = answer.keys();
        boolean single = played.size() == 1 || wanted.size() == 1;
        // A chord with its bass in it is on the same bass; one above a bass of its own may be another inversion.
        boolean bass = played.get(0) % 12 == wanted.get(0) % 12 || isClose(played) && isClose(wanted);
        return ours.at() == answer.at()
                && (single
                        ? played.equals(wanted)
                        : bass && tones(played).equals(tones(wanted)) && Math.abs(top(played) - top(wanted)) <= THIRD);
    }

    private static boolean isClose(List<Integer> keys) {
        return keys.get(0) >= 48;
    }

    private static Set<Integer> tones(List<Integer> keys) {
        return keys.stream().map(key -> key % 12).collect(Collectors.toCollection(TreeSet::new));
    }

    private static int top(List<Integer> keys) {
        return keys.get(keys.size() - 1);
    }

    @Test
    void most_bars_are_as_a_fine_player_would_have_them() throws IOException {
        List<String> other = new ArrayList<>();
        int bars = 0;
        int met = 0;
        for (Answer answer : Answer.of("left.jsonl")) {
            if (WALKED.contains(answer.figure()) || answer.id().startsWith("live-")) {
                continue;
            }
            List<List<Struck>> ours = Answer.ours(ours(answer), answer.bothHands());
            List<String> lines = new ArrayList<>();
            for (int bar = 0; bar < answer.bars().size(); bar++) {
                List<Struck> here = ours.get(bar);
                bars++;
                if (meets(here, answer.bars().get(bar))
                        || answer.also().containsKey(bar)
                                && meets(here, answer.also().get(bar))) {
                    met++;
                } else {
                    lines.add("  " + (bar + 1) + "  ours " + here + "\n     them "
                            + answer.bars().get(bar));
                }
            }
            other.add(answer.id() + " " + answer.figure() + ": "
                    + (answer.bars().size() - lines.size()) + " of "
                    + answer.bars().size() + "  "
                    + answer.chart().replaceAll("(?s).*\\[A\\]\\n", "").strip());
            other.addAll(lines);
        }
        String told = String.join("\n", other) + "\n" + met + " of " + bars;
        Files.writeString(Path.of("target", "answers-left.txt"), told);
        assertThat((double) met / bars).as(told).isGreaterThanOrEqualTo(MET);
    }

    /**
     * Which bars are played otherwise: with *some* the one with the best reason, with *much* most of those a fine
     * player would change, each within a bar.
     */
    @Test
    void what_is_changed_has_the_reasons_a_fine_player_has() {
        int first = 0;
        int all = 0;
        int found = 0;
        List<String> other = new ArrayList<>();
        List<Answer> lively = Answer.of("left.jsonl").stream()
                .filter(answer -> !answer.changed().isEmpty())
                .toList();
        for (Answer answer : lively) {
            Set<Integer> some = changed(answer, Liveliness.SOME);
            Set<Integer> much = changed(answer, Liveliness.MUCH);
            first += isNear(some, answer.changed().get(1)) ? 1 : 0;
            all += answer.changed().size();
            found += (int) answer.changed().values().stream()
                    .filter(bar -> isNear(much, bar))
                    .count();
            other.add(answer.id() + " " + answer.figure() + " some " + some + " much " + much + " wanted "
                    + answer.changed());
        }
        assertThat(first).as("%s", other).isGreaterThanOrEqualTo(lively.size() - 1);
        assertThat(found).as("%s", other).isGreaterThanOrEqualTo(all * 3 / 4);
    }

    private static boolean isNear(Set<Integer> bars, int wanted) {
        return bars.stream().anyMatch(bar -> Math.abs(bar - wanted) <= 1);
    }

    private static Set<Integer> changed(Answer answer, Liveliness much) {
        Song song = ChartParser.parse(answer.chart()).song().orElseThrow();
        List<List<Struck>> plain =
                Answer.ours(ARRANGER.arrange(song, Choices.figure(answer.figure()), Hand.of(201)), false);
        List<List<Struck>> lively = Answer.ours(
                ARRANGER.arrange(song, Choices.figure(answer.figure()).with(LeftChoice.LIVELINESS, much), Hand.of(201)),
                false);
        Set<Integer> bars = new TreeSet<>();
        for (int bar = 0; bar < plain.size(); bar++) {
            if (!onsets(plain.get(bar)).equals(onsets(lively.get(bar)))) {
                bars.add(bar);
            }
        }
        return bars;
    }

    /** When, and which tones: where they lie is the search's. */
    private static List<String> onsets(List<Struck> bar) {
        return bar.stream()
                .map(each -> each.at() + ":"
                        + each.keys().stream().map(key -> key % 12).toList())
                .toList();
    }
}
