package org.jalousie.core.wording.docx;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.UnacceptableFile;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/** Reads and writes XML parts of files from outside: no document type, no entity, nothing fetched. */
public final class SafeXml {
    private static final Pattern ENTITY = Pattern.compile("&(lt|gt|amp|quot|apos|#x[0-9A-Fa-f]+|#\\d+);");
    private static final DocumentBuilderFactory BUILDERS = builders();
    private static final TransformerFactory TRANSFORMERS = transformers();

    private SafeXml() {}

    /** @throws UnacceptableFile when the part is no well-formed XML, or declares a document type */
    public static Document parse(String part, byte[] xml) {
        try {
            DocumentBuilder builder;
            synchronized (BUILDERS) {
                builder = BUILDERS.newDocumentBuilder();
            }
            builder.setErrorHandler(null);
            return builder.parse(new ByteArrayInputStream(xml));
        } catch (SAXException | IOException e) {
            // from memory, an input error means bytes that are not in the encoding that they claim
            if (String.valueOf(e.getMessage()).contains("DOCTYPE")) {
                throw new UnacceptableFile(Message.of("file.document-type", "part", part));
            }
            throw new UnacceptableFile(Message.of("file.damaged-part", "part", part));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException("cannot read XML", e);
        }
    }

    public static String write(Document document) {
        try {
            Transformer transformer;
            synchronized (TRANSFORMERS) {
                transformer = TRANSFORMERS.newTransformer();
            }
            transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            StringWriter out = new StringWriter();
            transformer.transform(new DOMSource(document), new StreamResult(out));
            return "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n" + out;
        } catch (TransformerException e) {
            throw new IllegalStateException("cannot write XML", e);
        }
    }

    /** An element as it stands within its part, whose declarations of namespaces hold for it. */
    public static String fragment(Element element) {
        StringBuilder out = new StringBuilder();
        fragment(element, out);
        return out.toString();
    }

    private static void fragment(Element element, StringBuilder out) {
        out.append('<').append(element.getNodeName());
        for (int i = 0; i < element.getAttributes().getLength(); i++) {
            Node attribute = element.getAttributes().item(i);
            out.append(' ')
                    .append(attribute.getNodeName())
                    .append("=\"")
                    .append(escape(attribute.getNodeValue()))
                    .append('"');
        }
        if (element.getFirstChild() == null) {
            out.append("/>");
            return;
        }
        out.append('>');
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) fragment(inner, out);
            else out.append(escape(child.getNodeValue()));
        }
        out.append("</").append(element.getNodeName()).append('>');
    }

    public static String escape(String text) {
        StringBuilder out = new StringBuilder(text.length() + 16);
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '&' -> out.append("&amp;");
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '"' -> out.append("&quot;");
                default -> out.append(c);
            }
        }
        return out.toString();
    }

    /** Text of a file of our own as it is read: the reverse of {@link #escape}, with characters that are given by number. */
    public static String unescape(String xml) {
        if (xml.indexOf('&') < 0) return xml;
        return ENTITY.matcher(xml).replaceAll(found -> Matcher.quoteReplacement(entity(found.group(1))));
    }

    private static String entity(String name) {
        return switch (name) {
            case "lt" -> "<";
            case "gt" -> ">";
            case "amp" -> "&";
            case "quot" -> "\"";
            case "apos" -> "'";
            default ->
                Character.toString(
                        name.startsWith("#x")
                                ? Integer.parseInt(name.substring(2), 16)
                                : Integer.parseInt(name.substring(1)));
        };
    }

    private static DocumentBuilderFactory builders() {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            factory.setCoalescing(true);
            return factory;
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException("the XML parser has no safe settings", e);
        }
    }

    private static TransformerFactory transformers() {
        TransformerFactory factory = TransformerFactory.newDefaultInstance();
        factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_DTD, "");
        factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_STYLESHEET, "");
        return factory;
    }
}
