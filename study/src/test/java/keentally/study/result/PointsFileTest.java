package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PointsFileTest {
    private static final PixelSize HALF = PixelSize.of(LengthUnit.UM, Optional.of(Scale.of("0.5 um/px")));

    @TempDir
    private Path folder;

    @Test
    void pointsComeBackAsTheyWentOut() throws FileFault {
        List<Point> places = List.of(new Point(10.5, 20.5), new Point(0.5, 99.5));
        Path file = folder.resolve("p.csv");
        PointsFile.write(file, places, HALF);
        assertThat(PointsFile.text(places, HALF))
                .isEqualTo("x_px,y_px,x_um,y_um\r\n10.5,20.5,5.25,10.25\r\n0.5,99.5,0.25,49.75\r\n");
        assertThat(PointsFile.read(file, HALF, 100, 100)).isEqualTo(places);
    }

    @Test
    void realUnitsAloneAreTakenByTheScale() throws Exception {
        Path file = folder.resolve("um.csv");
        Files.writeString(file, "x_um,y_um\n5,10\n");
        assertThat(PointsFile.read(file, HALF, 100, 100)).containsExactly(new Point(10, 20));
        assertThatThrownBy(() -> PointsFile.read(file, PixelSize.PIXELS, 100, 100))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("should begin with x_px,y_px");
    }

    @Test
    void whatLiesBesideThePictureIsSaidInNumbers() throws Exception {
        Path file = folder.resolve("far.csv");
        Files.writeString(file, "x_px,y_px\n5,10\n500,10\n");
        assertThatThrownBy(() -> PointsFile.read(file, HALF, 100, 100))
                .hasMessageContaining("1 of 2 places in far.csv lie beside the picture of 100 × 100 px");
    }
}
