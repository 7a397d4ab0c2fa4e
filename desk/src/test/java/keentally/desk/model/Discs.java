package keentally.desk.model;

import java.nio.file.Path;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Picture;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;

/** Small samples for models without a window: bright discs on a dark ground. */
public final class Discs {
    private Discs() {}

    /** A sample of so many discs, its picture written into a folder, using a study's first method. */
    public static SampleThing sample(Path folder, int discs) throws FileFault {
        ShapeRenderer shapes = new ShapeRenderer(90, 40);
        for (int i = 0; i < discs; i++) {
            shapes.add(Ellipse.disc(15 + 28 * i, 20, 9));
        }
        Path file = folder.resolve(discs + ".tif");
        PictureWriter.tiff(file, Picture.grey(shapes.plane(10, 110)));
        return SampleThing.of("discs " + discs, PictureRef.of(file, 1), Study.FIRST_METHOD);
    }
}
