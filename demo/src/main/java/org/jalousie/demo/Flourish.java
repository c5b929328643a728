package org.jalousie.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** A name with a flourish under it, as a pen would leave it. */
final class Flourish {
    private Flourish() {}

    /** As a picture (PNG). */
    static byte[] of(String name) {
        BufferedImage image = new BufferedImage(720, 200, BufferedImage.TYPE_INT_ARGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setColor(new Color(0x14201f));
        Font font = new Font(Font.SERIF, Font.ITALIC, 92);
        double width = pen.getFontMetrics(font).stringWidth(name);
        pen.setFont(font.deriveFont((float) (92 * Math.min(1, 670 / width))));
        pen.drawString(name, 20, 120);
        pen.setStroke(new BasicStroke(3));
        Path2D line = new Path2D.Double();
        line.moveTo(30, 160);
        line.curveTo(200, 120 + name.length() * 3, 400, 190, 680, 130);
        pen.draw(line);
        pen.dispose();
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
