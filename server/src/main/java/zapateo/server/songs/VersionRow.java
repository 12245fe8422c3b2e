package zapateo.server.songs;

import java.time.OffsetDateTime;
import zapateo.server.arrangements.ChoicesRequest;

/** One state a song was saved in. */
record VersionRow(int version, String title, String chart, ChoicesRequest choices, String arrangement, OtherArrangements others, OffsetDateTime savedAt) {
}
