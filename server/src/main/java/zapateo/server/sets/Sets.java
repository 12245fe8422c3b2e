package zapateo.server.sets;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import zapateo.harmony.Key;
import zapateo.harmony.Transposition;
import zapateo.names.Names;
import zapateo.part.Reason;
import zapateo.practice.Evening;
import zapateo.refusal.Refused;
import zapateo.rhythm.Ticks;
import zapateo.search.Patience;
import zapateo.server.arrangements.Arranging;
import zapateo.server.arrangements.ChoicesRequest;
import zapateo.server.players.Player;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.Refusal;
import zapateo.server.songs.SongView;
import zapateo.server.songs.Songs;
import zapateo.song.ChartEdit;

/** Keeps sets and says what comes of them. */
@Service
class Sets {

    private static final int MS_A_MINUTE = 60_000;

    private final SetMapper mapper;
    private final Songs songs;
    private final Arranging arranging;
    private final ReasonWords words;

    Sets(SetMapper mapper, Songs songs, Arranging arranging, ReasonWords words) {
        this.mapper = mapper;
        this.songs = songs;
        this.arranging = arranging;
        this.words = words;
    }

    List<SetView.SetLineView> all(Player player) {
        return mapper.all(player.id()).stream()
                .map(row -> new SetView.SetLineView(
                        row.id(),
                        row.title(),
                        row.playedOn(),
                        row.place(),
                        (int) row.items().all().stream()
                                .filter(item -> !item.isBreak())
                                .count(),
                        row.version(),
                        row.updatedAt()))
                .toList();
    }

    SetRow get(Player player, UUID id) {
        return mapper.find(player.id(), id).orElseThrow(() -> Refusal.notFound("The set " + id));
    }

    @Transactional
    SetRow create(Player player, SetRequest request) {
        SetRow row = new SetRow(
                UUID.randomUUID(),
                player.id(),
                title(request),
                request.playedOn(),
                place(request),
                checked(player, request.items(), List.of()),
                1,
                now(),
                now());
        mapper.insert(row);
        return row;
    }

    @Transactional
    SetRow change(Player player, UUID id, SetRequest request) {
        if (request.version() == null) {
            throw Refusal.unusable("version: expected the version that was loaded");
        }
        SetRow present = get(player, id);
        SetRow next = new SetRow(
                id,
                player.id(),
                title(request),
                request.playedOn(),
                place(request),
                checked(player, request.items(), present.items().all()),
                request.version() + 1,
                present.createdAt(),
                now());
        if (mapper.update(next) == 0) {
            throw Refusal.stale(request.version(), get(player, id).version());
        }
        return next;
    }

    /** For the next evening: the same songs, no day. */
    @Transactional
    SetRow copy(Player player, UUID id) {
        SetRow present = get(player, id);
        SetRow next = new SetRow(
                UUID.randomUUID(),
                player.id(),
                present.title() + ", again",
                null,
                present.place(),
                present.items(),
                1,
                now(),
                now());
        mapper.insert(next);
        return next;
    }

    @Transactional
    void delete(Player player, UUID id) {
        if (mapper.delete(player.id(), id, now()) == 0) {
            throw Refusal.notFound("The set " + id);
        }
    }

    @Transactional
    SetRow restore(Player player, UUID id) {
        mapper.restore(player.id(), id);
        return get(player, id);
    }

    /** A song that was taken out of the repertoire stays where it stood, and says so; a new item has to be there. */
    private SetRow.Items checked(Player player, List<SetItem> items, List<SetItem> before) {
        for (int i = 0; i < items.size(); i++) {
            SetItem item = items.get(i);
            if (item.isBreak() && item.minutes() == null) {
                throw Refusal.unusable("items[" + i + "]: expected a song, or the minutes of a break");
            }
            boolean known = item.isBreak()
                    || before.stream().anyMatch(each -> item.song().equals(each.song()));
            if (!known && songs.found(player, item.song()).isEmpty()) {
                throw Refusal.unusable("items[" + i + "].song: expected a song of the repertoire");
            }
        }
        return new SetRow.Items(items);
    }

    private static String title(SetRequest request) {
        return request.title().isBlank() ? "An evening" : request.title().strip();
    }

    private static String place(SetRequest request) {
        return request.place() == null ? "" : request.place().strip();
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
    }

    SetView view(Player player, SetRow row) {
        List<SetView.SetItemView> items = new ArrayList<>();
        List<Evening.Piece> pieces = new ArrayList<>();
        int uncounted = 0;
        for (SetItem item : row.items().all()) {
            Told told = item.isBreak() ? Told.breakOf(item) : told(player, item, uncounted == 0);
            uncounted += told.isCounted() ? 0 : 1;
            items.add(told.view());
            pieces.add(told.piece());
        }
        List<SetView.TiringView> tiring = Evening.tiring(pieces).stream()
                .map(each -> {
                    String same = each.same() == Evening.Same.KEY
                            ? items.get(each.first()).key()
                            : String.valueOf(Math.round(pieces.get(each.first()).bpm()));
                    return new SetView.TiringView(
                            each.first(),
                            each.last(),
                            words.of(Reason.of(
                                    "tiring-" + Names.of(each.same()),
                                    Map.of("count", String.valueOf(each.last() - each.first() + 1), "same", same))));
                })
                .toList();
        return new SetView(
                row.id(),
                row.title(),
                row.playedOn(),
                row.place(),
                items,
                Math.round(1000 * Evening.seconds(pieces)),
                tiring,
                row.version(),
                row.updatedAt(),
                uncounted == 0 ? null : uncounted,
                null);
    }

    /**
     * An item as it is shown, and as the evening's rules hear it.
     *
     * @param isCounted whether there was time to find its length
     */
    private record Told(SetView.SetItemView view, Evening.Piece piece, boolean isCounted) {

        /** A song of which nothing is known but its title. */
        private static Told unknown(
                SetItem item,
                String title,
                boolean missing,
                List<SetView.ArrangementNameView> arrangements,
                boolean isCounted) {
            return new Told(
                    new SetView.SetItemView(item, title, "", null, 960, 0, missing, arrangements),
                    new Evening.Piece(Optional.empty(), 0, 0),
                    isCounted);
        }

        private static Told breakOf(SetItem item) {
            double minutes = item.minutes() == null ? 0 : item.minutes();
            return new Told(
                    new SetView.SetItemView(
                            item, "", "", null, 960, Math.round(minutes * MS_A_MINUTE), false, List.of()),
                    Evening.Piece.breakOf(minutes * 60),
                    true);
        }
    }

    /**
     * @param inTime whether there is time to find a length that is not known; where it ends meanwhile, the song is told
     *     without
     */
    private Told told(Player player, SetItem item, boolean inTime) {
        Optional<SongView> found = songs.found(player, item.song());
        if (found.isEmpty()) {
            return Told.unknown(item, "", true, List.of(), true);
        }
        SongView song = found.get();
        List<SetView.ArrangementNameView> arrangements =
                new ArrayList<>(List.of(new SetView.ArrangementNameView(song.arrangementId(), song.arrangement())));
        song.others().forEach(each -> arrangements.add(new SetView.ArrangementNameView(each.id(), each.name())));
        if (!inTime) {
            return Told.unknown(item, song.title(), false, arrangements, false);
        }
        try {
            Patience.check();
            Arranging.Length length = arranging.length(song.chart(), choices(song, item));
            Key key = Transposition.by(item.moved(), length.key()).of(length.key());
            double bpm = item.tempo() == null ? length.tempo().bpm() : item.tempo();
            double faster = length.tempo().bpm() / bpm;
            double ms = length.ms() * faster;
            double quarters = bpm * length.tempo().beatTicks() / Ticks.PER_QUARTER;
            return new Told(
                    new SetView.SetItemView(
                            item,
                            song.title(),
                            key.toString(),
                            bpm,
                            length.tempo().beatTicks(),
                            Math.round(ms),
                            false,
                            arrangements),
                    new Evening.Piece(Optional.of(key.toString()), quarters, ms / 1000),
                    true);
        } catch (Refusal | Refused refused) {
            // A chart that cannot be played at the moment has no length.
            return Told.unknown(item, song.title(), false, arrangements, true);
        } catch (Patience.GivenUp enough) {
            return Told.unknown(item, song.title(), false, arrangements, false);
        }
    }

    /**
     * A song as it is played that night: in its key, its arrangement, its tempo. A chart that cannot be read stays
     * where it is.
     */
    SetView.TonightView tonight(Player player, SetItem item) {
        SongView song = songs.found(player, item.song()).orElseThrow(() -> Refusal.notFound("The song"));
        ChartEdit chart = ChartEdit.of(song.chart());
        String moved = item.moved() == 0
                ? song.chart()
                : chart.reading()
                        .song()
                        .map(read -> chart.transpose(Transposition.by(item.moved(), read.key())))
                        .orElse(song.chart());
        return new SetView.TonightView(moved, choices(song, item), item.tempo());
    }

    private static ChoicesRequest choices(SongView song, SetItem item) {
        return song.others().stream()
                .filter(each -> each.id().equals(item.arrangement()))
                .findFirst()
                .map(each -> each.choices())
                .orElse(song.choices());
    }
}
