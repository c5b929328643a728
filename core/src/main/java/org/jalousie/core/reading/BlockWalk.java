package org.jalousie.core.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.jalousie.core.reading.ReadingText.Picture;

/** Walks a structure tree in its order, which is the order of reading, and makes blocks of it (ISO 32000-1 §14.8.2.3). */
final class BlockWalk {
    private static final Set<String> GROUPS = Set.of(
            "Document", "Part", "Art", "Sect", "Div", "BlockQuote", "TOC", "Index", "NonStruct", "Private", "LBody");
    private static final Set<String> BLOCKS =
            Set.of("P", "H", "H1", "H2", "H3", "H4", "H5", "H6", "L", "LI", "Table", "Note", "Caption", "TOCI");
    private static final Set<String> ROW_GROUPS = Set.of("THead", "TBody", "TFoot");

    /** Deeper than any word processor nests; a file from elsewhere may be a circle. */
    private static final int DEEPEST = 200;

    private final ReadingTexts texts;
    private final Set<COSDictionary> seen = new HashSet<>();
    private int deep;

    BlockWalk(ReadingTexts texts) {
        this.texts = texts;
    }

    /** Where the walk is: what was told further up. @param item whether the next words are an item's first */
    private record Place(int page, int list, boolean item, String label, boolean note) {
        Place in(int onPage) {
            return new Place(onPage, list, item, label, note);
        }
    }

    List<Block> all(Structure root) {
        return blocks(root, new Place(0, 0, false, "", false));
    }

    private List<Block> blocks(Structure of, Place place) {
        List<Block> made = new ArrayList<>();
        Walk walk = new Walk(of, place, made);
        for (Structure.Kid kid : texts.kids(of)) walk.take(kid);
        walk.end();
        return made;
    }

    private boolean enter(Structure structure) {
        if (deep >= DEEPEST) texts.lose();
        return deep < DEEPEST && seen.add(structure.dictionary());
    }

    /** What one element holds: blocks, and loose words between them that are a paragraph of their own. */
    private final class Walk {
        private final Structure of;
        private final List<Block> made;
        private Place place;
        private Words words;

        Walk(Structure of, Place place, List<Block> made) {
            this.of = of;
            this.made = made;
            this.place = place.in(
                    of.page().map(page -> texts.number(page, place.page)).orElse(place.page));
        }

        void take(Structure.Kid kid) {
            if (kid instanceof Structure.Element element && isBlock(element.structure())) {
                end();
                block(element.structure());
                return;
            }
            if (isLabel(kid)) return;
            inline(kid, place.page, "");
        }

        /** An item's mark is read ahead of its words. */
        private boolean isLabel(Structure.Kid kid) {
            return of.type().equals("LI")
                    && kid instanceof Structure.Element element
                    && element.structure().type().equals("Lbl");
        }

        private boolean isBlock(Structure one) {
            return GROUPS.contains(one.type()) || BLOCKS.contains(one.type()) || one.heading() > 0;
        }

        private void block(Structure one) {
            if (!enter(one)) return;
            deep++;
            switch (one.type()) {
                case "L" -> made.addAll(blocks(one, new Place(place.page, place.list + 1, false, "", place.note)));
                case "LI" -> made.addAll(blocks(one, new Place(place.page, place.list, true, label(one), place.note)));
                case "Table" -> table(one);
                case "Note" -> made.addAll(blocks(one, new Place(place.page, 0, false, "", true)));
                default -> made.addAll(blocks(one, place));
            }
            // an item's mark stands at its first words only
            place = new Place(place.page, place.list, false, "", false);
            deep--;
        }

        private String label(Structure item) {
            Words found = new Words(Block.Kind.PARAGRAPH, 0, false);
            int page = item.page().map(on -> texts.number(on, place.page)).orElse(place.page);
            for (Structure.Kid kid : texts.kids(item)) {
                if (!(kid instanceof Structure.Element one)
                        || !one.structure().type().equals("Lbl")) continue;
                if (enter(one.structure())) new Inline(found).element(one.structure(), page, "");
            }
            return found.block().words().strip();
        }

        private void inline(Structure.Kid kid, int page, String link) {
            if (words == null) words = begun();
            new Inline(words).take(kid, page, link);
        }

        private Words begun() {
            Words begun;
            if (of.heading() > 0) begun = new Words(Block.Kind.HEADING, of.heading(), false);
            else if (place.note) begun = new Words(Block.Kind.NOTE, 0, true);
            else if (place.item) begun = new Words(Block.Kind.ITEM, place.list, true);
            else begun = new Words(Block.Kind.PARAGRAPH, place.list, false);
            if (!place.label.isEmpty()) begun.label(place.label);
            return begun;
        }

        void end() {
            if (words == null) return;
            Block block = words.block();
            words = null;
            if (!block.empty()) {
                made.add(block);
                place = new Place(place.page, place.list, false, "", false);
            }
        }

        /** Words within a block, and blocks that stand among them. */
        private final class Inline {
            private final Words into;

            Inline(Words into) {
                this.into = into;
            }

            void take(Structure.Kid kid, int page, String link) {
                if (kid instanceof Structure.Sequence sequence) {
                    int on = texts.number(sequence.page(), page);
                    texts.printed(on, sequence.number()).forEach(piece -> into.piece(piece, on, link));
                } else if (kid instanceof Structure.Held held) {
                    texts.widgets.of(held.object()).ifPresent(run -> into.place(run, page));
                } else if (kid instanceof Structure.Apart) {
                    texts.lose();
                } else if (kid instanceof Structure.Element element && enter(element.structure())) {
                    deep++;
                    element(element.structure(), page, link);
                    deep--;
                }
            }

            void element(Structure one, int holder, String link) {
                int page = one.page().map(on -> texts.number(on, holder)).orElse(holder);
                if (one.type().equals("Figure") || one.type().equals("Formula")) {
                    if (figure(one, page)) return;
                }
                if (isBlock(one)) {
                    // what a text box holds stands among the words
                    made.addAll(
                            blocks(one, new Place(page, 0, false, "", one.type().equals("Note"))));
                    return;
                }
                if (one.instead().isPresent() && instead(one, page, link)) return;
                String leads = one.type().equals("Link") ? link(one) : link;
                for (Structure.Kid kid : texts.kids(one)) take(kid, page, leads);
            }

            /** What is to be read instead of what is printed. @return whether anything is printed */
            private boolean instead(Structure one, int page, String link) {
                List<Piece> printed = texts.kids(one).stream()
                        .filter(Structure.Sequence.class::isInstance)
                        .map(Structure.Sequence.class::cast)
                        .flatMap(kid -> texts.printed(texts.number(kid.page(), page), kid.number()).stream())
                        .toList();
                if (printed.isEmpty()) return false;
                into.piece(
                        printed.get(0)
                                .until(printed.get(printed.size() - 1))
                                .saying(one.instead().orElseThrow()),
                        page,
                        link);
                return true;
            }

            /** @return whether that is all there is of it */
            private boolean figure(Structure one, int holder) {
                List<Structure.Sequence> own = texts.kids(one).stream()
                        .filter(Structure.Sequence.class::isInstance)
                        .map(Structure.Sequence.class::cast)
                        .toList();
                int page = own.stream()
                        .mapToInt(kid -> texts.number(kid.page(), holder))
                        .findFirst()
                        .orElse(holder);
                Optional<PDRectangle> box = one.box();
                Optional<Stretch> place = box.flatMap(at -> texts.widgets.at(page, at));
                if (place.isPresent()) {
                    into.place(place.get(), page);
                    return true;
                }
                boolean words = own.stream()
                        .anyMatch(kid -> !texts.printed(texts.number(kid.page(), page), kid.number())
                                .isEmpty());
                boolean holds = texts.kids(one).stream().anyMatch(Structure.Element.class::isInstance);
                // a box of words is what it holds; one that somebody has described is a picture as well
                if (words || holds && one.alternative().isEmpty()) return false;
                if (box.isEmpty() || page < 1) {
                    texts.lose();
                    return false;
                }
                PDRectangle at = box.get();
                texts.pictures.add(new Picture(
                        page,
                        at.getLowerLeftX(),
                        at.getLowerLeftY(),
                        at.getWidth(),
                        at.getHeight(),
                        one.alternative()));
                into.place(Stretch.picture(texts.pictures.size(), one.alternative()), page);
                return !holds;
            }

            private String link(Structure one) {
                for (Structure.Kid kid : texts.kids(one)) {
                    if (!(kid instanceof Structure.Held held)) continue;
                    COSDictionary action = held.object().getCOSDictionary(COSName.A);
                    String address = action == null ? null : action.getString(COSName.URI);
                    if (address != null && address.matches("(?i)(https?|mailto):.{1,2000}")) return address;
                }
                return "";
            }
        }

        private void table(Structure table) {
            List<Block.Row> rows = new ArrayList<>();
            rows(table, place.page, rows);
            int page = rows.stream()
                    .mapToInt(Block.Row::page)
                    .filter(one -> one > 0)
                    .findFirst()
                    .orElse(0);
            if (!rows.isEmpty()) made.add(new Block(Block.Kind.TABLE, 0, "", page, List.of(), rows));
        }

        private void rows(Structure of, int holder, List<Block.Row> into) {
            for (Structure.Kid kid : texts.kids(of)) {
                if (!(kid instanceof Structure.Element element)) continue;
                Structure one = element.structure();
                int page = one.page().map(on -> texts.number(on, holder)).orElse(holder);
                if (!enter(one)) continue;
                if (ROW_GROUPS.contains(one.type())) {
                    deep++;
                    rows(one, page, into);
                    deep--;
                } else if (one.type().equals("TR")) row(one, page, into);
                else made.addAll(blocks(one, new Place(page, 0, false, "", false)));
            }
        }

        private void row(Structure row, int holder, List<Block.Row> into) {
            List<Block.Cell> cells = new ArrayList<>();
            for (Structure.Kid kid : texts.kids(row)) {
                if (!(kid instanceof Structure.Element element) || !enter(element.structure())) continue;
                Structure one = element.structure();
                cells.add(new Block.Cell(
                        one.type().equals("TH"),
                        one.number("ColSpan", 1),
                        one.number("RowSpan", 1),
                        blocks(one, new Place(holder, 0, false, "", false))));
            }
            int page = cells.stream()
                    .flatMap(cell -> cell.blocks().stream())
                    .mapToInt(Block::page)
                    .filter(one -> one > 0)
                    .findFirst()
                    .orElse(holder);
            if (!cells.isEmpty()) into.add(new Block.Row(page, cells));
        }
    }
}
