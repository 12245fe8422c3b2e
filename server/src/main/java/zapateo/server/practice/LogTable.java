package zapateo.server.practice;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The log as comma-separated values (RFC 4180), a line for each pass. */
final class LogTable {

    private static final String HEAD =
            "day,at,song,title,arrangement,version,first bar,last bar,layer,beats a minute,clean,right,uneven "
                    + "ms,seconds,word,hurt";

    private LogTable() {}

    static String of(List<PassRow> log) {
        return Stream.concat(Stream.of(HEAD), log.stream().map(LogTable::line))
                .collect(Collectors.joining("\r\n", "", "\r\n"));
    }

    private static String line(PassRow row) {
        return Stream.of(
                        row.playedOn(),
                        row.playedAt(),
                        row.songId(),
                        row.title(),
                        row.arrangement(),
                        row.songVersion(),
                        row.firstBar(),
                        row.lastBar(),
                        row.layer(),
                        row.tempo(),
                        row.clean(),
                        row.rightShare() == null ? "" : row.rightShare(),
                        row.unevenMs() == null ? "" : row.unevenMs(),
                        row.seconds(),
                        row.word(),
                        row.hurt())
                .map(String::valueOf)
                .map(LogTable::cell)
                .collect(Collectors.joining(","));
    }

    /** Quoted where it has to be; what a spreadsheet would take for a formula is told to be text. */
    private static String cell(String text) {
        String plain = text.matches("(?s)[=+@\\t].*|-.*[^0-9.].*") ? "'" + text : text;
        return plain.matches("(?s).*[\",\\r\\n].*") ? "\"" + plain.replace("\"", "\"\"") + "\"" : plain;
    }
}
