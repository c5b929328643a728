package org.jalousie.server.archive.roots;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.TrustService;
import org.jalousie.core.evidence.roots.DailyRoot;
import org.jalousie.core.evidence.stamps.TimeStampToken;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Daily roots as the list shows them and as files. */
@Service
class RootLists {
    private final RootStore store;
    private final TrustService trust;

    RootLists(RootStore store, TrustService trust) {
        this.store = store;
        this.trust = trust;
    }

    /** @param after,before the number of a root, as a page has given it; empty for the newest */
    @Transactional(readOnly = true)
    KeyedPage<DailyRootsController.Row> page(String after, String before) {
        List<RootStore.Kept> found = before.isEmpty()
                ? store.newest(after.isEmpty() ? Long.MAX_VALUE : number(after), Page.SIZE)
                : store.newer(number(before), Page.SIZE);
        long count = store.count();
        long first = found.isEmpty() ? 0 : found.get(0).number();
        String next = found.isEmpty() || store.newest(last(found), 1).isEmpty() ? null : String.valueOf(last(found));
        String previous = found.isEmpty() || store.newer(first, 1).isEmpty() ? null : String.valueOf(first);
        return new KeyedPage<>(
                rows(found),
                Math.min(count, KeyedPage.MOST_COUNTED),
                count > KeyedPage.MOST_COUNTED,
                (int) (Math.max(0, count - first) / Page.SIZE),
                Page.SIZE,
                next,
                previous);
    }

    private static long last(List<RootStore.Kept> found) {
        return found.get(found.size() - 1).number();
    }

    private static long number(String key) {
        try {
            return Long.parseLong(key);
        } catch (NumberFormatException e) {
            throw Refusal.malformed(Message.of("list.no-key"));
        }
    }

    DailyRootsController.Row row(long number) {
        return rows(List.of(find(number))).get(0);
    }

    private List<DailyRootsController.Row> rows(List<RootStore.Kept> found) {
        Map<Long, Integer> changed =
                store.countsOf(found.stream().map(RootStore.Kept::number).toList());
        return found.stream()
                .map(one -> row(one, changed.getOrDefault(one.number(), 0)))
                .toList();
    }

    private DailyRootsController.Row row(RootStore.Kept one, int changed) {
        Optional<TimeStampToken> stamp = TimeStampToken.read(
                one.token(), Sha256.of(one.statement().getBytes(StandardCharsets.UTF_8)), trust.anchors());
        Optional<DailyRoot> root = readable(one);
        return new DailyRootsController.Row(
                one.number(),
                root.map(DailyRoot::agreements).orElse(0),
                changed,
                root.map(DailyRoot::root).map(Sha256::hex).orElse(""),
                stamp.map(TimeStampToken::at).orElse(null),
                stamp.map(TimeStampToken::by).orElse(""));
    }

    private static Optional<DailyRoot> readable(RootStore.Kept one) {
        try {
            return Optional.of(one.root());
        } catch (RuntimeException e) {
            return Optional.empty();
        }
    }

    Optional<RootStore.LastCheck> lastCheck() {
        return store.lastCheck();
    }

    byte[] statement(long number) {
        return find(number).statement().getBytes(StandardCharsets.UTF_8);
    }

    byte[] token(long number) {
        return find(number).token();
    }

    private RootStore.Kept find(long number) {
        return store.find(number)
                .orElseThrow(() -> Refusal.notFound(Message.of("archive.roots.no-root", "root", number)));
    }
}
