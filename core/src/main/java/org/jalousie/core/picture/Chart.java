package org.jalousie.core.picture;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.function.DoubleFunction;

/** A simple chart of named numbers, in ink on paper, as a picture of 2:1. */
public final class Chart {
    private static final int WIDTH = 1600;
    private static final int HEIGHT = 800;
    private static final int LEFT = 190;
    private static final int BOTTOM = 110;
    private static final Color INK = new Color(0x1D, 0x27, 0x26);
    private static final Color RULE = new Color(0xB8, 0xB2, 0xA2);

    private Chart() {}

    /** One bar or point. */
    public record Datum(String label, double value) {}

    /** @param scale prints a number at the axis */
    public static PictureFile bars(List<Datum> data, DoubleFunction<String> scale) {
        return draw(data, scale, true);
    }

    /** @param scale prints a number at the axis */
    public static PictureFile lines(List<Datum> data, DoubleFunction<String> scale) {
        return draw(data, scale, false);
    }

    private static PictureFile draw(List<Datum> data, DoubleFunction<String> scale, boolean bars) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 32));
        double least = Math.min(0, data.stream().mapToDouble(Datum::value).min().orElse(0));
        double most = Math.max(0, data.stream().mapToDouble(Datum::value).max().orElse(1));
        double step = step(most - least);
        double low = Math.floor(least / step) * step;
        double high = Math.max(Math.ceil(most / step) * step, low + step);
        for (int i = 0; low + i * step <= high + step / 2; i++) {
            double value = low + i * step;
            int y = y(value, low, high);
            g.setColor(value == 0 ? INK : RULE);
            g.drawLine(LEFT, y, WIDTH - 20, y);
            g.setColor(INK);
            String text = scale.apply(value);
            g.drawString(text, LEFT - 16 - g.getFontMetrics().stringWidth(text), y + 11);
        }
        double room = (double) (WIDTH - 20 - LEFT) / Math.max(1, data.size());
        g.setStroke(new BasicStroke(4));
        for (int i = 0; i < data.size(); i++) {
            int middle = (int) (LEFT + room * (i + 0.5));
            int y = y(data.get(i).value(), low, high);
            int zero = y(0, low, high);
            g.setColor(INK);
            if (bars) {
                int half = (int) Math.max(2, room * 0.3);
                g.fillRect(middle - half, Math.min(y, zero), half * 2, Math.abs(zero - y));
            } else {
                g.fillOval(middle - 8, y - 8, 16, 16);
                if (i > 0) g.drawLine((int) (middle - room), y(data.get(i - 1).value(), low, high), middle, y);
            }
            label(g, data.get(i).label(), middle, room);
        }
        g.dispose();
        return PictureFile.png(image);
    }

    private static void label(Graphics2D g, String label, int middle, double room) {
        String text = label;
        while (text.length() > 1 && g.getFontMetrics().stringWidth(text) > room - 8)
            text = text.substring(0, text.length() - 2) + "\u2026";
        g.drawString(text, middle - g.getFontMetrics().stringWidth(text) / 2, HEIGHT - BOTTOM + 56);
    }

    private static int y(double value, double low, double high) {
        return (int) Math.round((HEIGHT - BOTTOM) - (value - low) / (high - low) * (HEIGHT - BOTTOM - 40));
    }

    /** One, two or five times a power of ten, so that four to ten lines are drawn. */
    static double step(double range) {
        if (range <= 0) return 1;
        double power = Math.pow(10, Math.floor(Math.log10(range / 4)));
        double ratio = range / 4 / power;
        return power * (ratio >= 5 ? 5 : ratio >= 2 ? 2 : 1);
    }
}
