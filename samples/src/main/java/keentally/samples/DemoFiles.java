package keentally.samples;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;
import keentally.core.bring.MaskPicture;
import keentally.core.classify.Classifier;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Rectangle;
import keentally.core.hand.Brought;
import keentally.core.hand.Glyph;
import keentally.core.hand.HandWork;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.PixelSize;
import keentally.core.work.Work;
import keentally.study.document.FieldText;
import keentally.study.document.PictureRef;
import keentally.study.document.SlideLabel;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.OwnFolder;
import keentally.study.file.WholeFile;
import keentally.study.method.MethodFile;
import keentally.study.method.ModelFile;
import keentally.study.picture.PictureWriter;
import keentally.study.result.MarksFile;
import keentally.study.store.HandText;

/** The demo samples as files: pictures, methods, and {@code truth.json}. */
public final class DemoFiles {
    public static final String TRUTH = "truth.json";

    private static final int LAYOUT = 8;

    private DemoFiles() {}

    /** One sample as it was written. */
    public record Output(DemoSample sample, PictureRef picture, Path method) {}

    /** Told how many of the samples are written. */
    @FunctionalInterface
    public interface Watcher {
        void at(int done, int of);
    }

    /** @throws FileFault where the folder holds something that no such call wrote, or cannot be written */
    public static List<Output> write(Path folder, Work work) throws FileFault {
        return write(folder, work, (done, of) -> {});
    }

    /** As {@link #write(Path, Work)}; what was broken off is begun again the next time. */
    public static List<Output> write(Path folder, Work work, Watcher watcher) throws FileFault {
        OwnFolder.claim(folder, TRUTH);
        List<Output> written = new ArrayList<>();
        List<Object> truths = new ArrayList<>();
        List<Supplier<DemoSample>> all = DemoSamples.all(work);
        for (Supplier<DemoSample> drawing : all) {
            watcher.at(written.size(), all.size());
            DemoSample sample = drawing.get();
            PictureRef picture = writePicture(folder, sample);
            learning(folder, sample);
            Path method = method(folder, sample, written);
            written.add(new Output(sample, picture, method));
            Map<String, Object> truth = truth(sample, picture, method);
            truth.put("beside", beside(folder, sample));
            truths.add(truth);
        }
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", "keen-tally-truth");
        tree.put("version", LAYOUT);
        tree.put("samples", truths);
        WholeFile.write(folder.resolve(TRUTH), Json.pretty(tree));
        OwnFolder.finish(folder);
        return written;
    }

    private static void learning(Path folder, DemoSample sample) throws FileFault {
        for (Map.Entry<String, Plane8> painted : new TreeMap<>(sample.learning().painted()).entrySet()) {
            PictureWriter.png(folder.resolve(painted.getKey()), painted.getValue());
        }
        for (Map.Entry<String, Classifier> model :
                new TreeMap<>(sample.learning().models()).entrySet()) {
            ModelFile.write(folder.resolve(model.getKey()), model.getValue(), Map.of("learntFrom", sample.title()));
        }
    }

    /** A file of its own, or that of the sample before it where both have the one method. */
    private static Path method(Path folder, DemoSample sample, List<Output> written) throws FileFault {
        if (!written.isEmpty() && written.getLast().sample().method().equals(sample.method())) {
            return written.getLast().method();
        }
        Path file = folder.resolve(sample.id() + MethodFile.ENDING);
        MethodFile.write(file, sample.method());
        if (!sample.learning().models().isEmpty()) {
            try {
                MethodFile.write(file, MethodFile.read(file)); // it knows its models by their bytes now
            } catch (MethodFault e) {
                throw new IllegalStateException(e);
            }
        }
        return file;
    }

    /** Methods, marks and a mask, each a file of its own; marks and mask also as the demo study takes them in. */
    private static Map<String, Object> beside(Path folder, DemoSample sample) throws FileFault {
        Beside beside = sample.beside();
        Map<String, Object> tree = new LinkedHashMap<>();
        List<String> methods = new ArrayList<>();
        for (Method other : beside.methods()) {
            Path file = folder.resolve(sample.id() + "-" + (methods.size() + 2) + MethodFile.ENDING);
            MethodFile.write(file, other);
            methods.add(file.getFileName().toString());
        }
        tree.put("methods", methods);
        if (!beside.tallies().isEmpty()) {
            PixelSize size = PixelSize.of(sample.scale().unit(), Optional.of(sample.scale()));
            MarksFile.write(
                    folder.resolve(sample.id() + "-marks.csv"),
                    beside.classes(),
                    new TreeMap<>(beside.tallies()),
                    size);
        }
        tree.put(
                "classes",
                beside.classes().stream()
                        .map(c -> List.of(
                                c.id(), c.name(), c.glyph().name(), c.colour().toString()))
                        .toList());
        Map<String, Object> tallies = new TreeMap<>();
        beside.tallies().forEach((counter, marks) -> tallies.put(counter, HandText.write(marks)));
        tree.put("tallies", tallies);
        Map<String, Object> hand = new TreeMap<>();
        beside.hand().forEach((step, work) -> hand.put(step, HandText.write(work)));
        tree.put("hand", hand);
        if (beside.rough().isPresent()) {
            Path file = folder.resolve(sample.id() + "-rough-mask.png");
            Plane8 rough = beside.rough().get();
            PictureWriter.png(file, rough);
            MaskPicture seen = MaskPicture.of(Picture.grey(rough));
            String origin = file.getFileName() + ", " + rough.width() + " \u00d7 " + rough.height() + " px, above "
                    + Amounts.text(seen.usual().cut());
            tree.put(
                    "brought",
                    HandText.write(seen.read(
                            seen.usual(),
                            sample.picture().width(),
                            sample.picture().height(),
                            origin)));
        }
        return tree;
    }

    /** One file, or one a channel where the channels have names of their own. */
    private static PictureRef writePicture(Path folder, DemoSample sample) throws FileFault {
        if (sample.picture().single().isPresent() || sample.picture().isColour()) {
            return PictureRef.of(write(folder.resolve(sample.id()), sample.picture()), 1);
        }
        List<PictureRef.Source> sources = new ArrayList<>();
        for (Channel channel : sample.picture().channels()) {
            Path file = write(folder.resolve(sample.id() + "-" + channel.name()), Picture.grey(channel.plane()));
            sources.add(new PictureRef.Source(channel.name(), file, 1, Optional.empty()));
        }
        return new PictureRef(sources);
    }

    private static Path write(Path bare, Picture picture) throws FileFault {
        boolean grey8 = picture.depth() == Depth.BITS_8 && picture.single().isPresent();
        Path file = bare.resolveSibling(bare.getFileName() + (grey8 ? ".png" : ".tif"));
        if (grey8) {
            PictureWriter.png(file, picture.single().get());
        } else {
            PictureWriter.tiff(file, picture);
        }
        return file;
    }

    /**
     * A sample as {@link #TRUTH} lists it.
     *
     * @param scale as text, such as {@code 1.5 um/px}
     * @param field the part that counts; where it is cut off straight, a caption is, from which the scale can be read
     * @param hand what was done by hand on it, by the ids of the method's steps
     * @param others what others made of it
     * @param tag what stands on its label
     */
    public record Entry(
            String title,
            PictureRef picture,
            Path method,
            String scale,
            List<Field.Part> field,
            Map<String, HandWork> hand,
            Others others,
            Optional<Tag> tag) {
        public boolean isCaptioned() {
            return field.stream().anyMatch(p -> p.takenAway() || p.shape() instanceof Rectangle);
        }
    }

    /** What stands on a sample's label beside its name. */
    public record Tag(String group, SlideLabel.Amount amount) {}

    /**
     * What others made of a sample.
     *
     * @param methods files of methods that go on it otherwise
     * @param tallies what was counted by hand, by the names of the counters
     * @param brought a mask that was drawn elsewhere
     * @param hand what was done by hand for the methods, by the ids of their steps
     */
    public record Others(
            List<Path> methods,
            List<TallyClass> classes,
            Map<String, Marks> tallies,
            Optional<Brought> brought,
            Map<String, HandWork> hand) {
        private static Others of(Path folder, Map<?, ?> tree) {
            List<TallyClass> classes = new ArrayList<>();
            for (Object one : (List<?>) tree.get("classes")) {
                List<?> c = (List<?>) one;
                classes.add(new TallyClass(
                        (String) c.get(0), (String) c.get(1), Glyph.valueOf((String) c.get(2)), Rgb.of((String)
                                c.get(3))));
            }
            Map<String, Marks> tallies = new LinkedHashMap<>();
            ((Map<?, ?>) tree.get("tallies"))
                    .forEach((counter, marks) ->
                            tallies.put((String) counter, (Marks) HandText.read((Map<?, ?>) marks)));
            Map<String, HandWork> hand = new TreeMap<>();
            ((Map<?, ?>) tree.get("hand"))
                    .forEach((step, work) -> hand.put((String) step, HandText.read((Map<?, ?>) work)));
            return new Others(
                    ((List<?>) tree.get("methods"))
                            .stream().map(m -> folder.resolve((String) m)).toList(),
                    classes,
                    tallies,
                    Optional.ofNullable((Map<?, ?>) tree.get("brought")).map(b -> (Brought) HandText.read(b)),
                    hand);
        }
    }

    /** What a folder that {@link #write} filled holds; nothing where it did not, or an earlier version did. */
    public static List<Entry> list(Path folder) throws FileFault {
        if (!Files.exists(folder.resolve(TRUTH))) {
            return List.of();
        }
        List<Entry> listed = new ArrayList<>();
        if (Json.read(folder.resolve(TRUTH)) instanceof Map<?, ?> tree
                && Integer.valueOf(LAYOUT).equals(tree.get("version"))
                && tree.get("samples") instanceof List<?> samples) {
            for (Object sample : samples) {
                if (sample instanceof Map<?, ?> s) {
                    listed.add(new Entry(
                            String.valueOf(s.get("title")),
                            picture(folder, (List<?>) s.get("files")),
                            folder.resolve(String.valueOf(s.get("method"))),
                            String.valueOf(s.get("scale")),
                            field((List<?>) s.get("field")),
                            hand((Map<?, ?>) s.get("hand")),
                            Others.of(folder, (Map<?, ?>) s.get("beside")),
                            Optional.ofNullable((String) s.get("amount"))
                                    .map(a -> new Tag((String) s.get("group"), SlideLabel.Amount.of(a)))));
                }
            }
        }
        return listed;
    }

    private static List<Field.Part> field(List<?> parts) {
        return parts.stream().map(p -> FieldText.read(String.valueOf(p))).toList();
    }

    private static Map<String, HandWork> hand(Map<?, ?> tree) {
        Map<String, HandWork> hand = new LinkedHashMap<>();
        tree.forEach((step, work) -> hand.put(String.valueOf(step), HandText.read((Map<?, ?>) work)));
        return hand;
    }

    private static PictureRef picture(Path folder, List<?> files) {
        List<PictureRef.Source> sources = new ArrayList<>();
        for (Object file : files) {
            Map<?, ?> tree = (Map<?, ?>) file;
            Path path = folder.resolve(String.valueOf(tree.get("file")))
                    .toAbsolutePath()
                    .normalize();
            sources.add(new PictureRef.Source(String.valueOf(tree.get("channel")), path, 1, Optional.empty()));
        }
        return new PictureRef(sources);
    }

    private static Map<String, Object> truth(DemoSample sample, PictureRef picture, Path method) {
        Truth truth = sample.truth();
        double um = sample.scale().umPerPx();
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("sample", sample.id());
        tree.put("title", sample.title());
        tree.put(
                "files",
                picture.sources().stream()
                        .map(f -> {
                            Map<String, Object> file = new LinkedHashMap<>();
                            file.put("channel", f.channel());
                            file.put("file", f.file().getFileName().toString());
                            return file;
                        })
                        .toList());
        tree.put("method", method.getFileName().toString());
        tree.put("scale", sample.scale().toString());
        if (sample.amount().isPresent()) {
            tree.put("group", sample.group());
            tree.put("amount", sample.amount().get().toString());
        }
        tree.put("field", sample.field().stream().map(FieldText::write).toList());
        Map<String, Object> hand = new LinkedHashMap<>();
        sample.hand().forEach((step, work) -> hand.put(step, HandText.write(work)));
        tree.put("hand", hand);
        tree.put("width_px", sample.picture().width());
        tree.put("height_px", sample.picture().height());
        tree.put("speck_below_px2", truth.speckBelowPx2());
        for (Truth.Share share : truth.shares()) {
            tree.put(share.name() + "_percent", share.percent());
        }
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
