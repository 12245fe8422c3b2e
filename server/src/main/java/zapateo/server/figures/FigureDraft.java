package zapateo.server.figures;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.databind.json.JsonMapper;
import zapateo.server.bounds.ShortText;
import zapateo.server.bounds.TicksInBar;
import zapateo.server.figures.FigureView.MannerView;

/**
 * A figure while it is written: what its view says, with the strokes of its bars.
 *
 * @param id of the figure that is changed; absent is made of the name
 * @param accepts voicings; none has those that suit what its strokes play
 */
record FigureDraft(
        @ShortText String id,

        @NotNull(message = "expected a name") @Size(max = 80, message = "expected at most 80 characters")
        String name,

        @NotNull(message = "expected a family") @ShortText String family,

        @NotNull(message = "expected when to use it") @Size(max = 200, message = "expected at most 200 characters")
        String use,

        @NotNull(message = "expected feels") @Size(max = 40, message = "expected at most 40")
        List<@NotNull(message = "expected a name") @ShortText String> feel,

        @Min(value = 1, message = "expected 1 to 5") @Max(value = 5, message = "expected 1 to 5")
        int level,

        @Min(value = 1, message = "expected 1 to 1000") @Max(value = 1000, message = "expected 1 to 1000")
        int minTempo,

        @Min(value = 1, message = "expected 1 to 1000") @Max(value = 1000, message = "expected 1 to 1000")
        int maxTempo,

        @Min(value = 0, message = "expected 0 to 16") @Max(value = 16, message = "expected 0 to 16")
        int chords,

        @NotNull(message = "expected tags") @Size(max = 40, message = "expected at most 40")
        List<@NotNull(message = "expected a name") @ShortText String> suits,

        @NotNull(message = "expected voicings") @Size(max = 40, message = "expected at most 40")
        List<@NotNull(message = "expected a name") @ShortText String> accepts,

        @NotNull(message = "expected registers") @Size(max = 40, message = "expected at most 40")
        List<@NotNull(message = "expected a name") @ShortText String> registers,

        @NotNull(message = "expected a manner") @Valid MannerView manner,

        @NotNull(message = "expected bars") @Size(max = 40, message = "expected at most 40")
        List<@NotNull @Valid BarDraft> bars,

        @Size(max = 40, message = "expected at most 40") List<@NotNull @Valid VariationDraft> variations) {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int LONGEST_ID = 40;
    private static final String NAMELESS = "my-figure";
    /**
     * For strokes that play what a voicing names: from the bass up, or the chord above it (the project's own choice).
     */
    private static final Map<String, List<String>> USUAL_VOICINGS =
            Map.of("v", List.of("open-fifth", "octave", "spread", "close"), "c", List.of("close", "guide-tones"));

    /** A bar in a metre; a metre may have several, played in turn. */
    record BarDraft(
            @NotNull(message = "expected a metre") @ShortText
            String meter,

            @NotNull(message = "expected strokes") @Size(max = 100, message = "expected at most 100")
            List<@NotNull @Valid StrokeDraft> strokes) {

        private String text() {
            return strokes.stream().map(StrokeDraft::text).collect(Collectors.joining(" "));
        }
    }

    /** @param length null lasts as long as the chord */
    record StrokeDraft(
            @NotNull(message = "expected L or R") @ShortText String hand,

            @NotNull(message = "expected roles") @Size(max = 400, message = "expected at most 400 characters")
            String roles,

            @TicksInBar int tick,
            @TicksInBar Integer length,
            boolean rolled,
            boolean accent) {

        private String text() {
            return (hand.equals("R") ? "R:" : "") + (rolled ? "~" : "") + roles + "@" + tick + ":"
                    + (length == null ? "*" : length) + (accent ? "!" : "");
        }
    }

    /** @param when every 4, section or last */
    record VariationDraft(
            @NotNull(message = "expected when it is played") @ShortText
            String when,

            @NotNull(message = "expected a bar") @Valid BarDraft bar) {}

    /** Its file; JSON is YAML too. */
    String file() {
        Map<String, Object> file = new LinkedHashMap<>();
        file.put("id", id == null || id.isBlank() ? idOf(name) : id);
        file.put("name", name);
        file.put("family", family);
        file.put("use", use);
        file.put("feel", feel);
        file.put("level", String.valueOf(level));
        file.put("tempo", minTempo + "-" + maxTempo);
        file.put("chords", String.valueOf(chords));
        file.put("suits", suits);
        file.put("spacing", manner.spacing());
        file.put("register", registers);
        file.put("voicings", accepts.isEmpty() ? usualVoicings() : accepts);
        file.put("pedal", manner.pedal() ? "yes" : "no");
        if (manner.lifts() != null) {
            file.put("lifts", manner.lifts());
        }
        file.put("line", manner.line());
        file.put("cut", manner.cut());
        file.put("roll", manner.roll());
        file.put("bass", manner.bass() ? "yes" : "no");
        if (manner.leadIn() != null) {
            file.put("leadIn", manner.leadIn());
        }
        file.put("times", manner.times());
        file.put("turns", manner.turns());
        Map<String, List<String>> byMeter = new LinkedHashMap<>();
        bars.forEach(bar ->
                byMeter.computeIfAbsent(bar.meter(), meter -> new ArrayList<>()).add(bar.text()));
        file.put("bars", byMeter);
        Map<String, Map<String, String>> varied = new LinkedHashMap<>();
        (variations == null ? List.<VariationDraft>of() : variations)
                .forEach(each -> varied.computeIfAbsent(each.when(), when -> new LinkedHashMap<>())
                        .put(each.bar().meter(), each.bar().text()));
        if (!varied.isEmpty()) {
            file.put("variations", varied);
        }
        return JSON.writeValueAsString(file);
    }

    private List<String> usualVoicings() {
        List<String> played = bars.stream()
                .flatMap(bar -> bar.strokes().stream())
                .flatMap(stroke -> List.of(stroke.roles().split("\\+")).stream())
                .map(role -> role.replaceFirst("^>", ""))
                .toList();
        return List.of("v", "c").stream()
                .filter(played::contains)
                .findFirst()
                .map(USUAL_VOICINGS::get)
                .orElse(List.of());
    }

    /** A name as an id: small letters and digits with hyphens. */
    static String idOf(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+", "");
        String cut = plain.substring(0, Math.min(LONGEST_ID, plain.length())).replaceAll("-+$", "");
        return cut.isEmpty() ? NAMELESS : cut;
    }
}
