package zapateo.server.songs;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import zapateo.lefthand.LeftChoice;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.arrangements.Sieve;
import zapateo.server.problems.LeftOut;

/**
 * A song as it is kept, with its version: send that back when changing it.
 *
 * @param arrangementId of the arrangement that is open; it lasts, whatever the arrangement is called
 * @param leftOut what is kept of its choices and cannot be used: it is played with the usual in its place, a sentence
 *     each
 * @param changedFigures figures of one's own that were changed, or taken away, since this was kept: by their ids the
 *     hash of what they said, see {@code /api/figures/texts}
 */
public record SongView(
        UUID id,
        String title,
        String chart,
        ChoicesRequest choices,
        UUID arrangementId,
        String arrangement,
        List<NamedChoices> others,
        Map<String, UUID> changedFigures,
        List<String> leftOut,
        int version,
        OffsetDateTime createdAt,
        OffsetDateTime updatedAt) {

    /** @param sift what of choices can be used */
    static SongView of(SongRow row, Map<String, UUID> changedFigures, Function<ChoicesRequest, Sieve.Sifted> sift) {
        LeftOut leftOut = new LeftOut();
        ChoicesRequest choices = sifted(row.choices(), "", sift, leftOut);
        List<NamedChoices> others = row.others().all().stream()
                .map(each -> new NamedChoices(
                        each.id(), each.name(), sifted(each.choices(), each.name() + ": ", sift, leftOut)))
                .toList();
        return new SongView(
                row.id(),
                row.title(),
                row.chart(),
                choices,
                row.arrangementId(),
                row.arrangement(),
                others,
                changedFigures,
                leftOut.told(),
                row.version(),
                row.createdAt(),
                row.updatedAt());
    }

    private static ChoicesRequest sifted(
            StoredChoices kept, String path, Function<ChoicesRequest, Sieve.Sifted> sift, LeftOut leftOut) {
        Sieve.Sifted sifted = sift.apply(kept.choices());
        leftOut.addAll(path, sifted.leftOut());
        return sifted.choices();
    }

    private static List<NamedChoices> views(StoredArrangement.Others others) {
        return others.all().stream()
                .map(each ->
                        new NamedChoices(each.id(), each.name(), each.choices().choices()))
                .toList();
    }

    /**
     * A line of the repertoire; what the chart does not tell is empty or 0.
     *
     * @param bpm of the metre's beat
     * @param bars how many are written
     */
    public record SongLineView(
            UUID id,
            String title,
            String key,
            String meter,
            double bpm,
            int beatTicks,
            String feel,
            int bars,
            List<String> sections,
            String figureId,
            String figure,
            int level,
            int version,
            OffsetDateTime updatedAt) {

        static SongLineView of(LineRow row, FigureBook book) {
            String figureId = row.figure() == null ? LeftChoice.FIGURE.usual().orElseThrow() : row.figure();
            Optional<Figure> figure = book.figure(figureId);
            Summary summary = row.summary();
            return new SongLineView(
                    row.id(),
                    row.title(),
                    summary.key(),
                    summary.meter(),
                    summary.bpm(),
                    summary.beatTicks(),
                    summary.feel(),
                    summary.bars(),
                    summary.sections(),
                    figureId,
                    figure.map(Figure::name).orElse(figureId),
                    figure.map(each -> each.suits().level()).orElse(0),
                    row.version(),
                    row.updatedAt());
        }
    }

    /**
     * A state a song was saved in.
     *
     * @param figure of the arrangement that was open
     * @param name the player's own for it; null for none
     */
    public record VersionView(
            int version,
            String title,
            String arrangement,
            String figure,
            @Schema(types = {"string", "null"}) String name,
            OffsetDateTime savedAt) {

        static VersionView of(VersionRow row) {
            return new VersionView(
                    row.version(),
                    row.title(),
                    row.arrangement(),
                    row.figure() == null ? LeftChoice.FIGURE.usual().orElseThrow() : row.figure(),
                    row.name(),
                    row.savedAt());
        }
    }

    /**
     * All that a song was in a state.
     *
     * @param arrangementId null in states from before arrangements had ids
     */
    public record StateView(
            int version,
            String title,
            String chart,
            ChoicesRequest choices,
            @Schema(types = {"string", "null"}) UUID arrangementId,
            String arrangement,
            List<NamedChoices> others,
            OffsetDateTime savedAt) {

        static StateView of(Versions.State state) {
            return new StateView(
                    state.row().version(),
                    state.row().title(),
                    state.chart(),
                    state.open().choices().choices(),
                    state.open().id(),
                    state.open().name(),
                    views(state.others()),
                    state.row().savedAt());
        }
    }
}
