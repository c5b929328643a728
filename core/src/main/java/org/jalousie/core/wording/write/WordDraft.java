package org.jalousie.core.wording.write;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.docx.SafeXml;

/** Writes a plain Word file from nothing: title, headings, paragraphs, numbered clauses, tables, header and footer. */
public final class WordDraft {
    private String section =
            "<w:pgSz w:w=\"11906\" w:h=\"16838\"/><w:pgMar w:top=\"1418\" w:right=\"1303\" w:bottom=\"1304\" w:left=\"1303\" w:header=\"680\" w:footer=\"567\" w:gutter=\"0\"/>";

    private static final String W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";
    private static final String R = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final String PACKAGE = "http://schemas.openxmlformats.org/package/2006/";
    private static final String WORD_TYPE = "application/vnd.openxmlformats-officedocument.wordprocessingml.";

    private final StringBuilder body = new StringBuilder();
    private final Map<String, Attachment> attachments = new LinkedHashMap<>();
    private String header = "";
    private String footer = "";
    private String headerXml = "";
    private String footerXml = "";
    private String fileTitle = "";
    private int clause;

    /** A part besides the usual ones. @param of the part that it belongs to, for example {@code header1.xml} */
    private record Attachment(String of, String id, String type, String name, byte[] content, String contentType) {}

    /**
     * Adds a part, for example a picture or the numbering.
     *
     * @param of the part that relates to it, {@code document.xml} or {@code header1.xml}
     * @param type the last word of the relationship's type, for example {@code image}
     * @param name of the part below {@code word/}
     */
    public WordDraft attach(String of, String id, String type, String name, byte[] content, String contentType) {
        attachments.put(of + " " + id, new Attachment(of, id, type, name, content, contentType));
        return this;
    }

    /** Ready-made content of the header's and the footer's paragraph, after their words. */
    WordDraft margins(String intoHeader, String intoFooter) {
        headerXml = intoHeader;
        footerXml = intoFooter;
        return this;
    }

    /** Another paper than A4, and one margin on all sides in mm. */
    public WordDraft paper(Paper paper, int marginMm) {
        section = paper.section(marginMm);
        return this;
    }

    /** The title in the file's properties. */
    public WordDraft fileTitle(String text) {
        fileTitle = text;
        return this;
    }

    public WordDraft header(String text) {
        header = text;
        return this;
    }

    public WordDraft footer(String text) {
        footer = text;
        return this;
    }

    public WordDraft title(String text) {
        return styled("Title", run("", text));
    }

    public WordDraft heading(String text) {
        return styled("Heading1", run("", text));
    }

    /** A clause with its number, counted through the document. */
    public WordDraft clause(String text) {
        return styled("Clause", run("<w:b/>", ++clause + ".") + "<w:r><w:tab/></w:r>" + run("", text));
    }

    public WordDraft paragraph(String text) {
        return styled("Normal", run("", text));
    }

    /** A paragraph of several runs, each with its own properties as WordprocessingML, for example {@code <w:b/>}. */
    public WordDraft runs(List<Run> runs) {
        StringBuilder xml = new StringBuilder();
        for (Run run : runs) xml.append(run(run.properties(), run.text()));
        return styled("Normal", xml.toString());
    }

    /** A stretch of one paragraph with its own look. */
    public record Run(String properties, String text) {}

    /** Ready-made WordprocessingML, put into the body as it is. */
    public WordDraft raw(String xml) {
        body.append(xml);
        return this;
    }

    /** A table with thin rules; its columns share the width evenly, or 1:2 when there are two. */
    public WordDraft table(List<List<String>> rows, boolean ruled) {
        int columns = rows.get(0).size();
        body.append("<w:tbl><w:tblPr><w:tblW w:w=\"9300\" w:type=\"dxa\"/>");
        if (ruled) {
            body.append("<w:tblBorders>");
            for (String side : List.of("top", "left", "bottom", "right", "insideH", "insideV")) {
                body.append("<w:")
                        .append(side)
                        .append(" w:val=\"single\" w:sz=\"4\" w:space=\"0\" w:color=\"808080\"/>");
            }
            body.append("</w:tblBorders>");
        }
        body.append("<w:tblLayout w:type=\"fixed\"/></w:tblPr><w:tblGrid>");
        for (int i = 0; i < columns; i++)
            body.append("<w:gridCol w:w=\"").append(width(columns, i)).append("\"/>");
        body.append("</w:tblGrid>");
        for (List<String> row : rows) {
            body.append("<w:tr>");
            for (int i = 0; i < columns; i++) {
                body.append("<w:tc><w:tcPr><w:tcW w:w=\"")
                        .append(width(columns, i))
                        .append("\" w:type=\"dxa\"/></w:tcPr>");
                for (String line : row.get(i).split("\n", -1)) {
                    body.append("<w:p><w:pPr><w:pStyle w:val=\"Cell\"/></w:pPr>")
                            .append(run("", line))
                            .append("</w:p>");
                }
                body.append("</w:tc>");
            }
            body.append("</w:tr>");
        }
        body.append("</w:tbl>");
        return styled("Normal", "");
    }

    private static int width(int columns, int index) {
        if (columns == 2) return index == 0 ? 3100 : 6200;
        return 9300 / columns;
    }

    private WordDraft styled(String style, String runs) {
        body.append("<w:p><w:pPr><w:pStyle w:val=\"")
                .append(style)
                .append("\"/></w:pPr>")
                .append(runs)
                .append("</w:p>");
        return this;
    }

    private static String run(String properties, String text) {
        if (text.isEmpty()) return "";
        return "<w:r>" + (properties.isEmpty() ? "" : "<w:rPr>" + properties + "</w:rPr>")
                + "<w:t xml:space=\"preserve\">" + SafeXml.escape(text) + "</w:t></w:r>";
    }

    /** The finished file. */
    public byte[] bytes() {
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("[Content_Types].xml", contentTypes());
        parts.put(
                "_rels/.rels",
                rels(List.of(
                        List.of("rId1", R + "/officeDocument", "word/document.xml"),
                        List.of("rId2", PACKAGE + "relationships/metadata/core-properties", "docProps/core.xml"))));
        parts.put(
                "docProps/core.xml",
                "<cp:coreProperties xmlns:cp=\"" + PACKAGE
                        + "metadata/core-properties\" xmlns:dc=\"http://purl.org/dc/elements/1.1/\"><dc:title>"
                        + SafeXml.escape(fileTitle) + "</dc:title></cp:coreProperties>");
        List<List<String>> related = new ArrayList<>(List.of(
                List.of("rId1", R + "/styles", "styles.xml"),
                List.of("rId2", R + "/header", "header1.xml"),
                List.of("rId3", R + "/footer", "footer1.xml")));
        related.addAll(relatedTo("document.xml"));
        parts.put("word/_rels/document.xml.rels", rels(related));
        if (!relatedTo("header1.xml").isEmpty())
            parts.put("word/_rels/header1.xml.rels", rels(relatedTo("header1.xml")));
        parts.put("word/styles.xml", styles());
        parts.put(
                "word/header1.xml",
                "<w:hdr xmlns:w=\"" + W + "\" xmlns:r=\"" + R + "\"><w:p><w:pPr><w:pStyle w:val=\"Small\"/></w:pPr>"
                        + run("", header) + headerXml + "</w:p></w:hdr>");
        parts.put(
                "word/footer1.xml",
                "<w:ftr xmlns:w=\"" + W + "\"><w:p><w:pPr><w:pStyle w:val=\"Small\"/></w:pPr>" + run("", footer)
                        + (footerXml.isEmpty() ? "<w:r><w:tab/></w:r>" + field("PAGE") : footerXml) + "</w:p></w:ftr>");
        parts.put(
                "word/document.xml",
                "<w:document xmlns:w=\"" + W + "\" xmlns:r=\"" + R + "\"><w:body>" + body
                        + "<w:sectPr><w:headerReference w:type=\"default\" r:id=\"rId2\"/><w:footerReference w:type=\"default\" r:id=\"rId3\"/>"
                        + section + "</w:sectPr></w:body></w:document>");
        Map<String, byte[]> bytes = new LinkedHashMap<>();
        parts.forEach((name, xml) -> bytes.put(
                name,
                ("<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n" + xml)
                        .getBytes(StandardCharsets.UTF_8)));
        attachments.values().forEach(one -> bytes.put("word/" + one.name(), one.content()));
        return WordFile.zip(bytes);
    }

    private List<List<String>> relatedTo(String part) {
        return attachments.values().stream()
                .filter(one -> one.of().equals(part))
                .map(one -> List.of(one.id(), R + "/" + one.type(), one.name()))
                .toList();
    }

    /** A field that the word processor works out, for example {@code PAGE} (ISO/IEC 29500-1 §17.16.5.44). */
    static String field(String name) {
        return "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText>" + name
                + "</w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r>";
    }

    private String contentTypes() {
        return "<Types xmlns=\"" + PACKAGE
                + "content-types\"><Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/>"
                + "<Default Extension=\"xml\" ContentType=\"application/xml\"/>"
                + type("/word/document.xml", WORD_TYPE + "document.main+xml")
                + type("/word/styles.xml", WORD_TYPE + "styles+xml")
                + type("/word/header1.xml", WORD_TYPE + "header+xml")
                + type("/word/footer1.xml", WORD_TYPE + "footer+xml")
                + type("/docProps/core.xml", "application/vnd.openxmlformats-package.core-properties+xml")
                + attachments.values().stream()
                        .map(one -> type("/word/" + one.name(), one.contentType()))
                        .distinct()
                        .collect(Collectors.joining())
                + "</Types>";
    }

    private static String type(String part, String type) {
        return "<Override PartName=\"" + part + "\" ContentType=\"" + type + "\"/>";
    }

    private static String rels(List<List<String>> all) {
        StringBuilder xml = new StringBuilder("<Relationships xmlns=\"" + PACKAGE + "relationships\">");
        all.forEach(one -> xml.append("<Relationship Id=\"")
                .append(one.get(0))
                .append("\" Type=\"")
                .append(one.get(1))
                .append("\" Target=\"")
                .append(one.get(2))
                .append("\"/>"));
        return xml.append("</Relationships>").toString();
    }

    private static String styles() {
        String font = "<w:rFonts w:ascii=\"Carlito\" w:hAnsi=\"Carlito\" w:cs=\"Carlito\"/>";
        return "<w:styles xmlns:w=\"" + W + "\"><w:docDefaults><w:rPrDefault><w:rPr>" + font
                + "<w:sz w:val=\"22\"/><w:lang w:val=\"en-GB\"/></w:rPr></w:rPrDefault></w:docDefaults>"
                + style("Normal", "", "<w:spacing w:after=\"120\" w:line=\"269\" w:lineRule=\"auto\"/>", "")
                + style(
                        "Title",
                        "Normal",
                        "<w:spacing w:after=\"240\"/>",
                        "<w:rFonts w:ascii=\"Caladea\" w:hAnsi=\"Caladea\"/><w:sz w:val=\"40\"/>")
                + style(
                        "Heading1",
                        "Normal",
                        "<w:keepNext/><w:spacing w:before=\"280\" w:after=\"100\"/><w:outlineLvl w:val=\"0\"/>",
                        "<w:rFonts w:ascii=\"Caladea\" w:hAnsi=\"Caladea\"/><w:b/><w:sz w:val=\"26\"/>")
                + style(
                        "Heading2",
                        "Normal",
                        "<w:keepNext/><w:spacing w:before=\"200\" w:after=\"80\"/><w:outlineLvl w:val=\"1\"/>",
                        "<w:rFonts w:ascii=\"Caladea\" w:hAnsi=\"Caladea\"/><w:b/><w:sz w:val=\"23\"/>")
                + style(
                        "Clause",
                        "Normal",
                        "<w:tabs><w:tab w:val=\"left\" w:pos=\"480\"/></w:tabs><w:ind w:left=\"480\" w:hanging=\"480\"/>",
                        "")
                + style("Cell", "Normal", "<w:keepNext/><w:spacing w:before=\"40\" w:after=\"40\"/>", "")
                + style(
                        "Small",
                        "Normal",
                        "<w:tabs><w:tab w:val=\"right\" w:pos=\"9300\"/></w:tabs><w:spacing w:after=\"0\"/>",
                        "<w:color w:val=\"555555\"/><w:sz w:val=\"17\"/>")
                + "</w:styles>";
    }

    private static String style(String id, String basedOn, String paragraph, String run) {
        return "<w:style w:type=\"paragraph\"" + (id.equals("Normal") ? " w:default=\"1\"" : "") + " w:styleId=\"" + id
                + "\"><w:name w:val=\"" + id.replaceFirst("^Heading(\\d)$", "heading $1") + "\"/>"
                + (basedOn.isEmpty() ? "" : "<w:basedOn w:val=\"" + basedOn + "\"/>") + "<w:pPr>" + paragraph
                + "</w:pPr><w:rPr>" + run + "</w:rPr></w:style>";
    }
}
