package zapateo.server.problems;

import io.swagger.v3.oas.annotations.media.Schema;

/**
 * Something that could not be taken as it was given.
 *
 * @param severity {@code error} or {@code warning}
 * @param line from 1; absent where no text is at fault
 * @param column from 1, in UTF-16 code units
 */
public record ProblemView(
        String severity,
        String code,
        @Schema(types = {"integer", "null"}) Integer line,
        @Schema(types = {"integer", "null"}) Integer column,
        @Schema(types = {"integer", "null"}) Integer length,
        String found,
        String expected,
        String message) {}
