package org.jalousie.core.paper;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.Binarizer;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.LuminanceSource;
import com.google.zxing.NotFoundException;
import com.google.zxing.PlanarYUVLuminanceSource;
import com.google.zxing.Result;
import com.google.zxing.ResultPoint;
import com.google.zxing.common.GlobalHistogramBinarizer;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.qrcode.QRCodeMultiReader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Finds marks on a page, whichever way it was laid on the scanner. */
final class MarkReader {
    private static final Map<DecodeHintType, Object> HINTS =
            Map.of(DecodeHintType.TRY_HARDER, true, DecodeHintType.POSSIBLE_FORMATS, List.of(BarcodeFormat.QR_CODE));
    private static final List<Function<LuminanceSource, Binarizer>> WAYS =
            List.of(HybridBinarizer::new, GlobalHistogramBinarizer::new);

    /** Dots across of a page on which a mark could be. */
    private static final int SMALLEST = 200;

    private MarkReader() {}

    /** @param points the middles of three corners, from below left with the hands of a clock as the code stands upright, as x and y */
    record Found(PaperMark mark, List<double[]> points) {}

    /** All that are found, since what is printed on a page may pass itself off as a mark. @param page of dots, black on white */
    static List<Found> all(Grey page) {
        if (page.width() < SMALLEST || page.height() < SMALLEST) return List.of();
        // a code in a quarter of the page is found where something else on it misleads
        int halfWide = page.width() * 5 / 8;
        int halfHigh = page.height() / 4;
        List<Found> found = within(page, 0, 0, page.width(), page.height());
        for (int top : new int[] {page.height() - halfHigh, 0}) {
            for (int left : new int[] {page.width() - halfWide, 0}) {
                if (!found.isEmpty()) return found;
                found = within(page, left, top, halfWide, halfHigh);
            }
        }
        return found;
    }

    private static List<Found> within(Grey page, int left, int top, int width, int height) {
        LuminanceSource source = new PlanarYUVLuminanceSource(
                page.values(), page.width(), page.height(), left, top, width, height, false);
        Map<PaperMark, Found> found = new LinkedHashMap<>();
        for (Function<LuminanceSource, Binarizer> way : WAYS)
            for (Result result : codes(way.apply(source)))
                PaperMark.read(result.getText())
                        .ifPresent(mark -> found.putIfAbsent(mark, new Found(mark, points(result, left, top))));
        return List.copyOf(found.values());
    }

    private static Result[] codes(Binarizer page) {
        try {
            return new QRCodeMultiReader().decodeMultiple(new BinaryBitmap(page), HINTS);
        } catch (NotFoundException | RuntimeException e) {
            // what only looks like a code leads the library beyond the edge of the picture now and then
            return new Result[0];
        }
    }

    private static List<double[]> points(Result result, int left, int top) {
        List<double[]> points = new ArrayList<>();
        for (ResultPoint one : result.getResultPoints())
            if (points.size() < 3) points.add(new double[] {one.getX() + left, one.getY() + top});
        return points;
    }
}
