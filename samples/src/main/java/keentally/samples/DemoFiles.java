package keentally.samples;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import keentally.core.picture.Depth;
import keentally.core.picture.Plane;
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.WholeFile;
import keentally.study.method.MethodFile;
import keentally.study.picture.PictureWriter;

/** The demo samples as files: pictures, methods, and {@code truth.json}. */
public final class DemoFiles {
    public static final String TRUTH = "truth.json";

    private DemoFiles() {}

    /** One sample as it was written. */
    public record Written(DemoSample sample, Path picture, Path method) {}

    /** @throws FileFault where the folder holds something that no such call wrote, or cannot be written */
    public static List<Written> write(Path folder, Work work) throws FileFault {
        claim(folder, TRUTH);
        List<Written> written = new ArrayList<>();
        List<Object> truths = new ArrayList<>();
        for (Supplier<DemoSample> drawing : DemoSamples.all(work)) {
            DemoSample sample = drawing.get();
            Plane plane = sample.picture().channels().getFirst().plane();
            boolean eight = plane.depth() == Depth.BITS_8;
            Path picture = folder.resolve(sample.id() + (eight ? ".png" : ".tif"));
            Path method = folder.resolve(sample.id() + MethodFile.ENDING);
            if (eight) {
                PictureWriter.png(picture, plane);
            } else {
                PictureWriter.tiff(picture, sample.picture());
            }
            MethodFile.write(method, sample.method());
            written.add(new Written(sample, picture, method));
            truths.add(truth(sample, picture, method));
        }
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", "keen-tally-truth");
        tree.put("version", 1);
        tree.put("samples", truths);
        WholeFile.write(folder.resolve(TRUTH), Json.pretty(tree));
        return written;
    }

    /**
     * A sample as {@link #TRUTH} lists it.
     *
     * @param scale as text, such as {@code 1.5 um/px}
     */
    public record Listed(String title, Path picture, Path method, String scale) {}

    /** What a folder that {@link #write} filled holds; nothing where it did not. */
    public static List<Listed> list(Path folder) throws FileFault {
        if (!Files.exists(folder.resolve(TRUTH))) {
            return List.of();
        }
        List<Listed> listed = new ArrayList<>();
        if (Json.read(folder.resolve(TRUTH)) instanceof Map<?, ?> tree
                && tree.get("samples") instanceof List<?> samples) {
            for (Object sample : samples) {
                if (sample instanceof Map<?, ?> s) {
                    listed.add(new Listed(
                            String.valueOf(s.get("title")),
                            folder.resolve(String.valueOf(s.get("file"))),
                            folder.resolve(String.valueOf(s.get("method"))),
                            String.valueOf(s.get("scale"))));
                }
            }
        }
        return listed;
    }

    /** Makes the folder where it is not there; one that is must be empty or hold {@code mark}. */
    public static void claim(Path folder, String mark) throws FileFault {
        try {
            if (Files.isDirectory(folder) && !Files.exists(folder.resolve(mark))) {
                try (var found = Files.list(folder)) {
                    if (found.findAny().isPresent()) {
                        throw new FileFault("The folder " + folder
                                + " holds other files; choose a new or empty folder, so that nothing is overwritten.");
                    }
                }
            }
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new FileFault(
                    "The folder " + folder + " cannot be made: " + WholeFile.reason(e) + "; choose another one.", e);
        }
    }

    private static Map<String, Object> truth(DemoSample sample, Path picture, Path method) {
        Truth truth = sample.truth();
        double um = sample.scale().umPerPx();
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("sample", sample.id());
        tree.put("title", sample.title());
        tree.put("file", picture.getFileName().toString());
        tree.put("method", method.getFileName().toString());
        tree.put("scale", sample.scale().toString());
        tree.put("width_px", sample.picture().width());
        tree.put("height_px", sample.picture().height());
        tree.put("speck_below_px2", truth.speckBelowPx2());
        tree.put(truth.percentName() + "_percent", truth.percent());
        tree.put("countable", truth.countable().size());
        tree.put(
                "countable_area_px2",
                truth.countable().stream().mapToDouble(Truth.Thing::areaPx2).sum());
        tree.put(
                "objects", truth.things().stream().map(t -> thing(t, truth, um)).toList());
        return tree;
    }

    private static Map<String, Object> thing(Truth.Thing thing, Truth truth, double um) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("x_px", thing.x());
        tree.put("y_px", thing.y());
        tree.put("area_px2", thing.areaPx2());
        tree.put("area_um2", thing.areaPx2() * um * um);
        tree.put("ecd_px", thing.ecdPx());
        tree.put("ecd_um", thing.ecdPx() * um);
        tree.put("cut_by_edge", thing.cutByEdge());
        tree.put("speck", thing.areaPx2() < truth.speckBelowPx2());
        return tree;
    }
}
