package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import zapateo.arrangement.Choice;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.songs.OtherArrangements.NamedChoices;

/** A song as it is kept, with its version: send that back when changing it. */
public record SongView(UUID id, String title, String chart, ChoicesRequest choices, String arrangement, List<NamedChoices> others, int version, OffsetDateTime createdAt, OffsetDateTime updatedAt) {

    static SongView of(SongRow row) {
        return new SongView(row.id(), row.title(), row.chart(), row.choices(), row.arrangement(), row.others().all(), row.version(), row.createdAt(), row.updatedAt());
    }

    /**
     * A line of the repertoire; what the chart does not tell is empty or 0.
     *
     * @param bpm  of the metre's beat
     * @param bars how many are written
     */
    public record SongLineView(UUID id, String title, String key, String meter, double bpm, int beatTicks, String feel, int bars, List<String> sections,
                               String figureId, String figure, int level, int version, OffsetDateTime updatedAt) {

        static SongLineView of(LineRow row, FigureBook book) {
            String figureId = row.figure() == null ? Choice.FIGURE.usual().orElseThrow() : row.figure();
            Optional<Figure> figure = book.figure(figureId);
            Summary summary = row.summary();
            return new SongLineView(row.id(), row.title(), summary.key(), summary.meter(), summary.bpm(), summary.beatTicks(), summary.feel(), summary.bars(), summary.sections(), figureId,
                    figure.map(Figure::name).orElse(figureId), figure.map(each -> each.suits().level()).orElse(0), row.version(), row.updatedAt());
        }
    }

    public record VersionView(int version, String title, String chart, ChoicesRequest choices, String arrangement, List<NamedChoices> others, OffsetDateTime savedAt) {

        static VersionView of(VersionRow row) {
            return new VersionView(row.version(), row.title(), row.chart(), row.choices(), row.arrangement(), row.others().all(), row.savedAt());
        }
    }
}
