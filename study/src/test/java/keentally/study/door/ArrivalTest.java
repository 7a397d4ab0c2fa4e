package keentally.study.door;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import keentally.study.door.Arrival.Kind;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureReader.Survey;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ArrivalTest {
    @TempDir
    private Path folder;

    private Optional<PictureFile> sample = Optional.empty();

    @BeforeEach
    void aPhotoIsOnTheStage() throws IOException, FileFault {
        sample = Optional.of(PictureReader.read(png("stage.png", 40, 30, (x, y) -> grey((x * 31 + y * x * 17) % 253))));
    }

    @FunctionalInterface
    private interface Colouring {
        int at(int x, int y);
    }

    private Path png(String name, int width, int height, Colouring of) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                image.setRGB(x, y, of.at(x, y));
            }
        }
        Path file = folder.resolve(name);
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    private static int grey(int value) {
        return new Color(value, value, value).getRGB();
    }

    private Kind kind(Path file) throws FileFault {
        return Arrival.of(file, sample).kind();
    }

    @ParameterizedTest
    @CsvSource({
        "Millrace.tally, STUDY",
        "granules.method.json, METHOD",
        "pasta.model.json, MODEL",
        "scan.jpg, PICTURE",
        "scan.unknown, PICTURE",
        "nothing, PICTURE"
    })
    void namesTellWhatNothingElseCan(String name, Kind kind) throws FileFault {
        assertThat(kind(folder.resolve(name))).isEqualTo(kind);
    }

    @Test
    void picturesAsLargeAsTheSampleAreToldByTheirValues() throws IOException, FileFault {
        Path mask = png("mask.png", 40, 30, (x, y) -> grey(x < 11 ? 255 : 0));
        Path labels = png("labels.png", 40, 30, (x, y) -> grey(x / 10 + 4 * (y / 10)));
        Path classes = png("classes.png", 40, 30, (x, y) -> x < 10 ? 0xff0000 : y < 9 ? 0x00ff00 : 0x0000ff);
        Path photo = png("photo.png", 40, 30, (x, y) -> grey((x * 37 + y * 91 + x * y * 7) % 251));
        assertThat(kind(mask)).isEqualTo(Kind.MASK);
        assertThat(kind(labels)).isEqualTo(Kind.MASK);
        assertThat(kind(classes)).isEqualTo(Kind.MASK);
        assertThat(kind(photo)).isEqualTo(Kind.PICTURE);
        assertThat(Arrival.of(mask, sample).because())
                .isEqualTo("mask.png is as large as the picture on the stage and has two values.");
        assertThat(Arrival.of(labels, sample).because()).contains("12 values");
        assertThat(Arrival.of(classes, sample).because()).contains("3 colours");
    }

    @Test
    void aMaskOfAnotherSizeOrWithoutASampleIsAPicture() throws IOException, FileFault {
        Path mask = png("mask.png", 41, 30, (x, y) -> grey(x < 11 ? 255 : 0));
        assertThat(kind(mask)).isEqualTo(Kind.PICTURE);
        assertThat(Arrival.of(png("mask2.png", 40, 30, (x, y) -> grey(x < 11 ? 255 : 0)), Optional.empty())
                        .kind())
                .isEqualTo(Kind.PICTURE);
    }

    @Test
    void theVeryPictureOnTheStageIsNoMaskOfItself() throws IOException, FileFault {
        Path drawn = png("drawn.png", 40, 30, (x, y) -> grey(x < 11 ? 255 : 0));
        Path copy = Files.copy(drawn, folder.resolve("copy.png"));
        assertThat(Arrival.of(copy, Optional.of(PictureReader.read(drawn))).kind())
                .isEqualTo(Kind.PICTURE);
    }

    @Test
    void tablesAreToldByTheirHeads() throws IOException, FileFault {
        Path marks = Files.writeString(folder.resolve("marks.csv"), "x_px,y_px,class\n3,4,wheat\n");
        Path quoted = Files.writeString(folder.resolve("quoted.csv"), "\ufeff\"X\";\"Y\"\n3;4\n");
        Path table = Files.writeString(folder.resolve("counts.tsv"), "picture\tcount\ncrumb\t12\nflour\t7\n");
        assertThat(kind(marks)).isEqualTo(Kind.MARKS);
        assertThat(kind(quoted)).isEqualTo(Kind.MARKS);
        assertThat(kind(table)).isEqualTo(Kind.TABLE);
        assertThat(Arrival.of(table, sample).because()).isEqualTo("counts.tsv has numbers for 2 names.");
    }

    @Test
    void textThatIsNoTableIsRefusedInASentence() throws IOException {
        Path letter = Files.writeString(folder.resolve("letter.txt"), "Dear colleague,\nthe masks are in the post.\n");
        assertThatThrownBy(() -> Arrival.of(letter, sample))
                .isInstanceOf(FileFault.class)
                .hasMessageStartingWith("letter.txt is text, but neither a table of places nor of numbers by name: ")
                .hasMessageEndingWith(".");
        Path bytes = Files.write(folder.resolve("bytes.csv"), new byte[] {(byte) 0xff, (byte) 0xfe, 0, 1});
        assertThatThrownBy(() -> Arrival.of(bytes, sample))
                .hasMessage("bytes.csv is no table: it is not text in UTF-8.");
    }

    private List<ChannelFiles> among(String... names) throws IOException, FileFault {
        List<Survey> surveys = new java.util.ArrayList<>();
        for (String name : names) {
            surveys.add(PictureReader.survey(png(name, 8, name.startsWith("other") ? 9 : 6, (x, y) -> grey(x * y))));
        }
        return ChannelFiles.among(surveys);
    }

    @Test
    void filesThatDifferInOneWordSeemToBeChannels() throws IOException, FileFault {
        List<ChannelFiles> found = among("two-stains-starch.png", "two-stains-protein.png", "crumb.png");
        assertThat(found).hasSize(1);
        assertThat(found.getFirst().name()).isEqualTo("two stains");
        assertThat(found.getFirst().byWord().sequencedKeySet()).containsExactly("starch", "protein");
        assertThat(among("dish 2_ch0.png", "dish 2_ch1.png", "dish 3_ch0.png", "dish 3_ch1.png"))
                .extracting(ChannelFiles::name)
                .containsExactly("dish 2", "dish 3");
    }

    @Test
    void numberedPicturesCopiesAndOtherSizesAreNoChannels() throws IOException, FileFault {
        assertThat(among("IMG_0001.png", "IMG_0002.png")).isEmpty();
        assertThat(among("loaf-a.png", "loaf-b.png")).isEmpty();
        assertThat(among("crumb.png", "flour.png")).isEmpty();
        assertThat(among("x red.png", "other green.png")).isEmpty();
    }
}
