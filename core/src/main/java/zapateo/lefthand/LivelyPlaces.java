package zapateo.lefthand;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Ticks;
import zapateo.song.Bar;
import zapateo.song.ChordSpan;
import zapateo.song.Section;
import zapateo.song.Song;
import zapateo.song.TuneNote;

/**
 * Where a song gives a player reason to play a bar otherwise (HANDBOOK §7a): the end of a section and of a phrase,
 * where the tune rests, where a chord stays, what comes again; never the first two bars of a section's first time nor
 * the bar before the last.
 */
final class LivelyPlaces {

    private static final int PHRASE = 4;
    private static final int FIRST_BARS = 2;
    private static final int TUNE_RESTS = Ticks.PER_QUARTER * 3 / 2;
    /** A bar in so many is changed. */
    private static final int SOME = 8;

    private static final int MUCH = 4;
    /** The third bar of a chord that stays. */
    private static final int STAYS = 2;

    private static final double JITTER = 12;

    private LivelyPlaces() {}

    /**
     * A bar with what speaks for it.
     *
     * @param reason how much
     * @param says the chords and the tune around it, so that other songs throw other dice
     */
    record Place(Bar bar, Set<Spice.Where> where, double reason, int says) {

        double weight(long seed) {
            return reason + random(seed, 1).nextDouble(JITTER);
        }

        int dice(long seed, int sides) {
            return sides <= 0 ? 0 : random(seed, 2).nextInt(sides);
        }

        private SplittableRandom random(long seed, int throwOf) {
            return new SplittableRandom(seed * 1_000_003 + says * 31L + bar.number() * 7L + bar.pass() + throwOf * 97L);
        }
    }

    /** Every bar that may be changed, in the song's order. */
    static List<Place> of(Song song, Map<Integer, List<Cut>> cutsOf) {
        List<Place> places = new ArrayList<>();
        List<Section> sections = song.sections();
        Map<String, Long> times =
                sections.stream().collect(Collectors.groupingBy(Section::name, Collectors.counting()));
        for (int at = 0; at < sections.size(); at++) {
            Section section = sections.get(at);
            boolean last = at == sections.size() - 1;
            boolean heard = heard(sections, at);
            List<Bar> bars = section.bars();
            for (int i = 0; i < bars.size(); i++) {
                Bar bar = bars.get(i);
                boolean ends = i == bars.size() - 1;
                Set<Spice.Where> where = EnumSet.noneOf(Spice.Where.class);
                add(where, Spice.Where.SECTION, ends && !last);
                add(where, Spice.Where.RETURN, ends && !last && heard(sections, at + 1));
                add(where, Spice.Where.PHRASE, i % PHRASE == PHRASE - 1 && !ends);
                add(where, Spice.Where.REST, rests(bar));
                add(where, Spice.Where.AGAIN, heard && !last && i % 2 == 1);
                add(where, Spice.Where.ONCE, at > 0 && !last && times.get(section.name()) == 1);
                add(where, Spice.Where.FINALE, last && heard);
                Optional<Cut> first =
                        cutsOf.getOrDefault(bar.index(), List.of()).stream().findFirst();
                add(where, Spice.Where.CHANGE, first.filter(Cut::begins).isPresent());
                boolean stays = first.filter(cut -> cut.nth() == STAYS).isPresent();
                boolean turns = ends && !last && !kind(sections.get(at + 1)).equals(kind(section));
                places.add(new Place(bar, where, reason(where, stays, turns), says(bars, i)));
            }
        }
        return places;
    }

    /** A2 is another A. */
    private static String kind(Section section) {
        return section.name().replaceAll("[ \\d']+$", "");
    }

    private static void add(Set<Spice.Where> where, Spice.Where place, boolean holds) {
        if (holds) {
            where.add(place);
        }
    }

    private static double reason(Set<Spice.Where> where, boolean stays, boolean turns) {
        double reason = stays ? Spice.Where.STAYS : 0;
        for (Spice.Where each : where) {
            reason = Math.max(reason, each.reason());
        }
        return reason + (turns ? Spice.Where.TURNS : 0) + (where.contains(Spice.Where.REST) ? Spice.Where.STAYS : 0);
    }

    private static int says(List<Bar> bars, int at) {
        return bars.subList(Math.max(0, at - 1), Math.min(bars.size(), at + 2)).stream()
                .map(bar -> bar.chords().stream().map(ChordSpan::written).toList() + "/"
                        + bar.tune().stream()
                                .map(note -> note.tick() + ":" + note.pitch())
                                .toList())
                .toList()
                .hashCode();
    }

    /** Stretches of which one bar is changed: of eight bars or four inside a section, short sections taken together. */
    static List<List<Place>> stretches(List<Place> places, Map<Integer, List<Cut>> cutsOf) {
        List<List<Place>> stretches = new ArrayList<>();
        List<Place> open = new ArrayList<>();
        int length = 0;
        for (int i = 0; i < places.size(); i++) {
            Place place = places.get(i);
            Optional<Cut> first =
                    cutsOf.getOrDefault(place.bar().index(), List.of()).stream().findFirst();
            Liveliness much =
                    first.map(cut -> cut.choices().get(LeftChoice.LIVELINESS)).orElse(Liveliness.NONE);
            if (first.filter(cut -> may(cut, place)).isPresent() && i != places.size() - 2) {
                open.add(place);
            }
            length++;
            if (length >= (much == Liveliness.MUCH ? MUCH : SOME) || i == places.size() - 1) {
                stretches.add(open);
                open = new ArrayList<>();
                length = 0;
            }
        }
        return stretches;
    }

    /** The first two bars of a section's first time say what the groove is. */
    private static boolean may(Cut cut, Place place) {
        boolean again = place.where().contains(Spice.Where.AGAIN)
                || place.where().contains(Spice.Where.FINALE)
                || cut.bar().pass() > 1;
        return cut.choices().get(LeftChoice.LIVELINESS) != Liveliness.NONE
                && (cut.place().inSection() > FIRST_BARS || again);
    }

    private static boolean heard(List<Section> sections, int at) {
        return sections.subList(0, at).stream()
                .anyMatch(before -> before.name().equals(sections.get(at).name()));
    }

    /** The melody is silent, or holds its last note, for a beat and a half at the bar's end. */
    private static boolean rests(Bar bar) {
        List<TuneNote> tune = bar.tune();
        if (tune.stream().noneMatch(note -> note.pitch().isPresent())) {
            return false;
        }
        int from = tune.stream()
                .filter(note -> note.pitch().isPresent())
                .mapToInt(TuneNote::end)
                .max()
                .orElse(0);
        return bar.ticks() - from >= TUNE_RESTS;
    }
}
