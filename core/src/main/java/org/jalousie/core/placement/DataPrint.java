package org.jalousie.core.placement;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.jalousie.core.lettering.Ink;
import org.jalousie.core.lettering.SetLine;
import org.jalousie.core.lettering.TextBox;
import org.jalousie.core.lettering.TypeSetter;
import org.jalousie.core.messages.Message;

/** Prints data into their rooms on the pages of one document, as part of the pages. */
final class DataPrint {
    private static final float CAPITALS = 0.7f; // of a font's size, about

    private final PDDocument document;
    private final Spots spots;
    private final List<Message> faults;
    private final Map<Integer, StringBuilder> drawn = new LinkedHashMap<>();

    DataPrint(PDDocument document, Spots spots, List<Message> faults) {
        this.document = document;
        this.spots = spots;
        this.faults = faults;
    }

    List<FixedPages.Print> all(List<DataPlace> places, Function<DataPlace, String> text) throws IOException {
        List<FixedPages.Print> prints = new ArrayList<>();
        try (Ink ink = new Ink(document)) {
            for (int i = 0; i < places.size(); i++) {
                DataPlace place = places.get(i);
                Optional<Spots.Box> box = spots.find(place.spot(), place.size());
                if (box.isEmpty()) {
                    spots.fault(place.spot(), place.tag()).ifPresent(faults::add);
                    continue;
                }
                Spots.Box at = box.get();
                prints.add(new FixedPages.Print(i, at.page(), at.x(), at.y(), at.width(), at.height()));
                String words = text.apply(place);
                if (words.isBlank()) continue;
                if (!place.marks().isEmpty()) cross(at);
                else words(place, at, words, ink);
            }
        }
        for (Map.Entry<Integer, StringBuilder> page : drawn.entrySet())
            append(document.getPage(page.getKey() - 1), page.getValue().toString());
        return prints;
    }

    /** Two strokes from corner to corner of the square in the middle of the room. */
    private void cross(Spots.Box at) {
        double side = Math.min(at.width(), at.height()) * 0.7;
        double x = at.x() + (at.width() - side) / 2;
        double y = at.y() + (at.height() - side) / 2;
        onto(at.page())
                .append(String.format(
                        Locale.ROOT,
                        "q 0 G %.2f w %.2f %.2f m %.2f %.2f l S %.2f %.2f m %.2f %.2f l S Q%n",
                        Math.max(0.6, side / 9),
                        x,
                        y,
                        x + side,
                        y + side,
                        x,
                        y + side,
                        x + side,
                        y));
    }

    private void words(DataPlace place, Spots.Box at, String words, Ink ink) {
        TypeSetter setter = TypeSetter.here(place.style());
        boolean wrap = place.fit() == DataPlace.Fit.WRAP;
        TextBox room = new TextBox((float) at.width(), (float) at.height(), (float) place.points(), wrap);
        Optional<TextBox.Block> set = room.set(words, setter);
        if (set.isEmpty()) faults.add(Message.of("data-place.too-long", "tag", place.tag(), "page", at.page()));
        TextBox.Block block = set.orElseGet(() -> room.setAnyway(words, setter));
        PDResources resources = resources(document.getPage(at.page() - 1));
        boolean single = block.lines().size() == 1 && at.height() < 2 * block.size() * TextBox.LEADING;
        double y = single ? at.y() + (at.height() - CAPITALS * block.size()) / 2 : at.y() + at.height() - block.size();
        StringBuilder out = onto(at.page());
        out.append("q\n");
        for (SetLine line : block.lines()) {
            double left = at.x() + aside(place, at.width(), line.width(block.size()));
            out.append(ink.show(line, block.size(), (float) left, (float) y, 0, resources));
            y -= block.size() * TextBox.LEADING;
        }
        out.append("Q\n");
    }

    private static double aside(DataPlace place, double room, double width) {
        return switch (place.align()) {
            case LEFT -> TextBox.SIDE;
            case MIDDLE -> (room - width) / 2;
            case RIGHT -> room - width - TextBox.SIDE;
        };
    }

    private StringBuilder onto(int page) {
        return drawn.computeIfAbsent(page, any -> new StringBuilder());
    }

    private static PDResources resources(PDPage page) {
        PDResources own = page.getResources() == null ? new PDResources() : page.getResources();
        page.setResources(own);
        return own;
    }

    /** Behind what the page draws, which leaves nothing open. */
    private void append(PDPage page, String operators) throws IOException {
        PDStream stream = new PDStream(document);
        try (var out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(("\n" + operators).getBytes(StandardCharsets.US_ASCII));
        }
        COSArray contents = new COSArray();
        COSBase before = page.getCOSObject().getDictionaryObject(COSName.CONTENTS);
        if (before instanceof COSArray several) contents.addAll(several);
        else if (before instanceof COSStream) contents.add(page.getCOSObject().getItem(COSName.CONTENTS));
        contents.add(stream.getCOSObject());
        page.getCOSObject().setItem(COSName.CONTENTS, contents);
    }
}
