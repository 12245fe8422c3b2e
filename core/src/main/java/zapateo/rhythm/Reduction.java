package zapateo.rhythm;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** A figure made easier by itself: its rhythm stays what it is, its notes get fewer (FAULTS L34). */
public enum Reduction {
    /** Its basses alone, where they have a rhythm of their own. */
    BASSES {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            List<FigureStroke> basses = bar.stream().filter(figure::isLine).toList();
            boolean own = basses.size() > 2
                    || basses.stream().anyMatch(stroke -> stroke.tick() % meter.beatTicks() != 0 || stroke.ofNext());
            return own ? basses : List.of();
        }
    },
    /** Two tones in the place of a chord. */
    SHELLS {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            return bar.stream()
                    .map(stroke ->
                            stroke.roles().equals(List.of(Role.CLOSE)) ? stroke.playing(List.of(Role.GUIDE)) : stroke)
                    .toList();
        }
    },
    /** All of it on its bass, where it is nothing but basses or nothing but chords. */
    ONE_KEY {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            boolean basses = bar.stream().allMatch(stroke -> figure.isLine(stroke) || stroke.mark() == Mark.HEEL);
            boolean chords = bar.stream()
                    .allMatch(stroke ->
                            stroke.hand() == Side.LEFT && stroke.roles().get(0).isAlone());
            return basses || chords
                    ? bar.stream()
                            .map(stroke -> stroke.plays(Role.Kind.WALKING)
                                    ? stroke
                                    : stroke.playing(List.of(stroke.ofNext() ? NEXT_BASS : Role.BASS)))
                            .toList()
                    : List.of();
        }
    },
    /** Of its chords the first of a bar, in two tones. */
    FIRST_SHELL {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            return SHELLS.of(figure, meter, FIRST_CHORD.of(figure, meter, bar));
        }
    },
    /** Of its chords one in a bar: the one that is leaned on, else the first. */
    FIRST_CHORD {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            List<FigureStroke> chords = bar.stream()
                    .filter(stroke -> !figure.isLine(stroke)
                            && stroke.mark() == Mark.TOE
                            && (stroke.roles().size() > 1
                                    || stroke.roles().get(0).isAlone()))
                    .toList();
            Optional<FigureStroke> one = chords.stream()
                    .filter(FigureStroke::accent)
                    .findFirst()
                    .or(() -> chords.stream().findFirst());
            return bar.stream()
                    .filter(stroke -> !chords.contains(stroke) || stroke.equals(one.orElseThrow()))
                    .toList();
        }
    },
    /** Without what it strikes early for the next chord, where it stays off the beat all the same. */
    UNPUSHED {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            List<FigureStroke> kept =
                    bar.stream().filter(stroke -> !stroke.ofNext()).toList();
            return kept.stream().anyMatch(stroke -> stroke.tick() % meter.beatTicks() != 0) ? kept : List.of();
        }
    },
    /** What it has on the beats, where it runs in single notes. */
    BEATS {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            return running(figure, bar, meter, stroke -> stroke.tick() % meter.beatTicks() == 0);
        }
    },
    /** And of these what it has on the strong ones, and on the last. */
    STRONG_AND_LAST {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            return running(
                    figure,
                    bar,
                    meter,
                    stroke -> meter.isStrong(stroke.tick()) || stroke.tick() == meter.barTicks() - meter.beatTicks());
        }
    },
    STRONG {
        @Override
        List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar) {
            return running(figure, bar, meter, stroke -> meter.isStrong(stroke.tick()));
        }
    };

    private static final Role NEXT_BASS = Role.parse(">1");

    /** What is left of a bar; nothing where it would be no figure any more. */
    abstract List<FigureStroke> of(Figure figure, Meter meter, List<FigureStroke> bar);

    private static List<FigureStroke> running(
            Figure figure, List<FigureStroke> bar, Meter meter, Predicate<FigureStroke> stays) {
        // Basses off the beat are the style itself.
        boolean pushes = bar.stream().allMatch(figure::isLine)
                && bar.stream().anyMatch(stroke -> stroke.tick() % meter.beatTicks() != 0);
        boolean runs = bar.stream()
                .allMatch(stroke -> stroke.hand() == Side.LEFT
                        && stroke.roles().size() == 1
                        && !stroke.roles().get(0).isOfClose()
                        && stroke.length() != FigureStroke.TO_THE_END);
        List<FigureStroke> kept = runs && !pushes ? bar.stream().filter(stays).toList() : List.of();
        return kept.size() < 2
                ? List.of()
                : IntStream.range(0, kept.size())
                        .mapToObj(i -> kept.get(i)
                                .lasting((i + 1 < kept.size() ? kept.get(i + 1).tick() : meter.barTicks())
                                        - kept.get(i).tick()))
                        .toList();
    }

    /** The figure with fewer notes; empty where nothing would be left out, or too much. */
    public Optional<Figure> of(Figure figure) {
        Map<Meter, List<List<FigureStroke>>> bars = new HashMap<>();
        for (Map.Entry<Meter, List<List<FigureStroke>>> each : figure.bars().entrySet()) {
            List<List<FigureStroke>> reduced = each.getValue().stream()
                    .map(bar -> of(figure, each.getKey(), bar))
                    .toList();
            if (reduced.stream().noneMatch(List::isEmpty)) {
                bars.put(each.getKey(), reduced);
            }
        }
        return bars.isEmpty() || bars.size() < figure.bars().size() || bars.equals(figure.bars())
                ? Optional.empty()
                : Optional.of(figure.playing(bars));
    }
}
