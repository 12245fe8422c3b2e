package zapateo.server.form;

import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.validation.Valid;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import zapateo.arrangement.Arrangement;
import zapateo.arrangement.Building;
import zapateo.choice.Choice;
import zapateo.choice.Options;
import zapateo.colour.Form;
import zapateo.colour.Formed;
import zapateo.colour.WrittenOut;
import zapateo.rhythm.Figure;
import zapateo.server.arrangements.ArrangeRequest;
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.bounds.NameOf;
import zapateo.server.charts.EditController;
import zapateo.server.problems.ReasonWords;
import zapateo.server.work.Computes;
import zapateo.song.Bar;
import zapateo.song.ChartText;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.SongPart;

/**
 * How a song is built: what comes before it, how often its sections are played, what comes behind, how long all of it
 * is.
 */
@Computes
@RestController
@RequestMapping("/api/form")
public class FormController {

    private final Arranging arranging;
    private final ReasonWords words;

    FormController(Arranging arranging, ReasonWords words) {
        this.arranging = arranging;
        this.words = words;
    }

    /**
     * @param ms how long all of it is at the song's own tempos, fermatas held
     * @param bars how many are played
     * @param sections in the order they are played
     */
    public record FormView(long ms, int bars, List<FormSectionView> sections) {}

    /**
     * A section as it is played.
     *
     * @param place in the chart's own order, from 1; 0 of what the form adds
     * @param time which of its times it is
     * @param times how often the form has it played
     * @param first index of its first bar
     * @param bars how many
     * @param number of its first bar in the chart
     * @param figures heard in it, by their names
     * @param changes what is another than in the section before: a metre, a tempo
     * @param vamp whether some of it goes round until told
     * @param colours how many of its bars have other chords than the chart
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record FormSectionView(
            @NameOf(SongPart.class) String part,

            String name,
            int pass,
            int place,
            int time,
            int times,
            int first,
            int bars,
            int number,
            long ms,
            long lasts,
            String key,
            List<String> figures,
            List<String> changes,
            boolean vamp,
            int colours) {}

    @PostMapping
    public FormView form(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        // What cannot be built is refused here, where a form is asked for; elsewhere it waits and is said.
        Formed.check(asked.song(), Building.of(asked.choices().song()));
        Arrangement arrangement = arranging.arrange(request).arrangement();
        Song song = arrangement.song();
        Iterator<int[]> places =
                places(asked.song(), Building.of(asked.choices().song())).iterator();
        List<FormSectionView> sections = new ArrayList<>();
        Section before = null;
        for (Section section : song.sections()) {
            int[] place = section.part() == SongPart.CHART && places.hasNext() ? places.next() : new int[] {0, 1, 1};
            Bar first = section.bars().get(0);
            Bar last = section.bars().get(section.bars().size() - 1);
            double from = arrangement.timeline().ms(first.tick());
            sections.add(new FormSectionView(
                    section.part().id(),
                    section.name(),
                    section.pass(),
                    place[0],
                    place[1],
                    place[2],
                    first.index(),
                    section.bars().size(),
                    first.number(),
                    Math.round(from),
                    Math.round(arrangement.timeline().ms(last.end()) - from),
                    first.key().toString(),
                    figures(arrangement, section),
                    changes(section, before),
                    section.bars().stream().anyMatch(bar -> bar.vamp() >= 0),
                    colours(arrangement, section)));
            before = section;
        }
        return new FormView(
                Math.round(arrangement.timeline().ms(song.ticks())), song.bars().size(), sections);
    }

    /** For each section as it is played its place in the chart, which of its times it is and how many there are. */
    private static List<int[]> places(Song chart, Form form) {
        return IntStream.rangeClosed(1, chart.sections().size())
                .boxed()
                .flatMap(place -> {
                    int times = form.times().getOrDefault(place, 1);
                    return IntStream.rangeClosed(1, times).mapToObj(time -> new int[] {place, time, times});
                })
                .toList();
    }

    private static List<String> figures(Arrangement arrangement, Section section) {
        return section.bars().stream()
                .map(bar -> arrangement.holding().get(bar.index()).heard().figure())
                .map(Figure::name)
                .distinct()
                .toList();
    }

    private static List<String> changes(Section section, Section before) {
        List<String> changes = new ArrayList<>();
        Bar last = before == null ? null : before.bars().get(before.bars().size() - 1);
        for (Bar bar : section.bars()) {
            if (last != null && !bar.meter().equals(last.meter())) {
                changes.add(bar.meter().toString());
            }
            if (last != null && !bar.tempo().equals(last.tempo())) {
                changes.add("♩ " + Math.round(bar.tempo().quartersPerMinute()));
            }
            last = bar;
        }
        return changes.stream().distinct().toList();
    }

    private static int colours(Arrangement arrangement, Section section) {
        return (int) section.bars().stream()
                .filter(bar -> !bar.chords()
                        .equals(arrangement
                                .coloured()
                                .borrowed()
                                .bars()
                                .get(bar.index())
                                .chords()))
                .count();
    }

    /**
     * @param chart as it is played: form and colours in it, every repeat written out
     * @param choices without the form and the colours that are in the chart now
     * @param moved where bars went, once for each time they are played
     */
    public record FormWrittenView(String chart, ChoicesRequest choices, List<EditController.MovedView> moved) {}

    /** The form written into the chart, with the colours the choices keep. */
    @PostMapping("/write")
    public FormWrittenView write(@Valid @RequestBody ArrangeRequest request) {
        Arranging.Asked asked = arranging.asked(request);
        ChoicesRequest choices = request.choices() == null ? ChoicesRequest.NONE : request.choices();
        WrittenOut.Unfolded unfolded = WrittenOut.unfolded(
                Formed.of(asked.song(), Building.of(asked.choices().song())).song(),
                asked.choices().colours());
        Options plain = asked.choices().song();
        for (Choice<?> choice : Building.CHOICES) {
            plain = plain.without(choice);
        }
        return new FormWrittenView(
                ChartText.write(unfolded.song()),
                choices.song(plain)
                        .colours(unfolded.left().stream()
                                .map(ChoicesRequest.ColourRequest::of)
                                .toList()),
                unfolded.moves().stream()
                        .filter(Objects::nonNull)
                        .map(move -> new EditController.MovedView(
                                move.from(), move.to().orElse(null), move.pass().orElse(null)))
                        .toList());
    }
}
