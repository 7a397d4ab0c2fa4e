package keentally.study.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import keentally.core.picture.Channel;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** With the system's own converter, and its counterpart that makes such pictures; the check installs both. */
class HeifConverterTest {
    @TempDir
    private Path folder;

    private Path heic() throws IOException, InterruptedException {
        BufferedImage image = new BufferedImage(96, 64, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 64; y++) {
            for (int x = 0; x < 96; x++) {
                image.setRGB(x, y, x < 48 ? 0x283c50 : 0xdcd2c8);
            }
        }
        Path png = folder.resolve("drawn.png");
        ImageIO.write(image, "png", png.toFile());
        Path heic = folder.resolve("drawn.heic");
        assertThat(new ProcessBuilder("heif-enc", "-q", "95", png.toString(), "-o", heic.toString())
                        .redirectErrorStream(true)
                        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                        .start()
                        .waitFor())
                .isZero();
        return heic;
    }

    @Test
    void aPhonesPictureIsReadWithTheHashOfItsOwnFile() throws Exception {
        Path heic = heic();
        PictureFile read = PictureReader.read(heic);
        assertThat(read.facts().kind()).isEqualTo("HEIC");
        assertThat(read.facts().remarks()).anyMatch(r -> r.contains("converter"));
        assertThat(read.sha256()).isEqualTo(Sha256.of(heic));
        assertThat(read.picture().width()).isEqualTo(96);
        assertThat(read.picture().height()).isEqualTo(64);
        var red = read.picture().channel(Channel.RED).orElseThrow();
        assertThat(red.at(20, 30)).isCloseTo(40, within(4f));
        assertThat(red.at(80, 30)).isCloseTo(220, within(4f));
        assertThat(PictureReader.survey(heic).sha256()).isEqualTo(read.sha256());
        assertThat(PictureReader.read(heic, Files.readAllBytes(heic), 1).sha256())
                .isEqualTo(read.sha256());
        assertThat(PictureFolder.list(folder)).contains(heic);
    }

    @Test
    void aDamagedOneIsRefusedInASentence() throws Exception {
        byte[] bytes = Files.readAllBytes(heic());
        Path cut = folder.resolve("cut.heic");
        Files.write(cut, java.util.Arrays.copyOf(bytes, bytes.length / 3));
        assertThatThrownBy(() -> PictureReader.read(cut))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("its converter cannot read")
                .hasMessageEndingWith(".");
    }

    @Test
    void withoutAConverterTheWayOutIsInThePhonesOwnWords() {
        assertThat(HeifConverter.program("/nowhere:" + folder)).isEmpty();
        assertThat(HeifConverter.missing(Path.of("IMG_1.HEIC")))
                .startsWith("IMG_1.HEIC is a phone's picture")
                .contains("Most Compatible", "libheif-examples")
                .endsWith(".");
    }
}
