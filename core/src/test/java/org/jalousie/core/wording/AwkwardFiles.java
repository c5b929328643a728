package org.jalousie.core.wording;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jalousie.core.data.Value;
import org.jalousie.core.wording.write.WordDraft;

/**
 * Word files with something awkward in them, each beside the same file with the words typed. Shapes are those that word
 * processors save (ISO/IEC 29500-1), written by hand.
 */
public final class AwkwardFiles {
    /**
     * One file.
     *
     * @param typed what the merged file has to equal; null when the template is to be refused instead
     * @param codes what has to be reported of it
     */
    public record Case(String name, byte[] template, byte[] typed, Set<String> codes) {
        @Override
        public String toString() {
            return name;
        }
    }

    static final Map<String, Value> VALUES = values();

    private final List<Case> all = new ArrayList<>();

    private AwkwardFiles() {}

    public static Map<String, Value> values() {
        Map<String, Value> values = new HashMap<>();
        values.put("lender_name", new Value.Text("Ida Marsh"));
        values.put("abroad", new Value.YesNo(true));
        values.put("insured", new Value.YesNo(false));
        values.put("country", new Value.Text("GB"));
        values.put("country_is_gb", new Value.YesNo(true));
        values.put("amount_over_1000", new Value.YesNo(false));
        values.put("start_date", new Value.Day(LocalDate.of(2027, 3, 15)));
        values.put("generated_on", new Value.Day(LocalDate.of(2027, 3, 1)));
        values.put(":file_name", new Value.Text("A-2027-0001 Loan.pdf"));
        values.put("fee", new Value.Money(Currency.getInstance("EUR"), new BigDecimal("12500.00")));
        values.put("terms", new Value.Rich("<p>First.</p><p>Second.</p>"));
        values.put(
                "objects",
                new Value.Items(
                        List.of(Map.of("title", new Value.Text("Viola")), Map.of("title", new Value.Text("Lute")))));
        return values;
    }

    public static List<Case> all() {
        AwkwardFiles files = new AwkwardFiles();
        files.splitTags();
        files.besideTags();
        files.blocks();
        files.tables();
        files.controls();
        files.fields();
        files.codes();
        files.halves();
        files.namesTaken();
        files.references();
        files.notesAndBoxes();
        files.plainPlaces();
        files.packages();
        files.spaces();
        return files.all;
    }

    static String p(String content) {
        return "<w:p>" + content + "</w:p>";
    }

    static String t(String words) {
        return "<w:r><w:t xml:space=\"preserve\">" + words + "</w:t></w:r>";
    }

    static String r(String content) {
        return "<w:r>" + content + "</w:r>";
    }

    static String bold(String words) {
        return "<w:r w:rsidR=\"00A1\"><w:rPr><w:b/></w:rPr><w:t xml:space=\"preserve\">" + words + "</w:t></w:r>";
    }

    static String field(String code, String result) {
        return r("<w:fldChar w:fldCharType=\"begin\"/>")
                + r("<w:instrText xml:space=\"preserve\"> " + code + " </w:instrText>")
                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                + t(result)
                + r("<w:fldChar w:fldCharType=\"end\"/>");
    }

    static String mark(String id, String name, String content) {
        return "<w:bookmarkStart w:id=\"" + id + "\" w:name=\"" + name + "\"/>" + content + "<w:bookmarkEnd w:id=\""
                + id + "\"/>";
    }

    static String cell(String content) {
        return "<w:tc><w:tcPr><w:tcW w:w=\"4000\" w:type=\"dxa\"/></w:tcPr>" + content + "</w:tc>";
    }

    static String row(String... cells) {
        return "<w:tr>" + String.join("", cells) + "</w:tr>";
    }

    static String table(String... rows) {
        return "<w:tbl><w:tblPr><w:tblW w:w=\"8000\" w:type=\"dxa\"/></w:tblPr><w:tblGrid><w:gridCol w:w=\"4000\"/><w:gridCol w:w=\"4000\"/></w:tblGrid>"
                + String.join("", rows) + "</w:tbl>";
    }

    static String sym() {
        return r("<w:sym w:font=\"Wingdings\" w:char=\"F0A8\"/>");
    }

    static String pageBreak() {
        return r("<w:br w:type=\"page\"/>");
    }

    static String control(String properties, String content) {
        return "<w:sdt><w:sdtPr>" + properties + "</w:sdtPr><w:sdtContent>" + content + "</w:sdtContent></w:sdt>";
    }

    static String box(String content) {
        return "<w:r><w:drawing><wp:inline xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\" distT=\"0\" distB=\"0\" distL=\"0\" distR=\"0\"><wp:extent cx=\"2160000\" cy=\"720000\"/><wp:docPr id=\"77\" name=\"Box\"/><a:graphic xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\"><wps:wsp xmlns:wps=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\"><wps:cNvSpPr txBox=\"1\"/><wps:spPr><a:xfrm><a:off x=\"0\" y=\"0\"/><a:ext cx=\"2160000\" cy=\"720000\"/></a:xfrm><a:prstGeom prst=\"rect\"><a:avLst/></a:prstGeom></wps:spPr><wps:txbx><w:txbxContent>"
                + content
                + "</w:txbxContent></wps:txbx><wps:bodyPr/></wps:wsp></a:graphicData></a:graphic></wp:inline></w:drawing></w:r>";
    }

    static String equation() {
        return "<m:oMath xmlns:m=\"http://schemas.openxmlformats.org/officeDocument/2006/math\"><m:r><m:t>x+1</m:t></m:r></m:oMath>";
    }

    private static byte[] file(String body) {
        return new WordDraft().raw(body).bytes();
    }

    private void same(String name, String template, String typed) {
        all.add(new Case(name, file(template), file(typed), Set.of()));
    }

    private void told(String name, String template, String... codes) {
        all.add(new Case(name, file(template), null, Set.of(codes)));
    }

    private void toldAndSame(String name, String template, String typed, String... codes) {
        all.add(new Case(name, file(template), file(typed), Set.of(codes)));
    }

    private void splitTags() {
        Map<String, String> shapes = new LinkedHashMap<>();
        shapes.put("whole", t("{{lender_name}}"));
        shapes.put("in three runs", t("{{") + bold("lender_name") + t("}}"));
        shapes.put(
                "between braces", t("{") + t("{lender_") + "<w:proofErr w:type=\"spellStart\"/>" + t("name}") + t("}"));
        shapes.put(
                "by a smart tag",
                t("{{") + "<w:smartTag w:uri=\"urn:x\" w:element=\"place\">" + t("lender_name") + "</w:smartTag>"
                        + t("}}"));
        shapes.put(
                "by the cursor's bookmark",
                t("{{lender") + "<w:bookmarkStart w:id=\"9\" w:name=\"_GoBack\"/><w:bookmarkEnd w:id=\"9\"/>"
                        + t("_name}}"));
        shapes.put("by a break of the last page", t("{{lender") + r("<w:lastRenderedPageBreak/><w:t>_name}}</w:t>"));
        Map<String, UnaryOperator<String>> places = new LinkedHashMap<>();
        places.put("a line", x -> p(t("By ") + x + t(" of Greyford")));
        places.put("a cell", x -> table(row(cell(p(x)), cell(p(t("x"))))) + p(""));
        places.put("a list", x -> "<w:p><w:pPr><w:ind w:left=\"720\"/></w:pPr>" + t("a ") + x + "</w:p>");
        places.put(
                "a link",
                x -> p("<w:hyperlink w:anchor=\"here\">" + x + "</w:hyperlink>" + mark("4", "here", t("here"))));
        places.put("a box", x -> p(box(p(x))));
        shapes.forEach((shape, tag) -> places.forEach(
                (place, in) -> same("a tag cut " + shape + ", in " + place, in.apply(tag), in.apply(t("Ida Marsh")))));
    }

    private void besideTags() {
        same("a symbol within a condition", p(t("{{#abroad}}") + sym() + t("{{/abroad}}")), p(sym()));
        same(
                "a symbol for each case",
                p(t("{{#abroad}}") + sym() + t("{{/abroad}}{{^abroad}}") + sym() + t("{{/abroad}} abroad")),
                p(sym() + t(" abroad")));
        same(
                "a page break beside the beginning",
                p(t("a")) + p(t("{{#abroad}}") + pageBreak()) + p(t("b")) + p(t("{{/abroad}}")),
                p(t("a")) + p(pageBreak()) + p(t("b")));
        same(
                "a page break that is not to be printed",
                p(t("a")) + p(t("{{#insured}}") + pageBreak()) + p(t("b")) + p(t("{{/insured}}")) + p(t("c")),
                p(t("a")) + p(t("c")));
        same(
                "a page break before the end",
                p(t("a")) + p(t("{{#abroad}}")) + p(t("b")) + p(pageBreak() + t("{{/abroad}}")) + p(t("c")),
                p(t("a")) + p(t("b")) + p(pageBreak()) + p(t("c")));
        same(
                "a page break behind the end",
                p(t("{{#insured}}")) + p(t("b")) + p(t("{{/insured}}") + pageBreak()) + p(t("c")),
                p(pageBreak()) + p(t("c")));
        same(
                "a page break in a line of a condition",
                p(t("{{#abroad}}") + pageBreak() + t("{{/abroad}}")) + p(t("c")),
                p(pageBreak()) + p(t("c")));
        same(
                "an empty value beside a page break",
                p(t("{{nothing}}") + pageBreak()) + p(t("c")),
                p(pageBreak()) + p(t("c")));
        same("an empty value beside a symbol", p(sym() + t("{{nothing}}")), p(sym()));
        same(
                "a value in a run with a symbol",
                p(r("<w:t>{{lender_name}}</w:t><w:sym w:font=\"Wingdings\" w:char=\"F0A8\"/>")),
                p(t("Ida Marsh") + sym()));
        same(
                "a symbol in the midst of a tag",
                p(r("<w:t>{{lender_</w:t>").replace("</w:r>", "")
                        + "<w:sym w:font=\"Wingdings\" w:char=\"F0A8\"/><w:t>name}}</w:t></w:r>"),
                p(t("Ida Marsh") + sym()));
        same(
                "a picture in a run with an empty value",
                p(box(p(t("x")))
                        .replace("</w:r>", "<w:t>{{nothing}}</w:t></w:r>")
                        .replaceFirst("(?s)(<w:t[^>]*>x</w:t>)<w:t>\\{\\{nothing}}</w:t>", "$1")),
                p(box(p(t("x")))));
        same("an equation beside a section's tag", p(t("{{#abroad}}") + equation() + t("{{/abroad}}")), p(equation()));
        same(
                "a tab and a line break beside a value",
                p(r("<w:tab/><w:t>{{lender_name}}</w:t><w:br/><w:t>x</w:t>")),
                p(r("<w:tab/><w:t>Ida Marsh</w:t><w:br/><w:t>x</w:t>")));
        same(
                "a contents list ends in the paragraph of a section's tag",
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                                + r("<w:instrText> TOC \\o &quot;1-3&quot; </w:instrText>")
                                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                                + t("Terms"))
                        + p(r("<w:fldChar w:fldCharType=\"end\"/>") + t("{{#abroad}}")) + p(t("b"))
                        + p(t("{{/abroad}}"))
                        + "<w:p><w:pPr><w:pStyle w:val=\"Heading1\"/></w:pPr>" + t("Terms") + "</w:p>",
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                                + r("<w:instrText> TOC \\o &quot;1-3&quot; </w:instrText>")
                                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                                + t("Terms"))
                        + p(r("<w:fldChar w:fldCharType=\"end\"/>")) + p(t("b"))
                        + "<w:p><w:pPr><w:pStyle w:val=\"Heading1\"/></w:pPr>" + t("Terms") + "</w:p>");
        same(
                "an index ends in the paragraph of an empty value",
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                                + r("<w:instrText> QUOTE a </w:instrText>")
                                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                                + t("a"))
                        + p(r("<w:fldChar w:fldCharType=\"end\"/>") + t("{{nothing}}"))
                        + p(t("b")),
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                                + r("<w:instrText> QUOTE a </w:instrText>")
                                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                                + t("a"))
                        + p(r("<w:fldChar w:fldCharType=\"end\"/>"))
                        + p(t("b")));
        told(
                "a section that holds one end of a field",
                p(t("{{#abroad}}"))
                        + p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                                + r("<w:instrText> TOC </w:instrText>")
                                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                                + t("x"))
                        + p(t("{{/abroad}}")) + p(t("y") + r("<w:fldChar w:fldCharType=\"end\"/>"))
                        + "<w:p><w:pPr><w:pStyle w:val=\"Heading1\"/></w:pPr>" + t("Terms") + "</w:p>",
                "section-cuts-field");
    }

    private void blocks() {
        String landscape = "<w:sectPr><w:pgSz w:w=\"16838\" w:h=\"11906\" w:orient=\"landscape\"/></w:sectPr>";
        String portrait =
                "<w:sectPr><w:headerReference w:type=\"default\" r:id=\"rId2\"/><w:footerReference w:type=\"default\" r:id=\"rId3\"/><w:pgSz w:w=\"11906\" w:h=\"16838\"/></w:sectPr>";
        same(
                "an annex as the last section, printed",
                "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("a") + "</w:p>" + p(t("{{#abroad}}")) + p(t("annex"))
                        + p(t("{{/abroad}}")),
                "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("a") + "</w:p>" + p(t("annex")));
        same(
                "an annex as the last section, not printed",
                p(t("0")) + "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("a") + "</w:p>" + p(t("{{#insured}}"))
                        + p(t("annex")) + p(t("{{/insured}}")),
                p(t("0")) + p(t("a")));
        same(
                "an annex in the middle with its own break, not printed",
                "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("a") + "</w:p>" + p(t("{{#insured}}")) + p(t("annex"))
                        + "<w:p><w:pPr>" + landscape + "</w:pPr>" + t("{{/insured}}") + "</w:p>" + p(t("b")),
                "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("a") + "</w:p>" + p(t("b")));
        same(
                "an annex in the middle with its own break, printed",
                "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("a") + "</w:p>" + p(t("{{#abroad}}")) + p(t("annex"))
                        + "<w:p><w:pPr>" + landscape + "</w:pPr>" + t("{{/abroad}}") + "</w:p>" + p(t("b")),
                "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("a") + "</w:p>" + p(t("annex")) + "<w:p><w:pPr>" + landscape
                        + "</w:pPr></w:p>" + p(t("b")));
        same(
                "a section begins in the paragraph of a section break",
                p(t("a")) + "<w:p><w:pPr>" + portrait + "</w:pPr>" + t("{{#insured}}") + "</w:p>" + p(t("b"))
                        + p(t("{{/insured}}")) + p(t("c")),
                p(t("a")) + "<w:p><w:pPr>" + portrait + "</w:pPr></w:p>" + p(t("c")));
        same(
                "formatted text in a paragraph with a break before it",
                "<w:p><w:pPr><w:pageBreakBefore/></w:pPr>" + t("{{terms}}") + "</w:p>",
                "<w:p><w:pPr><w:pageBreakBefore/></w:pPr>" + t("First.") + "</w:p>" + p(t("Second.")));
        same(
                "formatted text in a paragraph with a bookmark",
                p(mark("5", "terms", t("{{terms}}"))),
                p("<w:bookmarkStart w:id=\"5\" w:name=\"terms\"/>" + t("First."))
                        + p(t("Second.") + "<w:bookmarkEnd w:id=\"5\"/>"));
        same(
                "a list of paragraphs",
                p(t("{{#objects}}")) + p(t("{{title}}")) + p(t("{{/objects}}")) + p(t("end")),
                p(t("Viola")) + p(t("Lute")) + p(t("end")));
        same(
                "a list of paragraphs with a page break each",
                p(t("{{#objects}}") + pageBreak()) + p(t("{{title}}")) + p(t("{{/objects}}")),
                p(pageBreak()) + p(t("Viola")) + p(pageBreak()) + p(t("Lute")));
        same(
                "a comment in a paragraph with a break",
                p(t("{{! draft }}") + pageBreak()) + p(t("a")),
                p(pageBreak()) + p(t("a")));
        told(
                "a run-in heading",
                p(bold("Travel. ") + t("{{#abroad}}")) + p(t("b")) + p(t("{{/abroad}}")),
                "section-crosses");
    }

    private void tables() {
        same(
                "a section between two paragraphs of one cell, not printed",
                table(row(cell(p(t("a")) + p(t("{{#insured}}")) + p(t("b")) + p(t("{{/insured}}"))), cell(p(t("c")))))
                        + p(""),
                table(row(cell(p(t("a"))), cell(p(t("c"))))) + p(""));
        same(
                "a section between two paragraphs of one cell, printed",
                table(row(cell(p(t("a")) + p(t("{{#abroad}}")) + p(t("b")) + p(t("{{/abroad}}"))), cell(p(t("c")))))
                        + p(""),
                table(row(cell(p(t("a")) + p(t("b"))), cell(p(t("c"))))) + p(""));
        told(
                "a section in words of two paragraphs of one cell",
                table(row(cell(p(t("a {{#abroad}}b")) + p(t("c{{/abroad}} d"))), cell(p(t("e"))))) + p(""),
                "section-crosses");
        same(
                "a list round the paragraphs of a row's only cell",
                table(
                                row(cell(p(t("head")))),
                                row(cell(p(t("{{#objects}}")) + p(t("{{title}}")) + p(t("{{/objects}}")))))
                        + p(""),
                table(row(cell(p(t("head")))), row(cell(p(t("Viola")))), row(cell(p(t("Lute"))))) + p(""));
        same(
                "a list in the paragraph of a row's only cell",
                table(row(cell(p(t("head")))), row(cell(p(t("{{#objects}}{{title}}{{/objects}}"))))) + p(""),
                table(row(cell(p(t("head")))), row(cell(p(t("Viola")))), row(cell(p(t("Lute"))))) + p(""));
        same(
                "a list over the cells of a row",
                table(row(cell(p(t("{{#objects}}{{position}}"))), cell(p(t("{{title}}{{/objects}}"))))) + p(""),
                table(row(cell(p(t("1"))), cell(p(t("Viola")))), row(cell(p(t("2"))), cell(p(t("Lute"))))) + p(""));
        same(
                "rows of tags round rows",
                table(
                                row(cell(p(t("{{#objects}}"))), cell(p(""))),
                                row(cell(p(t("{{title}}"))), cell(p(sym()))),
                                row(cell(p(t("{{/objects}}"))), cell(p(""))))
                        + p(""),
                table(row(cell(p(t("Viola"))), cell(p(sym()))), row(cell(p(t("Lute"))), cell(p(sym())))) + p(""));
        told(
                "a row of tags with a symbol in it",
                table(
                                row(cell(p(t("{{#objects}}"))), cell(p(sym()))),
                                row(cell(p(t("{{title}}"))), cell(p(t("x")))),
                                row(cell(p(t("{{/objects}}"))), cell(p(""))))
                        + p(""),
                "section-crosses");
        same(
                "two tables with only a tag between them",
                table(row(cell(p(t("a")))))
                        + p(t("{{#insured}}"))
                        + p(t("x"))
                        + p(t("{{/insured}}"))
                        + table(row(cell(p(t("b")))))
                        + p(""),
                table(row(cell(p(t("a"))))) + p("") + table(row(cell(p(t("b"))))) + p(""));
        same(
                "two tables with an empty value between them",
                table(row(cell(p(t("a"))))) + p(t("{{nothing}}")) + table(row(cell(p(t("b"))))) + p(""),
                table(row(cell(p(t("a"))))) + p("") + table(row(cell(p(t("b"))))) + p(""));
        same(
                "a table for each item",
                p(t("{{#objects}}")) + table(row(cell(p(t("{{title}}"))))) + p(t("{{/objects}}")) + p(t("end")),
                table(row(cell(p(t("Viola"))))) + p("") + table(row(cell(p(t("Lute"))))) + p(t("end")));
        same(
                "a condition in a line between two tables",
                table(row(cell(p(t("a"))))) + p(t("{{#insured}}x{{/insured}}")) + table(row(cell(p(t("b"))))) + p(""),
                table(row(cell(p(t("a"))))) + p("") + table(row(cell(p(t("b"))))) + p(""));
        same(
                "a table in a cell that ends with a section",
                table(row(cell(table(row(cell(p(t("in"))))) + p(t("{{#insured}}x{{/insured}}"))), cell(p(t("c")))))
                        + p(""),
                table(row(cell(table(row(cell(p(t("in"))))) + p("")), cell(p(t("c"))))) + p(""));
        same(
                "a bookmark round the rows of a list",
                table("<w:bookmarkStart w:id=\"3\" w:name=\"rows\"/>"
                                + row(cell(p(t("{{#objects}}{{title}}"))), cell(p(t("x{{/objects}}"))))
                                + "<w:bookmarkEnd w:id=\"3\"/>")
                        + p(field("REF rows \\h", "x")),
                table("<w:bookmarkStart w:id=\"3\" w:name=\"rows\"/>" + row(cell(p(t("Viola"))), cell(p(t("x"))))
                                + row(cell(p(t("Lute"))), cell(p(t("x")))) + "<w:bookmarkEnd w:id=\"3\"/>")
                        + p(field("REF rows \\h", "x")));
        told(
                "tables forty deep",
                "D"
                                .repeat(40)
                                .replace(
                                        "D",
                                        "<w:tbl><w:tblPr/><w:tblGrid><w:gridCol w:w=\"900\"/></w:tblGrid><w:tr><w:tc>")
                        + p(t("{{lender_name}}"))
                        + (p("") + "</w:tc></w:tr></w:tbl>").repeat(40)
                        + p(""),
                "tables-nested");
    }

    private void controls() {
        String hint = "<w:r><w:rPr><w:rStyle w:val=\"PlaceholderText\"/></w:rPr><w:t>Click to enter</w:t></w:r>";
        same(
                "a control that shows its hint is a field",
                p(t("By ") + control("<w:tag w:val=\"lender_name\"/><w:showingPlcHdr/><w:text/>", hint)),
                p(t("By ") + t("Ida Marsh")));
        same(
                "a control with words whose tag only looks like a name",
                p(control("<w:tag w:val=\"goog_rdk_0\"/>", t("These words stay. ")) + t("{{lender_name}}")),
                p(control("<w:tag w:val=\"goog_rdk_0\"/>", t("These words stay. ")) + t("Ida Marsh")));
        same(
                "several paragraphs in a control",
                control("<w:tag w:val=\"goog_rdk_1\"/>", p(t("one")) + p(t("two"))) + p(t("{{lender_name}}")),
                control("<w:tag w:val=\"goog_rdk_1\"/>", p(t("one")) + p(t("two"))) + p(t("Ida Marsh")));
        same(
                "a control of a field that is known from elsewhere",
                p(t("{{lender_name}} ") + control("<w:tag w:val=\"lender_name\"/><w:text/>", t("Last Year's Lender"))),
                p(t("Ida Marsh ") + t("Ida Marsh")));
        told(
                "several paragraphs in a control of a known field",
                p(t("{{lender_name}}")) + control("<w:tag w:val=\"lender_name\"/>", p(t("one")) + p(t("two"))),
                "control-several-paragraphs");
        same(
                "a control round a cell",
                table("<w:tr>" + control("<w:tag w:val=\"lender_name\"/><w:showingPlcHdr/>", cell(p(hint)))
                                + cell(p(t("x"))) + "</w:tr>")
                        + p(""),
                table(row(cell(p(t("Ida Marsh"))), cell(p(t("x"))))) + p(""));
        same(
                "a control round a row",
                table(
                                control("<w:tag w:val=\"some_row\"/>", row(cell(p(t("a"))), cell(p(t("b"))))),
                                row(cell(p(t("{{lender_name}}"))), cell(p(t("b")))))
                        + p(""),
                table(
                                control("<w:tag w:val=\"some_row\"/>", row(cell(p(t("a"))), cell(p(t("b"))))),
                                row(cell(p(t("Ida Marsh"))), cell(p(t("b")))))
                        + p(""));
        told(
                "an empty control without a name",
                p(control("<w:showingPlcHdr/>", hint)) + p(t("{{lender_name}}")),
                "control-empty");
        same(
                "a control that is bound and holds a tag",
                p(control(
                        "<w:tag w:val=\"x1\"/><w:dataBinding w:xpath=\"/a\" w:storeItemID=\"{0}\"/><w:text/>",
                        t("{{lender_name}}"))),
                p(t("Ida Marsh")));
        same(
                "a control named in words that shows its hint",
                p(control("<w:alias w:val=\"lender name\"/><w:showingPlcHdr/>", hint)),
                p(t("Ida Marsh")));
        same(
                "a tick box control stays",
                p(control(
                                "<w:tag w:val=\"abroad\"/><w14:checkbox xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\"/>",
                                t("\u2610"))
                        + t(" {{lender_name}}")),
                p(control(
                                "<w:tag w:val=\"abroad\"/><w14:checkbox xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\"/>",
                                t("\u2610"))
                        + t(" Ida Marsh")));
        same(
                "a section over two controls",
                control("<w:tag w:val=\"a1\"/>", p(t("{{#abroad}}")))
                        + p(t("b"))
                        + control("<w:tag w:val=\"a2\"/>", p(t("{{/abroad}}"))),
                p(t("b")));
    }

    private void fields() {
        same(
                "a merge field in one run",
                p(
                        r(
                                "<w:fldChar w:fldCharType=\"begin\"/><w:instrText> MERGEFIELD lender_name </w:instrText><w:fldChar w:fldCharType=\"separate\"/><w:t>\u00ablender_name\u00bb</w:t><w:fldChar w:fldCharType=\"end\"/>")),
                p(t("Ida Marsh")));
        same(
                "a merge field over two paragraphs",
                p(t("By ")
                                + r("<w:fldChar w:fldCharType=\"begin\"/>")
                                + r("<w:instrText> MERGEFIELD lender_name </w:instrText>")
                                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                                + t("\u00ablender"))
                        + p(t("name\u00bb") + r("<w:fldChar w:fldCharType=\"end\"/>") + t(", lender")),
                p(t("By ") + t("Ida Marsh") + t(", lender")));
        same(
                "a merge field with a picture of a date",
                p(field("MERGEFIELD start_date \\@ \"dddd d MMMM yyyy\"", "x")),
                p(t("Monday 15 March 2027")));
        same(
                "a merge field with a picture of a number",
                p(field("MERGEFIELD fee \\# \"#,##0\" \\* MERGEFORMAT", "x")),
                p(t("12,500")));
        same("a merge field in capitals", p(field("MERGEFIELD lender_name \\* Upper", "x")), p(t("IDA MARSH")));
        same(
                "a merge field with words before and after",
                p(field("MERGEFIELD lender_name \\b \"by \" \\f \".\"", "x")
                        + field("MERGEFIELD nothing \\b \" and \"", "x")),
                p(t("by ") + t("Ida Marsh") + t(".")));
        told(
                "a merge field with a switch that can't be followed",
                p(field("MERGEFIELD fee \\* Roman", "x")),
                "field-switch");
        same(
                "a condition of the word processor",
                p(t("It ") + iff("country", "= \"GB\" \"stays\" \"travels\"") + t(".")),
                p(t("It ") + t("stays") + t(".")));
        same(
                "the opposite of a condition",
                p(t("It ") + iff("country", "&lt;&gt; \"GB\" \"travels\" \"stays\"") + t(".")),
                p(t("It ") + t("stays") + t(".")));
        same(
                "a condition on a number",
                p(t("Fee ") + iff("amount", "&gt; 1000 \"high\" \"low\"")),
                p(t("Fee ") + t("low")));
        same(
                "a merge field within a condition",
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                        + r("<w:instrText xml:space=\"preserve\"> IF </w:instrText>")
                        + field("MERGEFIELD country", "GB")
                        + r("<w:instrText xml:space=\"preserve\"> = \"GB\" \"by </w:instrText>")
                        + field("MERGEFIELD lender_name", "x")
                        + r("<w:instrText>\" \"\" </w:instrText>")
                        + r("<w:fldChar w:fldCharType=\"separate\"/>")
                        + t("x")
                        + r("<w:fldChar w:fldCharType=\"end\"/>")),
                p(t("by ") + t("Ida Marsh")));
        told("a condition that can't be followed", p(iff("country", "= \"G*\" \"a\" \"b\"")), "field-unsupported");
        for (String type : List.of(
                "ADDRESSBLOCK \\f x",
                "GREETINGLINE \\f x",
                "NEXT",
                "MERGEREC",
                "ASK a b",
                "FILLIN a",
                "MACROBUTTON NoMacro Click"))
            told("the field " + type, p(t("{{lender_name}} ") + field(type, "x")), "field-unsupported");
        for (String type : List.of(
                "INCLUDETEXT \"c:\\\\a.docx\"",
                "INCLUDEPICTURE \"http://example.org/a.png\"",
                "LINK Excel.Sheet.8 \"c:\\\\a.xls\"",
                "DDEAUTO a b")) told("the field " + type, p(t("{{lender_name}} ") + field(type, "x")), "field-outside");
        same(
                "the file's name",
                p(field("FILENAME \\p", "C:\\Users\\clerk\\Loan.docx") + t(" {{lender_name}}")),
                p(t("A-2027-0001 Loan.pdf") + t(" Ida Marsh")));
        same(
                "the file's name in one element",
                p("<w:fldSimple w:instr=\" FILENAME \">" + t("Loan.docx") + "</w:fldSimple>"),
                p(t("A-2027-0001 Loan.pdf")));
        same("the day of conversion", p(field("DATE \\@ \"d MMMM yyyy\"", "1 January 2020")), p(t("1 March 2027")));
        same("the day of saving", p(field("SAVEDATE \\@ \"yyyy-MM-dd\"", "2020-01-01")), p(t("2027-03-01")));
        same(
                "the template's path",
                p(field("TEMPLATE \\p", "C:\\Users\\clerk\\Normal.dotm") + t(" {{lender_name}}")),
                p(t("Normal.dotm") + t(" Ida Marsh")));
        same(
                "the user's name stays as it was saved",
                p(field("USERNAME", "A Clerk") + t(" {{lender_name}}")),
                p(t("A Clerk") + t(" Ida Marsh")));
        same(
                "page numbers stay fields",
                p(field("PAGE", "1") + t(" {{lender_name}}")),
                p(field("PAGE", "1") + t(" Ida Marsh")));
        same(
                "a link's code with a tag",
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                        + r("<w:instrText> HYPERLINK \"https://example.org/{{cou</w:instrText>")
                        + r("<w:instrText>ntry}}\" </w:instrText>")
                        + r("<w:fldChar w:fldCharType=\"separate\"/>")
                        + t("{{lender_name}}")
                        + r("<w:fldChar w:fldCharType=\"end\"/>")),
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                        + r("<w:instrText> HYPERLINK \"https://example.org/GB\" </w:instrText>")
                        + r("<w:instrText></w:instrText>")
                        + r("<w:fldChar w:fldCharType=\"separate\"/>")
                        + t("Ida Marsh")
                        + r("<w:fldChar w:fldCharType=\"end\"/>")));
    }

    static String iff(String field, String rest) {
        return r("<w:fldChar w:fldCharType=\"begin\"/>")
                + r("<w:instrText xml:space=\"preserve\"> IF </w:instrText>")
                + field("MERGEFIELD " + field, "x")
                + r("<w:instrText xml:space=\"preserve\"> " + rest.replace("\"", "&quot;") + " </w:instrText>")
                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                + t("x")
                + r("<w:fldChar w:fldCharType=\"end\"/>");
    }

    private void codes() {
        String separate = r("<w:fldChar w:fldCharType=\"separate\"/>");
        String begin = r("<w:fldChar w:fldCharType=\"begin\"/>");
        String end = r("<w:fldChar w:fldCharType=\"end\"/>");
        same(
                "a merge field in a link's code",
                p(begin
                        + r("<w:instrText xml:space=\"preserve\"> HYPERLINK \"https://example.org/</w:instrText>")
                        + field("MERGEFIELD country", "x")
                        + r("<w:instrText>\" </w:instrText>")
                        + separate
                        + t("a")
                        + end),
                p(begin
                        + r("<w:instrText> HYPERLINK \"https://example.org/GB\" </w:instrText>")
                        + r("<w:instrText></w:instrText>")
                        + r("<w:instrText></w:instrText>")
                        + separate
                        + t("a")
                        + end));
        told(
                "a formula over a merge field",
                p(begin
                        + r("<w:instrText> = </w:instrText>")
                        + field("MERGEFIELD fee", "x")
                        + r("<w:instrText> * 2 </w:instrText>")
                        + separate
                        + t("4")
                        + end),
                "field-unsupported");
        same(
                "a quotation with a tag",
                p(field("QUOTE &quot;by {{lender_name}}&quot;", "y")),
                p(t("by ") + t("Ida Marsh")));
        String settings =
                "<w:settings xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"><w:docVars><w:docVar w:name=\"who\" w:val=\"{{lender_name}}\"/></w:docVars></w:settings>";
        String type = "application/vnd.openxmlformats-officedocument.wordprocessingml.settings+xml";
        byte[] variable = new WordDraft()
                .raw(p(t("By ") + field("DOCVARIABLE who", "old")))
                .attach("document.xml", "rId60", "settings", "settings.xml", settings.getBytes(), type)
                .bytes();
        all.add(new Case("a document variable with a tag", variable, file(p(t("By ") + t("Ida Marsh"))), Set.of()));
    }

    private void namesTaken() {
        same(
                "a bookmark of the name that a copy would get",
                p(mark("1", "item_2", t("x")))
                        + p(t("{{#objects}}"))
                        + p(mark("8", "item", t("{{title}}")) + field("REF item", "y"))
                        + p(t("{{/objects}}")),
                p(mark("1", "item_2", t("x")))
                        + p(mark("8", "item", t("Viola")) + field("REF item", "y"))
                        + p(mark("9", "item_2_", t("Lute")) + field("REF item_2_", "y")));
    }

    private void halves() {
        String begin = r("<w:fldChar w:fldCharType=\"begin\"/>");
        String end = r("<w:fldChar w:fldCharType=\"end\"/>");
        told(
                "a field without its end",
                p(begin + r("<w:instrText> PAGE </w:instrText>") + t("{{lender_name}}")),
                "field-half");
        told("a field without its beginning", p(end + t("{{lender_name}}")), "field-half");
        String words = p(t("{{lender.signature}} {{#abroad}}x{{/abroad}}"));
        String copies =
                "<w:r><mc:AlternateContent xmlns:mc=\"http://schemas.openxmlformats.org/markup-compatibility/2006\"><mc:Choice Requires=\"wps\">"
                        + box(words).replaceAll("^<w:r>|</w:r>$", "")
                        + "</mc:Choice><mc:Fallback><w:pict><v:textbox xmlns:v=\"urn:schemas-microsoft-com:vml\"><w:txbxContent>"
                        + words + "</w:txbxContent></v:textbox></w:pict></mc:Fallback></mc:AlternateContent></w:r>";
        told("a signing field in both copies of a text box", p(copies));
    }

    private void references() {
        same(
                "a bookmark that begins in a tag's paragraph",
                p("<w:bookmarkStart w:id=\"7\" w:name=\"part\"/>" + t("{{#abroad}}"))
                        + p(t("b"))
                        + p(t("{{/abroad}}") + "<w:bookmarkEnd w:id=\"7\"/>")
                        + p(t("see ") + field("REF part \\h", "b")),
                "<w:bookmarkStart w:id=\"7\" w:name=\"part\"/>" + p(t("b")) + "<w:bookmarkEnd w:id=\"7\"/>"
                        + p(t("see ") + field("REF part \\h", "b")));
        same(
                "a reference within each item",
                p(t("{{#objects}}"))
                        + p(mark("8", "item", t("{{title}}")) + t(" is ") + field("REF item \\h", "x"))
                        + p(t("{{/objects}}")),
                p(mark("8", "item", t("Viola")) + t(" is ") + field("REF item \\h", "x"))
                        + p(mark("9", "item_2", t("Lute")) + t(" is ") + field("REF item_2 \\h", "x")));
        told("a reference to nothing", p(t("{{lender_name}} ") + field("REF gone \\h", "x")), "reference-missing");
        toldAndSame(
                "a reference into a passage that is printed",
                p(t("{{#abroad}}"))
                        + p(mark("8", "there", t("b")))
                        + p(t("{{/abroad}}"))
                        + p(field("REF there \\h", "b")),
                p(mark("8", "there", t("b"))) + p(field("REF there \\h", "b")),
                "reference-conditional");
        same(
                "half a bookmark within a passage",
                p(t("a ") + "<w:bookmarkStart w:id=\"7\" w:name=\"half\"/>" + t("b {{#insured}}c")
                        + "<w:bookmarkEnd w:id=\"7\"/>" + t(" d{{/insured}}")),
                p(t("a ") + "<w:bookmarkStart w:id=\"7\" w:name=\"half\"/>" + t("b ") + "<w:bookmarkEnd w:id=\"7\"/>"));
        same(
                "a permission round a passage",
                p("<w:permStart w:id=\"1\" w:edGrp=\"everyone\"/>" + t("{{#abroad}}"))
                        + p(t("b"))
                        + p(t("{{/abroad}}") + "<w:permEnd w:id=\"1\"/>"),
                "<w:permStart w:id=\"1\" w:edGrp=\"everyone\"/>" + p(t("b")) + "<w:permEnd w:id=\"1\"/>");
        same(
                "a contents list without a heading keeps its entries as words",
                p(r("<w:fldChar w:fldCharType=\"begin\"/>")
                                + r("<w:instrText> TOC \\o &quot;1-3&quot; </w:instrText>")
                                + r("<w:fldChar w:fldCharType=\"separate\"/>")
                                + t("Terms 1"))
                        + p(r("<w:fldChar w:fldCharType=\"end\"/>"))
                        + p(t("{{lender_name}}")),
                p(t("Terms 1")) + p("") + p(t("Ida Marsh")));
        all.set(
                all.size() - 1,
                new Case(
                        all.get(all.size() - 1).name(),
                        all.get(all.size() - 1).template(),
                        all.get(all.size() - 1).typed(),
                        Set.of("contents-empty")));
    }

    private void notesAndBoxes() {
        same(
                "a list round a text box",
                p(t("{{#objects}}") + box(p(t("{{title}}"))) + t("{{/objects}}")),
                p(box(p(t("Viola")))) + p(box(p(t("Lute"))).replace("id=\"77\"", "id=\"78\"")));
        same(
                "a list round a text box and words",
                p(t("All: {{#objects}}") + box(p(t("{{title}}"))) + t("{{/objects}}")),
                p(t("All: ") + box(p(t("Viola"))) + box(p(t("Lute"))).replace("id=\"77\"", "id=\"78\"")));
        same("a condition in a text box", p(box(p(t("{{#insured}}x{{/insured}}")))), p(box(p(""))));
        String anchor =
                "<mc:AlternateContent xmlns:mc=\"http://schemas.openxmlformats.org/markup-compatibility/2006\"><mc:Choice Requires=\"wps\">%s</mc:Choice><mc:Fallback>%s</mc:Fallback></mc:AlternateContent>";
        same(
                "words in alternate content within a line",
                p(t("By ") + r(anchor.formatted("<w:t>{{lender_name}}</w:t>", "<w:t>{{lender_name}}</w:t>"))),
                p(t("By ") + r(anchor.formatted("<w:t>Ida Marsh</w:t>", "<w:t>Ida Marsh</w:t>"))));
    }

    private void plainPlaces() {
        same(
                "a table's caption and description",
                table(row(cell(p(t("x")))))
                                .replace(
                                        "<w:tblW",
                                        "<w:tblCaption w:val=\"Of {{lender_name}}\"/><w:tblDescription w:val=\"{{#abroad}}abroad{{/abroad}}{{#insured}}insured{{/insured}}\"/><w:tblW")
                        + p(""),
                table(row(cell(p(t("x")))))
                                .replace(
                                        "<w:tblW",
                                        "<w:tblCaption w:val=\"Of Ida Marsh\"/><w:tblDescription w:val=\"abroad\"/><w:tblW")
                        + p(""));
        same(
                "a tooltip",
                p("<w:hyperlink w:anchor=\"x\" w:tooltip=\"of {{lender_name}}\">" + t("a") + "</w:hyperlink>"
                        + mark("1", "x", t("b"))),
                p("<w:hyperlink w:anchor=\"x\" w:tooltip=\"of Ida Marsh\">" + t("a") + "</w:hyperlink>"
                        + mark("1", "x", t("b"))));
        same(
                "an alternative text of a box",
                p(box(p(t("a"))).replace("name=\"Box\"", "name=\"Box\" descr=\"of {{lender_name}} and others\"")),
                p(box(p(t("a"))).replace("name=\"Box\"", "name=\"Box\" descr=\"of Ida Marsh and others\"")));
        same(
                "a watermark",
                p(
                        "<w:r><w:pict><v:shape xmlns:v=\"urn:schemas-microsoft-com:vml\" style=\"width:200pt;height:50pt\" alt=\"for {{lender_name}}\"><v:textpath string=\"{{lender_name}}\"/></v:shape></w:pict></w:r>"),
                p(
                        "<w:r><w:pict><v:shape xmlns:v=\"urn:schemas-microsoft-com:vml\" style=\"width:200pt;height:50pt\" alt=\"for Ida Marsh\"><v:textpath string=\"Ida Marsh\"/></v:shape></w:pict></w:r>"));
        same(
                "an entry of the index",
                p(t("a")
                        + r("<w:fldChar w:fldCharType=\"begin\"/>")
                        + r("<w:instrText> XE \"{{lender_name}}\" </w:instrText>")
                        + r("<w:fldChar w:fldCharType=\"end\"/>")),
                p(t("a")
                        + r("<w:fldChar w:fldCharType=\"begin\"/>")
                        + r("<w:instrText> XE \"Ida Marsh\" </w:instrText>")
                        + r("<w:fldChar w:fldCharType=\"end\"/>")));
        told(
                "a clause in a description",
                p(box(p(t("{{lender_name}}"))).replace("name=\"Box\"", "name=\"Box\" descr=\"{{>care}} x\"")),
                "tag-in-plain-text");
    }

    private void packages() {
        byte[] usual = file(p(t("By {{lender_name}}")));
        byte[] typed = file(p(t("By Ida Marsh")));
        all.add(new Case(
                "a body under another name",
                Zips.renamed(usual, "word/document.xml", "word/document2.xml"),
                typed,
                Set.of()));
        all.add(new Case(
                "a header under another name",
                Zips.renamed(
                        new WordDraft()
                                .header("For {{lender_name}}")
                                .raw(p(t("x")))
                                .bytes(),
                        "word/header1.xml",
                        "word/top.xml"),
                Zips.renamed(
                        new WordDraft().header("For Ida Marsh").raw(p(t("x"))).bytes(),
                        "word/header1.xml",
                        "word/top.xml"),
                Set.of()));
        all.add(new Case(
                "a picture linked from outside",
                Zips.changed(
                        file(
                                p(
                                        "<w:r><w:drawing><wp:inline xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\"><wp:extent cx=\"1\" cy=\"1\"/><wp:docPr id=\"1\" name=\"x\"/><a:graphic xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><a:blip r:link=\"rId77\"/></a:graphic></wp:inline></w:drawing></w:r>")),
                        "word/_rels/document.xml.rels",
                        xml -> xml.replace(
                                "</Relationships>",
                                "<Relationship Id=\"rId77\" Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/image\" Target=\"http://example.org/a.png\" TargetMode=\"External\"/></Relationships>")),
                null,
                Set.of("outside-picture")));
        all.add(new Case(
                "an instruction to programs in the text",
                Zips.changed(
                        usual,
                        "word/document.xml",
                        xml -> xml.replace(
                                "<w:t xml:space=\"preserve\">By",
                                "<?jalousie s0?><!-- <?jalousie c1?> --><w:t xml:space=\"preserve\">By")),
                typed,
                Set.of()));
        all.add(new Case(
                "a code that is no character",
                Zips.changed(usual, "word/document.xml", xml -> xml.replace("By ", "By \ufdd0")),
                null,
                Set.of("no-character")));
        all.add(new Case(
                "a signature of the package",
                Zips.added(usual, "_xmlsignatures/sig1.xml", "<Signature/>"),
                typed,
                Set.of("package-signature")));
        all.add(new Case(
                "an inserted web page with a tag",
                Zips.added(usual, "word/afchunk.htm", "<html><p>{{lender_name}}</p></html>"),
                null,
                Set.of("tag-left")));
    }

    private void spaces() {
        for (String space : List.of("\u00a0", "\u200b", "\u202f", "\ufeff", "\u2003")) {
            String code = "U+%04X".formatted((int) space.charAt(0));
            same(code + " within braces", p(t("By {{" + space + "lender_name" + space + "}}")), p(t("By Ida Marsh")));
            same(
                    code + " beside a section's tag",
                    p(t("{{#abroad}}" + space)) + p(t("b")) + p(t(space + "{{/abroad}}")),
                    p(t("b")));
        }
        same(
                "names of other scripts",
                p(
                        t(
                                "{{#\u0434\u043e\u0433\u043e\u0432\u043e\u0440}}x{{/\u0434\u043e\u0433\u043e\u0432\u043e\u0440}}{{^\u501f\u7528}}y{{/\u501f\u7528}}")),
                p(t("y")));
        told("one finding three times", p(t("{{ghost.gown}}")), "party-unknown");
    }
}
