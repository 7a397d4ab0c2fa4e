package keentally.study.result;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.picture.Field;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureWriter;

/** Every kept object cut out of the picture, as it is seen, with a margin round it: one PNG each, named by its number. */
public final class CutOuts {
    private static final int MARGIN = 4;

    private CutOuts() {}

    /**
     * @param folder new or empty
     * @param bar left out where it has no room
     * @return how many were written
     */
    public static int write(Path folder, Pyramid ground, ObjectSet objects, Optional<Layer.ScaleBar> bar, Work work)
            throws FileFault {
        make(folder);
        int digits = Math.max(3, String.valueOf(objects.count()).length());
        Layers bare = Layers.bare(ground, Field.whole(ground.width(), ground.height()));
        Layers layers = bar.map(bare::with).orElse(bare);
        for (int i = 0; i < objects.count(); i++) {
            work.cancel().check();
            int[] box = box(objects, objects.region(i), ground);
            Viewport view = new Viewport(box[0], box[1], 1, box[2] - box[0], box[3] - box[1]);
            int[] pixels = StageComposer.compose(layers, view, work);
            String name = String.format(Locale.ROOT, "object-%0" + digits + "d.png", i + 1);
            WholeFile.write(
                    folder.resolve(name),
                    PictureWriter.png(Stamps.on(pixels, view.width(), view.height(), 1, layers), work));
        }
        return objects.count();
    }

    private static void make(Path folder) throws FileFault {
        try {
            Files.createDirectories(folder);
            try (Stream<Path> found = Files.list(folder)) {
                if (found.findAny().isPresent()) {
                    throw new FileFault("The folder " + folder
                            + " holds other files; choose a new or empty folder, so that nothing is overwritten.");
                }
            }
        } catch (IOException e) {
            throw new FileFault(
                    "The folder " + folder + " cannot be made: " + WholeFile.reason(e) + "; choose another one.", e);
        }
    }

    private static int[] box(ObjectSet objects, int region, Pyramid ground) {
        Regions.Box box = objects.regions().box(region);
        return new int[] {
            Math.max(0, box.left() - MARGIN),
            Math.max(0, box.top() - MARGIN),
            Math.min(ground.width(), box.right() + MARGIN),
            Math.min(ground.height(), box.bottom() + MARGIN)
        };
    }
}
