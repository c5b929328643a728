package org.jalousie.core.placement;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.jalousie.core.messages.Message;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.pdf.Phrases;

/** Where spots are on the pages of one document. */
public final class Spots {
    private final List<Pages.Size> sizes;
    private final Supplier<PageWords> words;

    /** @param words read only when something hangs on them */
    public Spots(List<Pages.Size> sizes, Supplier<PageWords> words) {
        this.sizes = sizes;
        this.words = words;
    }

    /** A rectangle in PDF points from the lower left corner of its page. @param page from 1 */
    public record Box(int page, double x, double y, double width, double height) {
        PlacedField of(SigningField field) {
            return new PlacedField(field, page, x, y, width, height);
        }
    }

    /** Where a thing of a size stands; empty where its spot can't be found, of which {@link #fault} says why. */
    public Optional<Box> find(Spot spot, BoxSize size) {
        double width = FixedPages.points(size.widthMm());
        double height = FixedPages.points(size.heightMm());
        if (spot instanceof Spot.OnPage on) {
            if (on.page() < 1 || on.page() > sizes.size()) return Optional.empty();
            double top = sizes.get(on.page() - 1).height() - FixedPages.points(on.top());
            return Optional.of(new Box(on.page(), FixedPages.points(on.left()), top - height, width, height));
        }
        if (spot instanceof Spot.ByWords by) {
            List<PageWords.Word> places = words.get().places(by.words());
            if (places.size() != 1) return Optional.empty();
            PageWords.Word at = places.get(0);
            return Optional.of(new Box(
                    at.page(),
                    at.x() + FixedPages.points(by.right()),
                    at.y() - FixedPages.points(by.down()) - height,
                    width,
                    height));
        }
        return Optional.empty();
    }

    /** Why a spot is nowhere; empty when it is somewhere. @param title of what stands there */
    public Optional<Message> fault(Spot spot, String title) {
        if (spot instanceof Spot.OnPage on && (on.page() < 1 || on.page() > sizes.size()))
            return Optional.of(Message.of("spot.no-page", "title", title, "page", on.page(), "pages", sizes.size()));
        if (!(spot instanceof Spot.ByWords by)) return Optional.empty();
        List<PageWords.Word> places = words.get().places(by.words());
        if (places.size() == 1) return Optional.empty();
        if (places.isEmpty()) {
            List<String> alike = Phrases.alike(words.get(), by.words());
            return Optional.of(
                    alike.isEmpty()
                            ? Message.of("spot.words-gone", "title", title, "words", by.words())
                            : Message.of(
                                    "spot.words-alike",
                                    "title",
                                    title,
                                    "words",
                                    by.words(),
                                    "alike",
                                    "“" + String.join("”, “", alike) + "”"));
        }
        String pages = String.join(
                ", ",
                places.stream()
                        .map(one -> String.valueOf(one.page()))
                        .distinct()
                        .toList());
        return Optional.of(Message.of(
                "spot.words-often", "title", title, "words", by.words(), "count", places.size(), "pages", pages));
    }

    /** How many pages there are. */
    public int pages() {
        return sizes.size();
    }

    /** Where words stand that something hangs on, one box for each place. */
    public List<Box> wordsAt(String phrase) {
        return words.get().runs(phrase).stream()
                .map(run -> new Box(run.page(), run.x(), run.y(), run.width(), run.height()))
                .toList();
    }

    /** The spot for a box, hung on the nearest words that stand once; on its page where there are none. */
    public Spot tied(Box box) {
        return Phrases.nearest(words.get(), box.page(), box.x(), box.y(), box.width(), box.height())
                .<Spot>map(near -> new Spot.ByWords(
                        near.words(), mm(box.x() - near.at().x()), mm(near.at().y() - box.y() - box.height())))
                .orElseGet(() -> fixed(box));
    }

    /** The spot for a box on its page. */
    public Spot fixed(Box box) {
        double top = sizes.get(box.page() - 1).height() - box.y() - box.height();
        return new Spot.OnPage(box.page(), mm(box.x()), mm(top));
    }

    private static double mm(double points) {
        return Math.round(points * 25.4 / 72 * 100) / 100.0;
    }
}
