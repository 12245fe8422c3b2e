package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import zapateo.rhythm.Figure;
import zapateo.rhythm.FigureBook;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.songs.OtherArrangements.NamedChoices;
import zapateo.song.ChartParser;
import zapateo.song.Song;

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

        static SongLineView of(SongRow row, FigureBook book) {
            String figureId = row.choices().figure();
            String figure = book.figure(figureId).map(Figure::name).orElse(figureId);
            int level = book.figure(figureId).map(each -> each.suits().level()).orElse(0);
            return ChartParser.parse(row.chart()).song().map(song -> line(row, song, figureId, figure, level))
                    .orElseGet(() -> new SongLineView(row.id(), row.title(), "", "", 0, 0, "", 0, List.of(), figureId, figure, level, row.version(), row.updatedAt()));
        }

        private static SongLineView line(SongRow row, Song song, String figureId, String figure, int level) {
            return new SongLineView(row.id(), row.title(), song.key().toString(), song.meter().toString(), song.tempo().bpm(), song.tempo().beatTicks(),
                    song.feel().id(), song.writtenBars().size(), song.written().stream().map(section -> section.name()).filter(name -> !name.isEmpty()).toList(),
                    figureId, figure, level, row.version(), row.updatedAt());
        }
    }

    public record VersionView(int version, String title, String chart, ChoicesRequest choices, String arrangement, List<NamedChoices> others, OffsetDateTime savedAt) {

        static VersionView of(VersionRow row) {
            return new VersionView(row.version(), row.title(), row.chart(), row.choices(), row.arrangement(), row.others().all(), row.savedAt());
        }
    }
}
