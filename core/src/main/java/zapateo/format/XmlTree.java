package zapateo.format;

import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import zapateo.search.Patience;

/**
 * An XML document as plain elements with the line each stands on. Nothing is fetched: an outside DTD is passed over
 * where it is MusicXML's own public one and refused else, entities are refused.
 */
final class XmlTree {

    private static final int MOST_ELEMENTS = 2_000_000;
    private static final int ELEMENTS_BETWEEN_LOOKS = 1_000;
    private static final int DEEPEST = 60;
    private static final Pattern DOCTYPE = Pattern.compile("<!DOCTYPE[^>\\[]*[>\\[]");
    private static final Pattern OWN_DOCTYPE =
            Pattern.compile("<!DOCTYPE\\s+(score-partwise|container)\\s*(PUBLIC\\s+[\"']-//Recordare//DTD MusicXML "
                    + "[^\"']*[\"']\\s*([\"']https?://www\\.musicxml\\.org/[^\"']*[\"'])?)?\\s*>");

    final String name;
    final int line;
    final int column;
    final Map<String, String> attributes = new HashMap<>();
    final List<XmlTree> children = new ArrayList<>();
    private final StringBuilder text = new StringBuilder();

    private XmlTree(String name, int line, int column) {
        this.name = name;
        this.line = line;
        this.column = column;
    }

    /** A document that cannot be read, or that will not be. */
    static final class Unread extends Exception {
        private static final long serialVersionUID = 1L;
        final String code;
        final int line;
        final int column;
        final String found;

        private Unread(String code, int line, int column, String found) {
            super(code);
            this.code = code;
            this.line = line;
            this.column = column;
            this.found = found;
        }
    }

    /** What becomes of an element once it is read whole, so that a long document need not be held. */
    interface Keeping {

        /** Whether it is wanted later; else it leaves its parent again. */
        boolean keeps(XmlTree parent, XmlTree whole);
    }

    static XmlTree read(byte[] content) throws Unread {
        return read(content, (parent, whole) -> true);
    }

    static XmlTree read(byte[] content, Keeping keeping) throws Unread {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
        factory.setXMLResolver((publicId, systemId, base, namespace) -> {
            throw new XMLStreamException("nothing is fetched");
        });
        checkDoctype(FileText.of(content));
        try {
            return read(factory.createXMLStreamReader(new ByteArrayInputStream(content)), keeping);
        } catch (Patience.GivenUp enough) {
            throw enough;
        } catch (XMLStreamException broken) {
            int line = broken.getLocation() == null
                    ? 1
                    : Math.max(1, broken.getLocation().getLineNumber());
            int column = broken.getLocation() == null
                    ? 1
                    : Math.max(1, broken.getLocation().getColumnNumber());
            throw new Unread("xml-broken", line, column, "");
        } catch (RuntimeException broken) {
            // The JDK's reader answers some damage with exceptions of its own.
            throw new Unread("xml-broken", 1, 1, "");
        }
    }

    private static XmlTree read(XMLStreamReader reader, Keeping keeping) throws XMLStreamException, Unread {
        Deque<XmlTree> open = new ArrayDeque<>();
        XmlTree root = null;
        int elements = 0;
        while (reader.hasNext()) {
            int event = reader.next();
            int line = Math.max(1, reader.getLocation().getLineNumber());
            int column = Math.max(1, reader.getLocation().getColumnNumber());
            switch (event) {
                case XMLStreamConstants.ENTITY_REFERENCE ->
                    throw new Unread("xml-entity", line, column, "&" + reader.getLocalName() + ";");
                case XMLStreamConstants.START_ELEMENT -> {
                    if (elements % ELEMENTS_BETWEEN_LOOKS == 0) {
                        Patience.check();
                    }
                    if (++elements > MOST_ELEMENTS || open.size() > DEEPEST) {
                        throw new Unread("xml-too-big", line, column, elements + " elements");
                    }
                    XmlTree element = new XmlTree(reader.getLocalName(), line, column);
                    for (int i = 0; i < reader.getAttributeCount(); i++) {
                        element.attributes.put(reader.getAttributeLocalName(i), reader.getAttributeValue(i));
                    }
                    if (open.isEmpty()) {
                        root = element;
                    } else {
                        open.peek().children.add(element);
                    }
                    open.push(element);
                }
                case XMLStreamConstants.END_ELEMENT -> {
                    XmlTree whole = open.pop();
                    if (!open.isEmpty() && !keeping.keeps(open.peek(), whole)) {
                        open.peek().children.remove(open.peek().children.size() - 1);
                    }
                }
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
                    if (!open.isEmpty()) {
                        open.peek().text.append(reader.getText());
                    }
                }
                default -> {
                    // Comments and instructions say nothing here.
                }
            }
        }
        if (root == null) {
            throw new Unread("xml-broken", 1, 1, "");
        }
        return root;
    }

    /**
     * MusicXML's own document type names a file on the web that is not fetched; anything else that is declared is
     * refused.
     */
    private static void checkDoctype(String text) throws Unread {
        Matcher doctype = DOCTYPE.matcher(text);
        if (doctype.find() && !OWN_DOCTYPE.matcher(doctype.group()).matches()) {
            int line = (int) text.substring(0, doctype.start())
                            .chars()
                            .filter(each -> each == '\n')
                            .count()
                    + 1;
            throw new Unread(
                    text.contains("<!ENTITY") ? "xml-entity" : "xml-doctype",
                    line,
                    1,
                    doctype.group().lines().findFirst().orElse(""));
        }
    }

    String text() {
        return text.toString().strip();
    }

    Optional<XmlTree> child(String wanted) {
        return children.stream().filter(each -> each.name.equals(wanted)).findFirst();
    }

    Stream<XmlTree> all(String wanted) {
        return children.stream().filter(each -> each.name.equals(wanted));
    }

    boolean has(String wanted) {
        return child(wanted).isPresent();
    }

    Optional<String> text(String wanted) {
        return child(wanted).map(XmlTree::text).filter(found -> !found.isEmpty());
    }

    Optional<String> attribute(String wanted) {
        return Optional.ofNullable(attributes.get(wanted));
    }

    /** A number in a child, empty where there is none or it is none. */
    Optional<Double> number(String wanted) {
        return text(wanted).flatMap(XmlTree::numeric);
    }

    static Optional<Double> numeric(String text) {
        return text.matches("[+-]?[0-9]{1,9}(\\.[0-9]{0,9})?") ? Optional.of(Double.valueOf(text)) : Optional.empty();
    }
}
