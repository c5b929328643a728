package org.jalousie.core.picture;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.oned.Code128Writer;
import com.google.zxing.qrcode.QRCodeWriter;
import java.awt.image.BufferedImage;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;

/** Text as a picture that machines read: QR code (ISO/IEC 18004) or Code 128 (ISO/IEC 15417). */
public final class Barcode {
    private Barcode() {}

    /** A square code with error correction level M and the standard's quiet zone of four modules. */
    public static PictureFile qr(String text) {
        try {
            Map<EncodeHintType, Object> hints = Map.of(EncodeHintType.CHARACTER_SET, "UTF-8", EncodeHintType.MARGIN, 4);
            return drawn(new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, hints), 8);
        } catch (WriterException e) {
            throw new NotPossible(Message.of("picture.qr-too-long", "text", shortened(text)));
        }
    }

    /** A row of bars, 80 characters of ASCII at most. */
    public static PictureFile code128(String text) {
        try {
            int width = new Code128Writer()
                    .encode(text, BarcodeFormat.CODE_128, 0, 1)
                    .getWidth();
            return drawn(new Code128Writer().encode(text, BarcodeFormat.CODE_128, width, Math.max(24, width / 5)), 4);
        } catch (IllegalArgumentException e) {
            throw new NotPossible(Message.of("picture.no-barcode", "text", shortened(text)));
        }
    }

    private static String shortened(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "\u2026" : text;
    }

    private static PictureFile drawn(BitMatrix matrix, int dots) {
        BufferedImage image =
                new BufferedImage(matrix.getWidth() * dots, matrix.getHeight() * dots, BufferedImage.TYPE_BYTE_BINARY);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                image.setRGB(x, y, matrix.get(x / dots, y / dots) ? 0xFF000000 : 0xFFFFFFFF);
            }
        }
        return PictureFile.png(image);
    }
}
