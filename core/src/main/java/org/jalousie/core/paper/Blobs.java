package org.jalousie.core.paper;

import java.awt.Rectangle;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/** Dots that lie near each other, put together. */
final class Blobs {
    private Blobs() {}

    /**
     * @param near how far dots of one blob may lie apart
     * @param fewest dots that a blob has; less is dust
     */
    static List<Rectangle> of(boolean[] dots, int width, int height, int near, int fewest) {
        boolean[] joined = PageComparison.spread(dots, width, near / 2);
        boolean[] seen = new boolean[dots.length];
        List<Rectangle> blobs = new ArrayList<>();
        for (int start = 0; start < dots.length; start++) {
            if (!joined[start] || seen[start]) continue;
            Rectangle box = null;
            int count = 0;
            Deque<Integer> open = new ArrayDeque<>();
            open.add(start);
            seen[start] = true;
            while (!open.isEmpty()) {
                int at = open.poll();
                int x = at % width;
                int y = at / width;
                if (dots[at]) {
                    count++;
                    Rectangle dot = new Rectangle(x, y, 1, 1);
                    box = box == null ? dot : box.union(dot);
                }
                if (x > 0) push(at - 1, joined, seen, open);
                if (x < width - 1) push(at + 1, joined, seen, open);
                if (y > 0) push(at - width, joined, seen, open);
                if (y < height - 1) push(at + width, joined, seen, open);
            }
            if (count >= fewest) blobs.add(box);
        }
        return blobs;
    }

    private static void push(int at, boolean[] joined, boolean[] seen, Deque<Integer> open) {
        if (!joined[at] || seen[at]) return;
        seen[at] = true;
        open.add(at);
    }
}
