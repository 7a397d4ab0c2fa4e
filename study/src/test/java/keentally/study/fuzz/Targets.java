package keentally.study.fuzz;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.method.Method;
import keentally.core.method.MethodTree;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.study.document.Journal;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.Json;
import keentally.study.method.MethodFile;
import keentally.study.picture.PictureReader;
import keentally.study.store.StudyFile;

/** Everything that files are opened by. */
final class Targets {
    private Targets() {}

    static List<Fuzz.Target> all(Path scratch) {
        return List.of(new Pictures(scratch), new Methods(scratch), new Studies(scratch));
    }

    /** Pictures of all kinds; one that was cut short may only be taken where nothing of it is gone. */
    record Pictures(Path scratch) implements Fuzz.Target {
        @Override
        public String name() {
            return "pictures";
        }

        @Override
        public SequencedMap<String, byte[]> seeds() throws Exception {
            return PictureSeeds.all(scratch);
        }

        @Override
        public String open(String seed, byte[] sound, byte[] damaged, boolean cutShort) throws Exception {
            Path file = scratch.resolve(seed);
            Picture picture;
            if (seed.endsWith(".tif")) {
                Files.write(file, damaged);
                picture = PictureReader.read(file).picture();
            } else {
                picture = PictureReader.read(file, damaged, 1).picture();
            }
            if (!cutShort || seed.matches("p[123].*")) {
                return ""; // text does not tell where it ends
            }
            Files.write(file, sound);
            Picture whole = PictureReader.read(file).picture();
            return same(picture, whole) ? "" : "was taken, " + damaged.length + " of " + sound.length + " bytes long";
        }

        private static boolean same(Picture a, Picture b) {
            if (a.width() != b.width()
                    || a.height() != b.height()
                    || a.channels().size() != b.channels().size()) {
                return false;
            }
            for (int c = 0; c < a.channels().size(); c++) {
                if (!same(a.channels().get(c), b.channels().get(c))) {
                    return false;
                }
            }
            return true;
        }

        private static boolean same(Channel a, Channel b) {
            Plane one = a.plane();
            for (int i = 0; i < one.width() * one.height(); i++) {
                if (one.at(i % one.width(), i / one.width()) != b.plane().at(i % one.width(), i / one.width())) {
                    return false;
                }
            }
            return true;
        }
    }

    /** Methods; one that can be read says the same when it is written and read again. */
    record Methods(Path scratch) implements Fuzz.Target {
        private static final String[] METHODS = {"""
            {"format": "keen-tally-method", "version": 1, "name": "Granules", "unit": "um",
             "steps": [{"step": "channel", "of": "grey"}, {"step": "smooth", "by": "gaussian", "sigma": "1.5 px"},
               {"step": "threshold", "rule": "manual", "keep": "between", "low": 3, "high": 90.5, "id": "t", "save": true},
               {"step": "split-touching", "by": "outline", "depth": "1 px", "muted": true},
               {"step": "gate", "measure": "area", "atLeast": "35 um2"}],
             "measures": ["area", "ecd"], "columns": [{"name": "slim", "formula": "feret-max / (feret-min + 1 um)"}],
             "signal": "grey"}
            """, """
            {"format":"keen-tally-method","version":1,"unit":"px","steps":[{"step":"levels","by":"manual","cuts":[3,8,200],
             "names":["a","b"]},{"step":"group-phases","groups":[{"name":"x","phases":["a","b"]}]},
             {"step":"pick-phase","phases":["x"]},{"step":"remove-specks","below":"16 px2"}]}
            """, """
            {"format":"keen-tally-method","version":1,"steps":[{"step":"colour-range","space":"lab","lightness":[0,50],"a":[-3,9]},
             {"step":"fill-holes","upTo":"all"},{"step":"label","joinWithin":"3 px"},
             {"step":"sort-regions","rules":["x: area from 3 to 9"]}]}
            """};

        @Override
        public String name() {
            return "methods";
        }

        @Override
        public SequencedMap<String, byte[]> seeds() {
            SequencedMap<String, byte[]> seeds = new LinkedHashMap<>();
            for (int i = 0; i < METHODS.length; i++) {
                seeds.put(i + ".method.json", METHODS[i].getBytes(StandardCharsets.UTF_8));
            }
            return seeds;
        }

        @Override
        public String open(String seed, byte[] sound, byte[] damaged, boolean cutShort) throws Exception {
            Path file = scratch.resolve(seed);
            Files.write(file, damaged);
            Method method = MethodFile.read(file);
            Method again = MethodTree.read(Json.parse(Json.compact(MethodTree.write(method))));
            return MethodFile.hash(again).equals(MethodFile.hash(method)) ? "" : "is another method once it is written";
        }
    }

    /** Studies; one that opens without a remark is the one that it was. */
    record Studies(Path scratch) implements Fuzz.Target {
        @Override
        public String name() {
            return "studies";
        }

        @Override
        public SequencedMap<String, byte[]> seeds() throws Exception {
            Path file = scratch.resolve("seed.tally");
            Files.deleteIfExists(file);
            try (StudyFile study = StudyFile.create(file, Study.empty(), StudyFile.Watch.SILENT)) {
                Journal journal = new Journal(study.history(), study::keep);
                for (int i = 0; i < 6; i++) {
                    int n = i;
                    Path picture = scratch.resolve("picture-" + n + ".png");
                    journal.act(
                            "add",
                            s -> s.with("s" + n, SampleThing.of("sample " + n, PictureRef.of(picture, 1), "m1")));
                    journal.act(
                            "mark",
                            s -> s.withHand("s" + n, "m1", "seeds", Optional.of(new Seeds(List.of(new Point(n, 2)))))
                                    .withHand("s0", "m1", "seeds", Optional.of(new Seeds(places(n)))));
                }
                journal.undo();
            }
            SequencedMap<String, byte[]> seeds = new LinkedHashMap<>();
            seeds.put("seed.tally", Files.readAllBytes(file));
            return seeds;
        }

        private static List<Point> places(int n) {
            return IntStream.rangeClosed(0, n).mapToObj(i -> new Point(i, 3)).toList();
        }

        @Override
        public String open(String seed, byte[] sound, byte[] damaged, boolean cutShort) throws Exception {
            Path folder = Files.createTempDirectory(scratch, "study");
            try {
                Path whole = folder.resolve("whole.tally");
                Path file = folder.resolve("damaged.tally");
                Files.write(whole, sound);
                Files.write(file, damaged);
                try (StudyFile study = StudyFile.open(file, StudyFile.Watch.SILENT);
                        StudyFile before = StudyFile.open(whole, StudyFile.Watch.SILENT)) {
                    boolean said = study.remark().isPresent();
                    boolean same = study.history().equals(before.history());
                    return said || same ? "" : "opened as another study";
                }
            } finally {
                try (Stream<Path> all = Files.walk(folder)) {
                    for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
                        Files.delete(path);
                    }
                }
            }
        }
    }
}
