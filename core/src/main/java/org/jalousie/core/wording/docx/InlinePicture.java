package org.jalousie.core.wording.docx;

/** The markup of a picture that stands in a line (ISO/IEC 29500-1 §20.4.2.8). Lengths are in EMU, 36,000 to the millimetre. */
public final class InlinePicture {
    public static final int EMU_PER_MM = 36_000;
    public static final String OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final String DRAWING = "http://schemas.openxmlformats.org/drawingml/2006/";

    private InlinePicture() {}

    /**
     * @param wordNamespace transitional or strict
     * @param embed the relationship of the picture
     * @param link the relationship of an address it leads to, or empty
     */
    public static String xml(
            String wordNamespace, String embed, String link, long width, long height, int id, String description) {
        String name = SafeXml.escape(description);
        String click = link.isEmpty() ? "" : "<a:hlinkClick xmlns:a=\"" + DRAWING + "main\" r:id=\"" + link + "\"/>";
        return """
                <w:drawing xmlns:w="%s" xmlns:wp="%swordprocessingDrawing" xmlns:r="%s">\
                <wp:inline distT="0" distB="0" distL="0" distR="0"><wp:extent cx="%d" cy="%d"/>\
                <wp:docPr id="%d" name="%s" descr="%s">%s</wp:docPr>\
                <a:graphic xmlns:a="%smain"><a:graphicData uri="%spicture"><pic:pic xmlns:pic="%spicture">\
                <pic:nvPicPr><pic:cNvPr id="%d" name="%s"/><pic:cNvPicPr/></pic:nvPicPr>\
                <pic:blipFill><a:blip r:embed="%s"/><a:stretch><a:fillRect/></a:stretch></pic:blipFill>\
                <pic:spPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="%d" cy="%d"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></pic:spPr>\
                </pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing>""".formatted(
                        wordNamespace,
                        DRAWING,
                        OFFICE,
                        width,
                        height,
                        id,
                        name,
                        name,
                        click,
                        DRAWING,
                        DRAWING,
                        DRAWING,
                        id,
                        name,
                        embed,
                        width,
                        height);
    }
}
