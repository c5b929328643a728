package org.jalousie.core.letters;

/** Writes a letter as HTML that mail programs show alike: no style sheet, no script, nothing fetched from elsewhere. */
final class LetterHtml {
    private static final String BODY = "margin:0;padding:24px 12px;background:#f6f3ea;color:#1d2726;"
            + "font-family:'Hanken Grotesk',Helvetica,Arial,sans-serif;font-size:16px;line-height:1.5";
    private static final String SHEET = "max-width:36em;margin:0 auto;background:#fffefa;padding:28px 32px";
    private static final String BESIDE = "color:#55605d;font-size:14px";

    private LetterHtml() {}

    static String of(LetterText letter, OfficeLook look) {
        StringBuilder html = new StringBuilder("<!doctype html>\n<html lang=\"")
                .append(escaped(letter.language()))
                .append("\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\">")
                .append("<title>")
                .append(escaped(look.office()))
                .append("</title></head>\n<body style=\"")
                .append(BODY)
                .append("\"><div style=\"")
                .append(SHEET)
                .append("\">\n<p style=\"margin:0 0 20px;padding:0 0 12px;border-bottom:2px solid ")
                .append(look.colour())
                .append(";color:")
                .append(look.colour())
                .append(";font-weight:600\">");
        look.logo()
                .ifPresentOrElse(
                        logo -> html.append("<img src=\"")
                                .append(escaped(logo))
                                .append("\" height=\"44\" style=\"height:44px;border:0\" alt=\"")
                                .append(escaped(look.office()))
                                .append("\">"),
                        () -> html.append(escaped(look.office())));
        html.append("</p>\n");
        letter.parts().forEach(part -> html.append(part(part, look)).append('\n'));
        return html.append("</div></body></html>\n").toString();
    }

    private static String part(LetterText.Part part, OfficeLook look) {
        if (part instanceof LetterText.Said said) return paragraph("", said.text());
        if (part instanceof LetterText.Aside aside) return paragraph(BESIDE, aside.text());
        if (part instanceof LetterText.Signed signed) return paragraph("", signed.office());
        LetterText.Way way = (LetterText.Way) part;
        String address = escaped(way.address());
        // the address stands there too, for who copies it or sees no links
        return "<p style=\"margin:0 0 16px\"><a href=\"" + address
                + "\" style=\"display:inline-block;padding:12px 20px;border-radius:3px;color:#ffffff;text-decoration:none;background:"
                + look.colour() + "\">" + escaped(way.label())
                + "</a></p>\n<p style=\"margin:0 0 16px;word-break:break-all;"
                + BESIDE + "\">" + address + "</p>";
    }

    private static String paragraph(String style, String text) {
        return "<p style=\"margin:0 0 16px;" + style + "\">" + escaped(text).replace("\n", "<br>\n") + "</p>";
    }

    private static String escaped(String text) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            char letter = text.charAt(i);
            switch (letter) {
                case '&' -> out.append("&amp;");
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '"' -> out.append("&quot;");
                case '\'' -> out.append("&#39;");
                default -> out.append(letter);
            }
        }
        return out.toString();
    }
}
