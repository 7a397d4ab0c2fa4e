package keentally.study.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.picture.Plane8;
import keentally.core.work.Cancel;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.FileStamp;
import keentally.study.document.PictureRef.Source;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PictureShelfTest {
    @TempDir
    private Path folder;

    private final PictureShelf shelf = new PictureShelf(Optional.empty());

    private Source picture(String name, String channel, int width, int value) throws FileFault {
        Path file = folder.resolve(name);
        byte[] values = new byte[width * 3];
        Arrays.fill(values, (byte) value);
        PictureWriter.png(file, Plane8.of(width, 3, values));
        return PictureShelf.source(channel, PictureReader.survey(file), 1);
    }

    @Test
    void filesBecomeNamedChannelsOfOneSample() throws FileFault {
        PictureRef ref = new PictureRef(List.of(picture("a.png", "nuclei", 5, 10), picture("b.png", "walls", 5, 20)));
        PictureShelf.ShelfPicture taken = shelf.take(ref);
        assertThat(taken.file().picture().channelNames()).isEqualTo("nuclei, walls");
        assertThat(taken.file().picture().channel("walls").orElseThrow().at(1, 1))
                .isEqualTo(20);
        assertThat(taken.changed()).isEmpty();
        PictureRef uneven = new PictureRef(List.of(ref.first(), picture("c.png", "walls", 6, 20)));
        assertThatThrownBy(() -> shelf.take(uneven)).hasMessageContaining("must be of one size");
    }

    @Test
    void aChangedPictureIsSaidNotIgnored() throws FileFault {
        Source source = picture("a.png", "", 5, 10);
        PictureRef ref = new PictureRef(List.of(source));
        picture("a.png", "", 5, 99);
        PictureShelf.ShelfPicture taken = shelf.take(ref);
        assertThat(taken.changed()).singleElement().asString().contains("a.png has changed");
        assertThat(taken.file().picture().single().orElseThrow().at(0, 0)).isEqualTo(99);
    }

    @Test
    void aTouchedButEqualPictureIsTheSame() throws Exception {
        Source source = picture("a.png", "", 5, 10);
        Files.setLastModifiedTime(source.file(), FileTime.fromMillis(12345));
        assertThat(shelf.take(new PictureRef(List.of(source))).changed()).isEmpty();
    }

    @Test
    void aMissingPictureIsFoundByItsContentsWhateverItIsCalled() throws Exception {
        Source source = picture("a.png", "", 5, 10);
        picture("decoy.png", "", 5, 11);
        PictureRef ref = new PictureRef(List.of(source));
        Path deep = Files.createDirectories(folder.resolve("moved/deep"));
        Files.move(source.file(), deep.resolve("other name.png"));
        assertThatThrownBy(() -> shelf.take(ref))
                .isInstanceOf(PictureShelf.MissingPicture.class)
                .hasMessageContaining("a.png is missing");
        FileStamp stamp = source.stamp().orElseThrow();
        Map<FileStamp, Path> found = PictureShelf.search(folder, List.of(stamp), new Cancel());
        assertThat(found).containsOnlyKeys(stamp);
        PictureRef moved = ref.moved(source.file(), found.get(stamp));
        assertThat(shelf.take(moved).file().picture().width()).isEqualTo(5);
    }

    @Test
    void aPackedPictureIsReadWhenItsFileIsGone() throws Exception {
        Source source = picture("a.png", "", 5, 10);
        PictureRef ref = new PictureRef(List.of(source));
        try (StudyFile study = StudyFile.create(folder.resolve("s.tally"), Study.empty(), StudyFile.Watch.SILENT)) {
            PictureShelf.pack(ref, study);
            Files.delete(source.file());
            PictureShelf packed = new PictureShelf(Optional.of(study));
            assertThat(packed.take(ref).file().picture().single().orElseThrow().at(4, 2))
                    .isEqualTo(10);
        }
    }
}
