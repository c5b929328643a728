package org.jalousie.core.pdf;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.filter.FilterFactory;

/**
 * How large a PDF becomes when its streams are opened (ISO 32000-1 §7.4). A file from outside is weighed before a library opens
 * it, since a few kilobytes can stand for gigabytes. Nothing of what comes out is kept, so weighing takes no memory.
 */
public final class Opened {
    /** The most bytes that one stream may become; a page's picture in colour at 600 dpi has 100 million. */
    private static final long MOST_OF_ONE = 200L << 20;

    private static final long MOST_OF_ALL = 6L << 30;

    /** How often one compression within another is followed; nobody has a use for more than one. */
    private static final int DEEPEST = 3;

    /** How many bytes one can become at most: by LZW (§7.4.4, 4,096 from 12 bits), by run lengths (§7.4.5), by deflate (zlib). */
    private static final Map<String, Integer> GROWTH = Map.of("LZW", 2_731, "Run", 64, "RL", 64, "Fl", 1_032);

    private static final Pattern STREAM = Pattern.compile("stream(\\r\\n|\\n|\\r)");

    /** The characters of a name may be written as their codes (§7.3.5). */
    private static final Pattern CODE = Pattern.compile("#([0-9A-Fa-f]{2})");

    private static final Pattern FILTERS = Pattern.compile("/Filter\\s*(\\[[^\\]]*]|/[A-Za-z0-9]+)?");
    private static final Pattern NAME = Pattern.compile("/([A-Za-z0-9]+)");
    private static final int LONGEST_DICTIONARY = 16_000;

    /** How often each byte is looked at, at most: the streams of an honest file lie one after the other. */
    private static final int MOST_LOOKS = 4;

    private final byte[] pdf;
    private final long mostOfAll;
    private long all;
    private long looked;

    private Opened(byte[] pdf, long mostOfAll) {
        this.pdf = pdf;
        this.mostOfAll = mostOfAll;
    }

    /** Whether a file becomes more than can be held when it is opened. */
    public static boolean tooLarge(byte[] pdf) {
        return tooLarge(pdf, MOST_OF_ALL);
    }

    static boolean tooLarge(byte[] pdf, long mostOfAll) {
        return new Opened(pdf, mostOfAll).tooLarge();
    }

    private boolean tooLarge() {
        Latin text = Latin.of(pdf);
        Matcher stream = STREAM.matcher(text);
        int end = 0;
        long mostLooked = (long) MOST_LOOKS * pdf.length + (1 << 20);
        while (stream.find()) {
            if (text.startsWith("end", Math.max(0, stream.start() - 3))) continue;
            if (end < stream.end()) end = text.indexOf("endstream", stream.end());
            if (end < 0) end = pdf.length;
            long one = weight(dictionary(text, stream.start()), stream.end(), end);
            all += one;
            if (one > MOST_OF_ONE || all > mostOfAll || looked > mostLooked) return true;
        }
        return false;
    }

    private String dictionary(Latin text, int stream) {
        String before = text.subSequence(Math.max(0, stream - LONGEST_DICTIONARY), stream)
                .toString();
        String dictionary = before.substring(Math.max(0, before.lastIndexOf(" obj")));
        looked += dictionary.length();
        return dictionary;
    }

    private long weight(String dictionary, int from, int end) {
        List<String> filters = filters(dictionary);
        long most = end - from;
        boolean seenThrough = filters.size() <= DEEPEST;
        for (int i = 0; i < filters.size(); i++) {
            String filter = filters.get(i);
            // what deflate makes, and letters before it, is looked through; what stands behind other filters is not
            seenThrough &= !filter.matches("(LZW|Run|RL).*") && (i == 0 || !filter.startsWith("A"));
            for (Map.Entry<String, Integer> one : GROWTH.entrySet())
                if (filter.startsWith(one.getKey())) most = Math.min(most * one.getValue(), Integer.MAX_VALUE);
        }
        // compressed data may hold the word that ends a stream
        byte[] read =
                !filters.isEmpty() && filters.get(0).startsWith("A") ? outOfLetters(filters.get(0), from, end) : null;
        long inflated = read == null ? inflated(pdf, from, pdf.length - from) : inflated(read, 0, read.length);
        return seenThrough ? inflated : Math.max(inflated, most);
    }

    /** The filters in their order; one of the worst where they are told in another object. */
    private static List<String> filters(String dictionary) {
        String plain = CODE.matcher(dictionary)
                .replaceAll(code ->
                        Matcher.quoteReplacement(Character.toString((char) Integer.parseInt(code.group(1), 16))));
        Matcher filter = FILTERS.matcher(plain);
        List<String> names = new ArrayList<>();
        while (filter.find()) {
            if (filter.group(1) == null) names.add("LZW");
            else NAME.matcher(filter.group(1)).results().forEach(name -> names.add(name.group(1)));
        }
        return names;
    }

    private byte[] outOfLetters(String name, int from, int end) {
        COSName filter = name.contains("85") ? COSName.ASCII85_DECODE : COSName.ASCII_HEX_DECODE;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            FilterFactory.INSTANCE
                    .getFilter(filter)
                    .decode(new ByteArrayInputStream(pdf, from, end - from), out, new COSDictionary(), 0);
        } catch (IOException e) {
            return new byte[0]; // what can't be read becomes nothing
        }
        return out.toByteArray();
    }

    /** What the data become, whatever their dictionary says: names in it can be written in many ways. */
    private long inflated(byte[] data, int start, int length) {
        Layer outermost = new Layer(DEEPEST);
        try {
            outermost.take(data, start, length);
            looked += outermost.inflater.getBytesRead();
            return outermost.most();
        } finally {
            outermost.end();
        }
    }

    /** One compression; what comes out of it is tried as another one. */
    private static final class Layer {
        private final Inflater inflater = new Inflater(true);
        private final int deep;
        private Layer inner;
        private final byte[] out = new byte[1 << 16];
        private int header = 2; // skipped whatever it says, as readers of PDF do
        private long total;
        private boolean over;

        Layer(int deep) {
            this.deep = deep;
        }

        void take(byte[] data, int from, int length) {
            if (over) return;
            int skipped = Math.min(header, length);
            header -= skipped;
            inflater.setInput(data, from + skipped, length - skipped);
            try {
                int some;
                while (most() <= MOST_OF_ONE && (some = inflater.inflate(out)) > 0) {
                    total += some;
                    if (inner == null && deep > 1) inner = new Layer(deep - 1);
                    if (inner != null) inner.take(out, 0, some);
                }
                over = inflater.finished();
            } catch (DataFormatException e) {
                over = true; // what came out before the fault is what a reader takes too
            }
        }

        long most() {
            return inner == null ? total : Math.max(total, inner.most());
        }

        void end() {
            inflater.end();
            if (inner != null) inner.end();
        }
    }
}
