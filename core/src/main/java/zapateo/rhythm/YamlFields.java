package zapateo.rhythm;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.Yaml;
import org.yaml.snakeyaml.error.MarkedYAMLException;
import org.yaml.snakeyaml.error.YAMLException;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;
import zapateo.refusal.Refused;

/**
 * The fields of one YAML mapping, read strictly: a field that is missing, unknown or of another kind names its file and
 * line.
 */
public final class YamlFields {

    private final String file;
    private final Node place;
    private final Map<String, Node> fields = new LinkedHashMap<>();

    private YamlFields(String file, Node node) {
        this.file = file;
        this.place = node;
        if (!(node instanceof MappingNode mapping)) {
            throw mistake(node, "expected fields, each \"name: value\"");
        }
        mapping.getValue().forEach(entry -> {
            if (fields.put(scalar(entry.getKeyNode()), entry.getValueNode()) != null) {
                throw mistake(entry.getKeyNode(), "\"" + scalar(entry.getKeyNode()) + "\" stands twice");
            }
        });
    }

    /** @throws Refused naming what was given and what was expected */
    public static YamlFields parse(String file, String yaml) {
        try {
            Node root = new Yaml(new LoaderOptions()).compose(new java.io.StringReader(yaml));
            if (root == null) {
                throw new Refused(file + ":1: the file is empty");
            }
            return new YamlFields(file, root);
        } catch (MarkedYAMLException e) {
            int line = e.getProblemMark() == null ? 1 : e.getProblemMark().getLine() + 1;
            throw new Refused(file + ":" + line + ": " + e.getProblem(), e);
        } catch (YAMLException e) {
            // Signs that are no text, or lists in lists without end.
            throw new Refused(file + ": " + e.getMessage(), e);
        }
    }

    /** Refuses fields that are not in {@code known}. */
    public YamlFields allow(Set<String> known) {
        fields.forEach((name, node) -> {
            if (!known.contains(name)) {
                throw mistake(
                        node,
                        "unknown field \"" + name + "\": expected one of "
                                + String.join(", ", known.stream().sorted().toList()));
            }
        });
        return this;
    }

    public boolean has(String name) {
        return fields.containsKey(name);
    }

    /** A field's own name, read as something; a mistake in it is told with the line of what follows it. */
    public <T> T name(String name, Function<String, T> reader) {
        return readAt(need(name), name, reader);
    }

    public List<String> names() {
        return List.copyOf(fields.keySet());
    }

    public String text(String name) {
        return scalar(need(name));
    }

    public <T> T value(String name, Function<String, T> reader) {
        return readAt(need(name), scalar(need(name)), reader);
    }

    /** A list of words, {@code [a, b]}; one word alone is a list of one. */
    public <T> List<T> list(String name, Function<String, T> reader) {
        Node node = need(name);
        List<Node> items = node instanceof SequenceNode sequence ? sequence.getValue() : List.of(node);
        return items.stream().map(item -> readAt(item, scalar(item), reader)).toList();
    }

    /** Whether a field has a list. */
    public boolean isList(String name) {
        return need(name) instanceof SequenceNode;
    }

    /** A list of lists, {@code [[a, b], [c]]}. */
    public <T> List<java.util.Set<T>> lists(String name, Function<String, T> reader) {
        if (!(need(name) instanceof SequenceNode sequence)) {
            throw mistake(need(name), "expected a list");
        }
        return sequence.getValue().stream()
                .map(inner -> {
                    List<Node> items = inner instanceof SequenceNode list ? list.getValue() : List.of(inner);
                    return items.stream()
                            .map(item -> readAt(item, scalar(item), reader))
                            .collect(java.util.stream.Collectors.toUnmodifiableSet());
                })
                .toList();
    }

    public YamlFields fields(String name) {
        return new YamlFields(file, need(name));
    }

    /** The same, empty when the field is absent. */
    public Map<String, String> texts(String name) {
        Map<String, String> texts = new LinkedHashMap<>();
        if (fields.containsKey(name)) {
            YamlFields inner = fields(name);
            inner.names().forEach(key -> texts.put(key, inner.text(key)));
        }
        return texts;
    }

    private Node need(String name) {
        Node node = fields.get(name);
        if (node == null) {
            throw mistake(place, "field \"" + name + "\" is missing");
        }
        return node;
    }

    private String scalar(Node node) {
        if (node instanceof ScalarNode scalar) {
            return scalar.getValue();
        }
        throw mistake(node, "expected one value");
    }

    private <T> T readAt(Node node, String text, Function<String, T> reader) {
        try {
            return reader.apply(text);
        } catch (Refused | NumberFormatException e) {
            throw mistake(node, e.getMessage());
        }
    }

    private Refused mistake(Node node, String message) {
        return new Refused(file + ":" + (node.getStartMark().getLine() + 1) + ": " + message);
    }
}
