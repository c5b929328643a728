package org.jalousie.core.wording.write;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.docx.SafeXml;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/**
 * Makes a Word file of what was written in the program: headings, paragraphs, bold, italic, underline, numbered clauses,
 * bullets, tables and pictures, with a header and a footer. From then on it is a Word file like any other.
 */
public final class Composer {
    private static final String TYPE = "application/vnd.openxmlformats-officedocument.wordprocessingml.numbering+xml";
    private static final String W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";
    private static final double MM_PER_PIXEL = 25.4 / 96;
    private static final double LOGO_HEIGHT_MM = 14;
    private static final int USUAL_MARGIN_MM = 23;
    private static final int LEAST_MARGIN_MM = 10;
    private static final int MOST_MARGIN_MM = 60;

    private final WordDraft draft = new WordDraft();
    private final StringBuilder body = new StringBuilder();
    private final Function<String, byte[]> pictures;
    private final int room;
    private int attached;

    /** @param room between the margins, in twentieths of a point */
    private Composer(int room, Function<String, byte[]> pictures) {
        this.room = room;
        this.pictures = pictures;
    }

    /**
     * What was written.
     *
     * @param html the body; everything but the elements named above is passed over
     * @param logo a picture's SHA-256 for the header, or empty
     * @param paper A4 when it isn't said
     * @param marginMm on all sides, from 10 to 60
     */
    public record Composition(
            String title,
            String html,
            String header,
            String footer,
            boolean pageNumbers,
            String logo,
            Paper paper,
            Integer marginMm) {
        public Composition {
            title = title == null ? "" : title;
            html = html == null ? "" : html;
            header = header == null ? "" : header;
            footer = footer == null ? "" : footer;
            logo = logo == null ? "" : logo;
            paper = paper == null ? Paper.A4 : paper;
            marginMm =
                    marginMm == null ? USUAL_MARGIN_MM : Math.max(LEAST_MARGIN_MM, Math.min(MOST_MARGIN_MM, marginMm));
        }
    }

    /** @param pictures the content of a picture by its SHA-256, as addresses of pictures end in it */
    public static byte[] word(Composition composition, Function<String, byte[]> pictures) {
        return new Composer(composition.paper().between(composition.marginMm()), pictures).make(composition);
    }

    private byte[] make(Composition composition) {
        for (Node node : Jsoup.parseBodyFragment(composition.html()).body().childNodes()) block(node, 0, "");
        String logo = composition.logo().isEmpty() ? "" : "<w:r><w:tab/></w:r>" + logo(composition.logo());
        String numbers = composition.pageNumbers()
                ? "<w:r><w:tab/></w:r>" + WordDraft.field("PAGE") + "<w:r><w:t xml:space=\"preserve\"> / </w:t></w:r>"
                        + WordDraft.field("NUMPAGES")
                : "<w:r/>";
        return draft.fileTitle(composition.title())
                .paper(composition.paper(), composition.marginMm())
                .header(composition.header())
                .footer(composition.footer())
                .margins(logo, numbers)
                .attach("document.xml", "rId9", "numbering", "numbering.xml", numbering(), TYPE)
                .raw(body.toString())
                .bytes();
    }

    private void block(Node node, int depth, String list) {
        if (node instanceof TextNode text) {
            if (!text.isBlank()) paragraph("Normal", "", runs(List.of(text), ""));
            return;
        }
        if (!(node instanceof Element element)) return;
        switch (element.normalName()) {
            case "h1" -> paragraph("Title", "", runs(element.childNodes(), ""));
            case "h2" -> paragraph("Heading1", "", runs(element.childNodes(), ""));
            case "h3" -> paragraph("Heading2", "", runs(element.childNodes(), ""));
            case "ul", "ol" -> {
                String id = element.normalName().equals("ol") ? "1" : "2";
                for (Element item : element.children()) block(item, list.isEmpty() ? 0 : depth + 1, id);
            }
            case "li" -> item(element, depth, list);
            case "table" -> table(element);
            case "div", "section", "tbody" -> element.childNodes().forEach(child -> block(child, depth, list));
            default -> paragraph("Normal", "", runs(List.of(element), ""));
        }
    }

    /** The first paragraph of an item carries the number; a list inside it is a level deeper. */
    private void item(Element item, int depth, String list) {
        List<Node> words = new ArrayList<>();
        List<Element> inner = new ArrayList<>();
        for (Node child : item.childNodes()) {
            if (child instanceof Element element && element.normalName().matches("ul|ol")) inner.add(element);
            else words.add(child);
        }
        String numbered =
                "<w:numPr><w:ilvl w:val=\"" + Math.min(depth, 2) + "\"/><w:numId w:val=\"" + list + "\"/></w:numPr>";
        paragraph("Normal", numbered, runs(words, ""));
        inner.forEach(element -> block(element, depth, list));
    }

    private void table(Element table) {
        List<Element> rows = table.select("tr");
        int columns = rows.stream().mapToInt(row -> row.children().size()).max().orElse(0);
        if (columns == 0) return;
        int width = room / columns;
        body.append("<w:tbl><w:tblPr><w:tblW w:w=\"" + room + "\" w:type=\"dxa\"/><w:tblBorders>");
        for (String side : List.of("top", "left", "bottom", "right", "insideH", "insideV"))
            body.append("<w:" + side + " w:val=\"single\" w:sz=\"4\" w:space=\"0\" w:color=\"808080\"/>");
        body.append("</w:tblBorders><w:tblLayout w:type=\"fixed\"/></w:tblPr><w:tblGrid>");
        for (int i = 0; i < columns; i++) body.append("<w:gridCol w:w=\"" + width + "\"/>");
        body.append("</w:tblGrid>");
        for (Element row : rows) {
            body.append("<w:tr>");
            for (int i = 0; i < columns; i++) {
                body.append("<w:tc><w:tcPr><w:tcW w:w=\"" + width + "\" w:type=\"dxa\"/></w:tcPr>");
                Element cell = i < row.children().size() ? row.child(i) : null;
                List<Element> paragraphs = cell == null ? List.of() : cell.select("p");
                if (paragraphs.isEmpty()) {
                    paragraph("Cell", "", cell == null ? "" : runs(cell.childNodes(), ""));
                } else {
                    String bold = cell.normalName().equals("th") ? "<w:b/>" : "";
                    paragraphs.forEach(one -> paragraph("Cell", "", runs(one.childNodes(), bold)));
                }
                body.append("</w:tc>");
            }
            body.append("</w:tr>");
        }
        body.append("</w:tbl>");
        paragraph("Normal", "", "");
    }

    private void paragraph(String style, String properties, String runs) {
        body.append("<w:p><w:pPr><w:pStyle w:val=\"" + style + "\"/>" + properties + "</w:pPr>" + runs + "</w:p>");
    }

    private String runs(List<? extends Node> nodes, String look) {
        StringBuilder out = new StringBuilder();
        for (Node node : nodes) {
            if (node instanceof TextNode text) {
                String words = lines(text.getWholeText());
                if (!words.isEmpty())
                    out.append("<w:r>" + (look.isEmpty() ? "" : "<w:rPr>" + look + "</w:rPr>")
                            + "<w:t xml:space=\"preserve\">" + SafeXml.escape(words) + "</w:t></w:r>");
            } else if (node instanceof Element element) {
                out.append(
                        switch (element.normalName()) {
                            case "b", "strong" -> runs(element.childNodes(), with(look, "<w:b/>", 0));
                            case "i", "em" -> runs(element.childNodes(), with(look, "<w:i/>", 1));
                            case "u" -> runs(element.childNodes(), with(look, "<w:u w:val=\"single\"/>", 2));
                            case "br" -> "<w:r><w:br/></w:r>";
                            case "img" -> picture(element.attr("src"));
                            default -> runs(element.childNodes(), look);
                        });
            }
        }
        return out.toString();
    }

    // ISO/IEC 29500-1 §17.3.2.28: b, i and u stand in this order
    private static String with(String look, String property, int rank) {
        if (look.contains(property)) return look;
        int at = look.length();
        if (rank == 0) at = 0;
        else if (rank == 1 && look.contains("<w:u ")) at = look.indexOf("<w:u ");
        return look.substring(0, at) + property + look.substring(at);
    }

    private String picture(String address) {
        String file = address.substring(address.lastIndexOf('/') + 1);
        if (!file.matches("[0-9a-f]{64}")) return "";
        PictureFile picture = PictureFile.read(pictures.apply(file));
        double width = Math.min(picture.width() * MM_PER_PIXEL, room / Paper.TWIPS_PER_MM);
        return drawing("document.xml", picture, width, width * picture.height() / picture.width());
    }

    private String logo(String file) {
        PictureFile picture = PictureFile.read(pictures.apply(file));
        return drawing("header1.xml", picture, LOGO_HEIGHT_MM * picture.width() / picture.height(), LOGO_HEIGHT_MM);
    }

    private String drawing(String part, PictureFile picture, double widthMm, double heightMm) {
        int number = ++attached;
        String id = "rIdPicture" + number;
        draft.attach(
                part,
                id,
                "image",
                "media/picture" + number + "." + picture.extension(),
                picture.bytes(),
                "image/" + picture.extension());
        return "<w:r>"
                + InlinePicture.xml(
                        W,
                        id,
                        "",
                        Math.round(widthMm * InlinePicture.EMU_PER_MM),
                        Math.round(heightMm * InlinePicture.EMU_PER_MM),
                        number,
                        "picture " + number)
                + "</w:r>";
    }

    /** Clauses count through the document: 1, 1.1, 1.1.1; bullets beside them. */
    private static byte[] numbering() {
        StringBuilder xml = new StringBuilder("<w:numbering xmlns:w=\"" + W + "\">");
        String[] texts = {"%1.", "%1.%2.", "%1.%2.%3."};
        for (int id = 1; id <= 2; id++) {
            xml.append("<w:abstractNum w:abstractNumId=\"" + id + "\"><w:multiLevelType w:val=\"multilevel\"/>");
            for (int level = 0; level < 3; level++) {
                xml.append("<w:lvl w:ilvl=\"" + level + "\"><w:start w:val=\"1\"/><w:numFmt w:val=\""
                        + (id == 1 ? "decimal" : "bullet") + "\"/><w:lvlText w:val=\""
                        + (id == 1 ? texts[level] : "\u2022")
                        + "\"/><w:lvlJc w:val=\"left\"/><w:pPr><w:ind w:left=\"" + (567 + 567 * level)
                        + "\" w:hanging=\"567\"/></w:pPr></w:lvl>");
            }
            xml.append("</w:abstractNum>");
        }
        xml.append(
                "<w:num w:numId=\"1\"><w:abstractNumId w:val=\"1\"/></w:num><w:num w:numId=\"2\"><w:abstractNumId w:val=\"2\"/></w:num></w:numbering>");
        return xml.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** Line breaks of the source are blanks, with the blanks around them. */
    private static String lines(String text) {
        StringBuilder out = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean blank = Character.isWhitespace(c);
            int from = i;
            while (blank && i + 1 < text.length() && Character.isWhitespace(text.charAt(i + 1))) i++;
            String run = text.substring(from, i + 1);
            out.append(blank && run.indexOf('\n') >= 0 ? " " : run);
        }
        return out.toString();
    }
}
