package zapateo.lefthand;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zapateo.names.Names;
import zapateo.refusal.Refused;
import zapateo.rhythm.DataFile;
import zapateo.rhythm.Liveliness;
import zapateo.rhythm.Role;
import zapateo.rhythm.YamlFields;

/**
 * Something a lively player does otherwise in a bar; the rows of {@code spices.yaml}, which says what their words mean.
 *
 * @param id stable name
 * @param name standard term
 * @param use one line: what for
 * @param where in which bars it may be
 * @param device what it does
 * @param leadIn that leads into the next chord, for {@link Device#LEAD}
 * @param role that is struck with the bass, for {@link Device#WITH}
 * @param families of figures it suits; none is all
 * @param never families that are told by what it would change
 * @param some of a hundred bars where it may be
 * @param much the same, where much is asked for
 */
public record Spice(
        String id,
        String name,
        String use,
        List<Where> where,
        Device device,
        Optional<LeadIn> leadIn,
        Optional<Role> role,
        List<String> families,
        List<String> never,
        int some,
        int much) {

    /** A bar's place in its song. */
    enum Where {
        SECTION(100),
        RETURN(100),
        PHRASE(60),
        REST(40),
        CHANGE(5),
        AGAIN(20),
        ONCE(25),
        FINALE(25);

        /** What it adds that the next section is another one. */
        static final double TURNS = 15;
        /** That a chord stays for its third bar, or the tune rests. */
        static final double STAYS = 30;

        private final double reason;

        Where(double reason) {
            this.reason = reason;
        }

        /** How much it speaks for changing a bar (HANDBOOK §7a; the numbers are the project's own). */
        double reason() {
            return reason;
        }
    }

    /** What is done with the bar. */
    enum Device {
        LEAD,
        WITH,
        STOP,
        HOLD,
        THIN,
        EARLY
    }

    private static final Map<String, Spice> ALL = readAll();

    public static List<Spice> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<Spice> named(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    boolean suits(String family) {
        return !never.contains(family) && (families.isEmpty() || families.contains(family));
    }

    int chance(Liveliness liveliness) {
        return liveliness == Liveliness.MUCH ? much : liveliness == Liveliness.SOME ? some : 0;
    }

    private static <E extends Enum<E>> E named(Class<E> of, String text) {
        return Names.find(of, text)
                .orElseThrow(
                        () -> new Refused("\"" + text + "\": expected one of " + String.join(", ", Names.all(of))));
    }

    private static Map<String, Spice> readAll() {
        YamlFields file = DataFile.yaml("lefthand/spices.yaml");
        Map<String, Spice> all = new LinkedHashMap<>();
        file.names().forEach(id -> {
            YamlFields fields =
                    file.fields(id).allow(Set.of("name", "use", "where", "does", "families", "never", "some", "much"));
            String[] does = fields.text("does").split(" ");
            Device device = named(Device.class, does[0]);
            Optional<LeadIn> leadIn = device == Device.LEAD
                    ? Optional.of(LeadIn.named(does[1])
                            .orElseThrow(() -> new Refused(
                                    "lead-in \"" + does[1] + "\" of spice " + id + ": there is none of that name")))
                    : Optional.empty();
            Optional<Role> role = device == Device.WITH ? Optional.of(Role.parse(does[1])) : Optional.empty();
            all.put(
                    id,
                    new Spice(
                            id,
                            fields.text("name"),
                            fields.text("use"),
                            fields.list("where", text -> named(Where.class, text)),
                            device,
                            leadIn,
                            role,
                            list(fields, "families"),
                            list(fields, "never"),
                            fields.value("some", Integer::valueOf),
                            fields.value("much", Integer::valueOf)));
        });
        return all;
    }

    private static List<String> list(YamlFields fields, String name) {
        return fields.has(name) ? fields.list(name, family -> family) : List.of();
    }
}
