package keentally.study;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.measure.SampleNumber;
import keentally.core.measure.SampleNumber.Limits;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.study.document.Calibration;
import keentally.study.document.PictureRef;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;

/** A study of small pictures with bright dots of 6 by 6 pixels: two on the first, three on the second, and so on. */
public final class DotSamples {
    private DotSamples() {}

    /** Samples s0, s1, ... called p0, p1, ..., in the groups even and odd, 2 µm to a pixel, with the number {@code cover}. */
    public static Study study(Path folder, int samples) throws FileFault, MethodFault {
        Method method = Method.empty("Dots", LengthUnit.UM)
                .then("threshold", "rule", "otsu")
                .withNumbers(List.of(SampleNumber.of("cover", "kept-area / field-area", List.of(), Limits.NONE)));
        Study study = Study.empty().with(Study.FIRST_METHOD, method);
        for (int i = 0; i < samples; i++) {
            Path file = folder.resolve("p" + i + ".png");
            PictureWriter.png(file, dots(i + 2));
            SampleThing thing = SampleThing.of("p" + i, PictureRef.of(file, 1), Study.FIRST_METHOD)
                    .with(Optional.of(Calibration.typed(Scale.of("2 um/px"))))
                    .with(SlideLabel.of("p" + i).tagged(i % 2 == 0 ? "even" : "odd", Optional.empty()));
            study = study.with("s" + i, thing);
        }
        return study;
    }

    /** So many dots. */
    public static Plane8 dots(int count) {
        byte[] values = new byte[120 * 90];
        for (int d = 0; d < count; d++) {
            for (int y = 0; y < 6; y++) {
                for (int x = 0; x < 6; x++) {
                    values[(5 + d / 8 * 20 + y) * 120 + 5 + d % 8 * 14 + x] = (byte) 200;
                }
            }
        }
        return Plane8.of(120, 90, values);
    }
}
