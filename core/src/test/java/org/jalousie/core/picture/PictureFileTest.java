package org.jalousie.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class PictureFileTest {
    private static byte[] image(String format, int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format, out);
        return out.toByteArray();
    }

    @Test
    void pngAndJpegAreToldByTheirContent() throws Exception {
        assertThat(PictureFile.read(image("png", 30, 20)).extension()).isEqualTo("png");
        PictureFile jpeg = PictureFile.read(image("jpg", 30, 20));
        assertThat(jpeg.extension()).isEqualTo("jpeg");
        assertThat(jpeg.width()).isEqualTo(30);
    }

    @Test
    void anythingElseIsRefusedInASentence() throws Exception {
        byte[] gif = image("gif", 3, 3);
        assertThatThrownBy(() -> PictureFile.read(gif)).hasMessageContaining("PNG or JPEG");
        assertThatThrownBy(() -> PictureFile.read("<svg/>".getBytes())).hasMessageContaining("PNG or JPEG");
        assertThatThrownBy(() -> PictureFile.read(new byte[0])).isInstanceOf(PictureFile.Unacceptable.class);
    }

    @Test
    void aPictureOfItsBoxesProportionIsLeftAsItIs() throws Exception {
        PictureFile picture = PictureFile.read(image("png", 60, 40));
        assertThat(picture.boxed(30, 20)).isSameAs(picture);
        PictureFile boxed = picture.boxed(40, 20);
        assertThat((double) boxed.width() / boxed.height()).isEqualTo(2);
    }

    @Test
    void aBarStandsForItsNumber() throws Exception {
        PictureFile chart = Chart.bars(
                List.of(new Chart.Datum("small", 10), new Chart.Datum("large", 40)),
                number -> String.valueOf((int) number));
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(chart.bytes()));
        // the bars stand in the middle of the two halves of the field right of the axis
        int small = inkAt(image, 190 + (1580 - 190) / 4);
        int large = inkAt(image, 190 + (1580 - 190) * 3 / 4);
        assertThat((double) large / small).isBetween(3.8, 4.2);
    }

    private static int inkAt(BufferedImage image, int x) {
        int count = 0;
        for (int y = 0; y < 690; y++) {
            if (new Color(image.getRGB(x, y)).getRed() < 60) count++;
        }
        return count;
    }

    @Test
    void aPictureThatBreaksOffIsNotTakenIn() throws Exception {
        for (String format : List.of("png", "jpeg")) {
            byte[] whole = image(format, 600, 400);
            assertThat(PictureFile.takeIn(whole).width()).isEqualTo(600);
            byte[] spoiled = whole.clone();
            for (int i = whole.length / 3; i < whole.length; i++) spoiled[i] = 0;
            byte[] broken = java.util.Arrays.copyOf(whole, whole.length / 2);
            org.assertj.core.api.Assertions.assertThatThrownBy(
                            () -> PictureFile.takeIn(format.equals("png") ? spoiled : broken))
                    .as(format)
                    .isInstanceOf(PictureFile.Unacceptable.class);
        }
    }
}
