package org.jalousie.core.paper;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.util.Arrays;

/**
 * A page as brightness, row by row; 0 is black, 255 is white.
 *
 * @param values one for each dot
 */
record Grey(int width, int height, byte[] values) {
    static Grey of(BufferedImage image) {
        BufferedImage grey = image;
        if (image.getType() != BufferedImage.TYPE_BYTE_GRAY) {
            grey = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
            Graphics2D graphics = grey.createGraphics();
            graphics.drawImage(image, 0, 0, java.awt.Color.WHITE, null);
            graphics.dispose();
        }
        byte[] values = new byte[image.getWidth() * image.getHeight()];
        grey.getRaster().getDataElements(0, 0, image.getWidth(), image.getHeight(), values);
        return new Grey(image.getWidth(), image.getHeight(), values);
    }

    /** Outside of it everything is white. */
    int at(int x, int y) {
        return x < 0 || y < 0 || x >= width || y >= height ? 255 : values[y * width + x] & 0xFF;
    }

    /** Between dots, in proportion to how near each is. */
    double between(double x, double y) {
        int left = (int) Math.floor(x);
        int top = (int) Math.floor(y);
        double right = x - left;
        double below = y - top;
        return (at(left, top) * (1 - right) + at(left + 1, top) * right) * (1 - below)
                + (at(left, top + 1) * (1 - right) + at(left + 1, top + 1) * right) * below;
    }

    /** The mean of each square of dots. */
    Grey smaller(int times) {
        if (times == 1) return this;
        int wide = Math.max(1, width / times);
        int high = Math.max(1, height / times);
        byte[] small = new byte[wide * high];
        for (int y = 0; y < high; y++) {
            for (int x = 0; x < wide; x++) {
                int sum = 0;
                for (int dy = 0; dy < times; dy++)
                    for (int dx = 0; dx < times; dx++) sum += at(x * times + dx, y * times + dy);
                small[y * wide + x] = (byte) (sum / (times * times));
            }
        }
        return new Grey(wide, high, small);
    }

    /** Turned by quarters, with the hands of a clock. */
    Grey turned(int quarters) {
        if (quarters % 4 == 0) return this;
        byte[] turned = new byte[values.length];
        for (int y = 0; y < height; y++)
            for (int x = 0; x < width; x++) turned[x * height + (height - 1 - y)] = values[y * width + x];
        return new Grey(height, width, turned).turned(quarters - 1);
    }

    /** As dark as the paper around it lets it be: 0 where it is as bright as the paper, 255 where it is black. */
    Grey ink() {
        int square = Math.max(8, width / 40);
        int across = (width + square - 1) / square;
        int down = (height + square - 1) / square;
        int[] paper = new int[across * down];
        for (int row = 0; row < down; row++)
            for (int column = 0; column < across; column++)
                paper[row * across + column] = paper(column * square, row * square, square);
        byte[] ink = new byte[values.length];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int white = around(paper, across, down, x / square, y / square);
                ink[y * width + x] = (byte) Math.max(0, 255 - at(x, y) * 255 / Math.max(60, white));
            }
        }
        return new Grey(width, height, ink);
    }

    /** What a ninth of ten dots are darker than. */
    private int paper(int left, int top, int square) {
        int[] counts = new int[256];
        int all = 0;
        for (int y = top; y < Math.min(height, top + square); y++) {
            for (int x = left; x < Math.min(width, left + square); x++) {
                counts[at(x, y)]++;
                all++;
            }
        }
        int seen = 0;
        for (int value = 255; value > 0; value--) {
            seen += counts[value];
            if (seen * 10 >= all) return value;
        }
        return 0;
    }

    /** The brightest of what lies around: a square may be all ink. */
    private static int around(int[] paper, int across, int down, int column, int row) {
        int most = 0;
        for (int y = Math.max(0, row - 1); y <= Math.min(down - 1, row + 1); y++)
            for (int x = Math.max(0, column - 1); x <= Math.min(across - 1, column + 1); x++)
                most = Math.max(most, paper[y * across + x]);
        return most;
    }

    /** How much of a page is ink, from 0 to 1; of what {@link #ink} gives. */
    double share(int threshold, int margin) {
        long dark = 0;
        for (int y = margin; y < height - margin; y++)
            for (int x = margin; x < width - margin; x++) if (at(x, y) > threshold) dark++;
        return (double) dark / Math.max(1, (long) (width - 2 * margin) * (height - 2 * margin));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Grey grey && width == grey.width && Arrays.equals(values, grey.values);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(values);
    }
}
