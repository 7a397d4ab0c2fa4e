package keentally.speed;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.Options;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;

/** Runs the benchmarks and prints one table: median, how many memory copies that is worth, what is wanted, and what others take. */
public final class SpeedTable {
    private static final Map<String, String[]> ROWS = new LinkedHashMap<>();

    static {
        row("copyFloats", "memory copy of 48 MB, the yardstick", "");
        row("openPng", "open a PNG: from file to pyramid", 8);
        row("movedThresholdPainted", "moved threshold: mask and overlay painted", 1);
        row("movedThresholdCounted", "moved threshold: whole method, no split", 5);
        row("stageFitted", "stage redraw, whole picture, outlines", 0.4);
        row("stageTwice", "redraw of both of two views, whole picture, outlines", 0.4);
        row("stageEnlarged", "stage redraw, enlarged, outlines", 0.4);
        row("histogramAndRules8", "histogram and automatic rules (Otsu), 8 bit", 0.4);
        row("histogramAndRules16", "histogram and automatic rules (Otsu), 16 bit", "60 ms");
        row("threshold8", "threshold, 8 bit", "");
        row("threshold16", "threshold, 16 bit", "");
        row("thresholdFloat", "threshold, float", "");
        row("gaussianSigma2", "Gaussian, sigma 2", 3);
        row("gaussianSigma20", "Gaussian, sigma 20", 3);
        row("label8", "labelling, 8 neighbours", 0.3);
        row("fillHoles", "fill holes", 0.5);
        row("removeSpecks", "remove specks", 0.5);
        row("measures", "measures of 3,072 objects, without colour and skeleton", 3);
        row("measuresWithColourAndSkeleton", "all measures of 3,072 objects", 12);
        row("openJpeg", "open a JPEG: from file to the picture in the window", 12);
        row("openLargeTiff", "open 100 megapixels of 16 bits (TIFF)", 60);
        row("panLarge", "stage redraw of 100 megapixels, panning and zooming", 0.4);
        row("cutLarge", "histogram, Otsu and threshold of 100 megapixels", "");
        row("openLedger", "open a study of 1,000 samples with its ledger of 31 columns", "1000 ms");
        row("sortLedger", "sort it by a column", "50 ms");
        row("features", "38 features, by tiles", "6000 ms");
        row("growForest", "forest of 64 trees on 50,000 examples of 38 features", "2000 ms");
        row("askForest", "1.2 million pixels asked of it", "800 ms");
        row("refineEdges", "edges of one colour megapixel refined, five rounds", "1000 ms");
        row("scribbleCut", "cut of two colour megapixels by two strokes", "1000 ms");
        row("scribbleInPart", "a further stroke, in a part of it", "200 ms");
        row("gatherReport", "report of 90 pictures, 40 pages: its samples run", "");
        row("layOutReport", "report of 90 pictures, 40 pages: laid out on pages", "10000 ms");
        row("openStudy", "open a study of 500 samples", "2000 ms");
        row("findRoundField", "find the round field", 6);
        row("findCaption", "look for caption and bar", 4);
        row("evenLight", "how even the light is", "");
        row("freehandField", "a freehand field of 400 corners", "");
        row("allRules8", "histogram and all automatic rules, 8 bit", 0.4);
        row("allRules16", "histogram and all automatic rules, 16 bit", 2);
        row("levels20", "exact multi-level cuts, 20, 16 bit", 4);
        row("median8", "median, radius 10, 8 bit", 12);
        row("median16", "median, radius 10, 16 bit", 30);
        row("bilateral", "bilateral filter, sigma 2 px", 20);
        row("opening", "grey opening by a disk of radius 16", 15);
        row("unmixing", "unmixing two dyes", "120 ms");
        row("sauvola", "local threshold (Sauvola), radius 25", 5);
        row("kMeans8", "k-means, k 8, ten starts", 18);
        row("howManyGroups", "clusters of 2 to 12 with silhouettes", 20);
        row("trialSheetOfShares", "trial sheet of 12 cuts: shares", 10);
        row("trialSheetOfCounts", "trial sheet of 12 cuts: counts", 25);
        row("distance", "exact Euclidean distance", 3.5);
        row("marksInObjects", "20,000 marks in 20,000 objects", "300 ms");
        row("marksBesideObjects", "20,000 marks beside 20,000 objects", "300 ms");
        row("marksWithMarks", "20,000 marks with 20,000 others", "300 ms");
        row("borders", "distances of the borders of two masks", "1000 ms");
        row("marksFitted", "stage redraw, whole picture, 20,000 marks", "16 ms");
        row("twoViews", "redraw of both of two views, whole picture, outlines of 20,000 objects", "7 ms");
        row("fates", "which of 20,000 objects parted, joined, are gone or new", "");
        row("marksEnlarged", "stage redraw, enlarged, 20,000 marks", "16 ms");
        row("erodeSmall", "erosion by a disk of radius 16", 1);
        row("erodeLarge", "dilation by a disk of radius 80", 8);
        row("splitByOutline", "split by outline, 3,072 discs that touch in about a thousand clumps", 15);
        row("splitOneClump", "split by outline, nearly all of them in one clump of 10 megapixels", 45);
        row("growFromMinima", "growing regions from the minima of the whole field, 8 bit", 30);
        row("growFromFloats", "growing regions from the minima of the whole field, float after a Gaussian", 45);
        row("outlines", "outlines of 3,072 objects as polygons, one thread", "");
        row("hulls", "hull of each of 3,072 objects", "");
        row("skeleton", "skeleton", 6);
        row("runAllFiles", "run, all files, one picture", 60);
    }

    private SpeedTable() {}

    private static void row(String benchmark, String what, String target) {
        ROWS.put(benchmark, new String[] {what, target});
    }

    private static void row(String benchmark, String what, double copies) {
        row(
                benchmark,
                what,
                String.format(Locale.ROOT, "%s copies", copies == Math.rint(copies) ? (int) copies : copies));
    }

    /** @param words {@code --beside} for a column of general numeric libraries; the part of a benchmark's name, to run only some */
    public static void main(String[] words) throws RunnerException, IOException, InterruptedException {
        List<String> given = new ArrayList<>(List.of(words));
        boolean beside = given.remove("--beside");
        Options options = new OptionsBuilder()
                .include(
                        "keentally\\.speed\\.(TwelveMegapixels|Looking|Parting|Separating|Agreeing|Ledgering|Reporting|Learning|Refining)\\.(?:"
                                + String.join("|", given)
                                + ")")
                .forks(1)
                .jvmArgsAppend("--sun-misc-unsafe-memory-access=allow", "-Xmx4g", "-Djava.awt.headless=true")
                .warmupIterations(2)
                .warmupTime(TimeValue.seconds(2))
                .measurementIterations(3)
                .measurementTime(TimeValue.seconds(2))
                .build();
        Collection<RunResult> results = new Runner(options).run();
        Map<String, Double> medians = new LinkedHashMap<>();
        for (RunResult result : results) {
            String name = result.getParams().getBenchmark();
            medians.put(
                    name.substring(name.lastIndexOf('.') + 1),
                    result.getPrimaryResult().getStatistics().getPercentile(50));
        }
        print(medians, beside ? Beside.times(Path.of("speed/src/main/python/beside.py")) : Map.of());
    }

    private static void print(Map<String, Double> medians, Map<String, Double> peers) {
        double copy = medians.getOrDefault("copyFloats", Double.NaN);
        System.out.printf(
                "%n| operation on 12 megapixels, two threads | median, ms | in copies | wanted |%s%n",
                peers.isEmpty() ? "" : " general libraries, ms | times as long |");
        System.out.println("| --- | ---: | ---: | ---: |" + (peers.isEmpty() ? "" : " ---: | ---: |"));
        ROWS.forEach((name, row) -> {
            if (medians.containsKey(name)) {
                double median = medians.get(name);
                System.out.printf(Locale.ROOT, "| %s | %.1f | %.1f | %s |", row[0], median, median / copy, row[1]);
                if (!peers.isEmpty()) {
                    Double peer = peers.get(name);
                    System.out.print(
                            peer == null
                                    ? " no peer | |"
                                    : String.format(Locale.ROOT, " %.1f | %.1f |", peer, peer / median));
                }
                System.out.println();
            }
        });
    }
}
