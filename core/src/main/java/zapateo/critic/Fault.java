package zapateo.critic;

import java.util.List;
import zapateo.part.Reason;

/**
 * Something a strict reader marks.
 *
 * @param id of the row of the list of faults, as L6
 * @param bar by index
 * @param strokes by their places in what was read
 * @param found what is wrong, for words
 * @param better what would be right, for words
 */
public record Fault(String id, int bar, List<Integer> strokes, Reason found, Reason better) {}
