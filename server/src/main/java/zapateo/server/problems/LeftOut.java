package zapateo.server.problems;

import java.util.ArrayList;
import java.util.List;

/**
 * What was left out of something that was brought in, a sentence each with its place; of very many the first are told
 * and the others counted.
 */
public final class LeftOut {

    private static final int MOST_TOLD = 100;

    private final List<String> told = new ArrayList<>();
    private int more;

    public void add(String sentence) {
        if (told.size() < MOST_TOLD) {
            told.add(sentence);
        } else {
            more++;
        }
    }

    /** All that others tell, each behind the place it is of. */
    public void addAll(String place, LeftOut others) {
        others.told.forEach(each -> add(place + each));
        more += others.more;
    }

    /** For the answer. */
    public List<String> told() {
        List<String> all = new ArrayList<>(told);
        if (more > 0) {
            all.add("and " + more + " more");
        }
        return all;
    }
}
