package org.jalousie.core.tables;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jalousie.core.messages.Message;

/** The parts of a workbook (ISO/IEC 29500-1 §12), each opened as a stream. */
final class Workbook implements AutoCloseable {
    /** What a part may become unpacked, in bytes: some ten million cells. */
    private static final long LARGEST_PART = 800_000_000L;

    private static final XMLInputFactory XML = xml();

    private final ZipFile zip;
    private final Map<String, String> sheets = new LinkedHashMap<>();
    private String strings = "";
    private String styles = "";
    private boolean from1904;

    private Workbook(ZipFile zip) {
        this.zip = zip;
    }

    /** @throws NotATable when it is no workbook */
    static Workbook open(Path file) {
        Workbook book;
        try {
            book = new Workbook(new ZipFile(file.toFile()));
        } catch (IOException e) {
            throw new NotATable(Message.of("table.no-workbook"));
        }
        try {
            book.look();
            if (!book.sheets.isEmpty()) return book;
        } catch (IOException | XMLStreamException | IllegalArgumentException e) {
            // said below
        } catch (NotATable e) {
            book.close();
            throw e;
        }
        book.close();
        throw new NotATable(Message.of("table.no-workbook"));
    }

    private static XMLInputFactory xml() {
        XMLInputFactory factory = XMLInputFactory.newFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        return factory;
    }

    private void look() throws IOException, XMLStreamException {
        String main = related("").values().stream()
                .filter(one -> one.type().endsWith("/officeDocument"))
                .map(Relation::target)
                .findFirst()
                .orElse("xl/workbook.xml");
        Map<String, Relation> related = related(main);
        for (Relation one : related.values()) {
            if (one.type().endsWith("/sharedStrings")) strings = one.target();
            if (one.type().endsWith("/styles")) styles = one.target();
        }
        try (Part in = part(main)) {
            while (in.next()) {
                if (in.begins("workbookPr")) from1904 = truth(in.attribute("date1904"));
                if (!in.begins("sheet")) continue;
                Relation to = related.get(in.attribute("id"));
                // sheets of charts have no rows
                if (to != null && to.type().endsWith("/worksheet")) sheets.put(in.attribute("name"), to.target());
            }
        }
    }

    private record Relation(String type, String target) {}

    private Map<String, Relation> related(String part) throws IOException, XMLStreamException {
        int slash = part.lastIndexOf('/') + 1;
        String name = part.substring(0, slash) + "_rels/" + part.substring(slash) + ".rels";
        Map<String, Relation> all = new HashMap<>();
        if (zip.getEntry(name) == null) return all;
        try (Part in = part(name)) {
            while (in.next()) {
                if (!in.begins("Relationship") || "External".equals(in.attribute("TargetMode"))) continue;
                String target = URI.create("/" + part)
                        .resolve(in.attribute("Target"))
                        .getPath()
                        .substring(1);
                all.put(in.attribute("Id"), new Relation(in.attribute("Type"), target));
            }
        }
        return all;
    }

    /** The sheets' parts by their names, in their order. */
    Map<String, String> sheets() {
        return sheets;
    }

    /** Whether days are counted from 1904 on. */
    boolean from1904() {
        return from1904;
    }

    /** Texts that cells share; none when there are none. */
    Optional<Part> strings() throws IOException, XMLStreamException {
        return strings.isEmpty() || zip.getEntry(strings) == null ? Optional.empty() : Optional.of(part(strings));
    }

    Optional<Part> styles() throws IOException, XMLStreamException {
        return styles.isEmpty() || zip.getEntry(styles) == null ? Optional.empty() : Optional.of(part(styles));
    }

    Part part(String name) throws IOException, XMLStreamException {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null) throw new NotATable(Message.of("table.no-workbook"));
        InputStream in = zip.getInputStream(entry);
        return new Part(in, XML.createXMLStreamReader(new Weighed(in)));
    }

    /** xsd:boolean. */
    static boolean truth(String value) {
        return "1".equals(value) || "true".equals(value);
    }

    @Override
    public void close() {
        try {
            zip.close();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** A part's elements, one after the other. */
    static final class Part implements AutoCloseable {
        private final InputStream in;
        private final XMLStreamReader xml;

        private Part(InputStream in, XMLStreamReader xml) {
            this.in = in;
            this.xml = xml;
        }

        boolean next() throws XMLStreamException {
            if (!xml.hasNext()) return false;
            xml.next();
            return true;
        }

        boolean begins(String element) {
            return xml.getEventType() == XMLStreamConstants.START_ELEMENT
                    && xml.getLocalName().equals(element);
        }

        boolean ends(String element) {
            return xml.getEventType() == XMLStreamConstants.END_ELEMENT
                    && xml.getLocalName().equals(element);
        }

        /** By its name without its namespace; null when it isn't there. */
        String attribute(String name) {
            for (int i = 0; i < xml.getAttributeCount(); i++)
                if (xml.getAttributeLocalName(i).equals(name)) return xml.getAttributeValue(i);
            return null;
        }

        /** The text of the element that begins here. */
        String text() throws XMLStreamException {
            return xml.getElementText();
        }

        @Override
        public void close() throws IOException, XMLStreamException {
            xml.close();
            in.close();
        }
    }

    /** A part that becomes too large is not read on. */
    private static final class Weighed extends java.io.FilterInputStream {
        private long read;

        Weighed(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            int one = super.read();
            weigh(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] bytes, int from, int most) throws IOException {
            int length = super.read(bytes, from, most);
            weigh(Math.max(length, 0));
            return length;
        }

        private void weigh(int more) {
            read += more;
            if (read > LARGEST_PART) throw new NotATable(Message.of("table.too-large"));
        }
    }
}
