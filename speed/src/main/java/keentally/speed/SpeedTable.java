package keentally.speed;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.Options;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;

/** Runs the benchmarks and prints one table: median, target, and how many memory copies the median is worth. */
public final class SpeedTable {
    private static final Map<String, String[]> ROWS = new LinkedHashMap<>();

    static {
        row("copyFloats", "memory copy of 48 MB, the yardstick", "");
        row("openPng", "open a PNG: from file to pyramid", "1000");
        row("movedThresholdPainted", "moved threshold: mask and overlay painted", "33");
        row("movedThresholdCounted", "moved threshold: whole method, no split", "250");
        row("stageFitted", "stage redraw, whole picture, outlines", "8");
        row("stageTwice", "redraw of both of two views, whole picture, outlines", "7");
        row("stageEnlarged", "stage redraw, enlarged, outlines", "8");
        row("histogramAndRules8", "histogram and automatic rules (Otsu), 8 bit", "25");
        row("histogramAndRules16", "histogram and automatic rules (Otsu), 16 bit", "60");
        row("threshold8", "threshold, 8 bit", "");
        row("thresholdFloat", "threshold, float", "");
        row("gaussianSigma2", "Gaussian, sigma 2", "100");
        row("gaussianSigma20", "Gaussian, sigma 20", "100");
        row("label8", "labelling, 8 neighbours", "25");
        row("fillHoles", "fill holes", "40");
        row("removeSpecks", "remove specks", "");
        row("measures", "measures of 3,072 objects, without colour and skeleton", "150");
        row("measuresWithColourAndSkeleton", "all measures of 3,072 objects", "1,000");
        row("openJpeg", "open a JPEG: from file to the picture in the window", "1000");
        row("openLargeTiff", "open 100 megapixels of 16 bits (TIFF)", "");
        row("panLarge", "stage redraw of 100 megapixels, panning and zooming", "8");
        row("cutLarge", "histogram, Otsu and threshold of 100 megapixels", "");
        row("openLedger", "open a study of 1,000 samples with its ledger of 31 columns", "1000");
        row("sortLedger", "sort it by a column", "50");
        row("features", "38 features, by tiles", "6000");
        row("growForest", "forest of 64 trees on 50,000 examples of 38 features", "2000");
        row("askForest", "1.2 million pixels asked of it", "800");
        row("refineEdges", "edges of one colour megapixel refined, five rounds", "1000");
        row("scribbleCut", "cut of two colour megapixels by two strokes", "1000");
        row("scribbleInPart", "a further stroke, in a part of it", "200");
        row("gatherReport", "report of 90 pictures, 40 pages: its samples run", "");
        row("layOutReport", "report of 90 pictures, 40 pages: laid out on pages", "10000");
        row("openStudy", "open a study of 500 samples", "2000");
        row("findRoundField", "find the round field", "");
        row("findCaption", "look for caption and bar", "");
        row("evenLight", "how even the light is", "");
        row("freehandField", "a freehand field of 400 corners", "");
        row("allRules8", "histogram and all automatic rules, 8 bit", "25");
        row("allRules16", "histogram and all automatic rules, 16 bit", "60");
        row("levels20", "exact multi-level cuts, 20, 16 bit", "1000");
        row("median8", "median, radius 10, 8 bit", "400");
        row("median16", "median, radius 10, 16 bit", "3000");
        row("bilateral", "bilateral filter, sigma 2 px", "");
        row("opening", "grey opening by a disk of radius 16", "");
        row("unmixing", "unmixing two dyes", "120");
        row("sauvola", "local threshold (Sauvola), radius 25", "");
        row("kMeans8", "k-means, k 8, ten starts", "1000");
        row("howManyGroups", "clusters of 2 to 12 with silhouettes", "");
        row("trialSheetOfShares", "trial sheet of 12 cuts: shares", "500");
        row("trialSheetOfCounts", "trial sheet of 12 cuts: counts", "2000");
        row("distance", "exact Euclidean distance", "110");
        row("marksInObjects", "20,000 marks in 20,000 objects", "300");
        row("marksBesideObjects", "20,000 marks beside 20,000 objects", "300");
        row("marksWithMarks", "20,000 marks with 20,000 others", "300");
        row("borders", "distances of the borders of two masks", "1000");
        row("marksFitted", "stage redraw, whole picture, 20,000 marks", "16");
        row("twoViews", "redraw of both of two views, whole picture, outlines of 20,000 objects", "7");
        row("fates", "which of 20,000 objects parted, joined, are gone or new", "");
        row("marksEnlarged", "stage redraw, enlarged, 20,000 marks", "16");
        row("erodeSmall", "erosion by a disk of radius 16", "60");
        row("erodeLarge", "dilation by a disk of radius 80", "250");
        row("splitByOutline", "split by outline, 3,072 discs that touch in about a thousand clumps", "650");
        row("splitOneClump", "split by outline, nearly all of them in one clump of 10 megapixels", "");
        row("growFromMinima", "growing regions from the minima of the whole field", "");
        row("outlines", "outlines of 3,072 objects as polygons, one thread", "");
        row("hulls", "hull of each of 3,072 objects", "");
        row("skeleton", "skeleton", "");
        row("runAllFiles", "run, all files, one picture", "4000");
    }

    private SpeedTable() {}

    private static void row(String benchmark, String what, String target) {
        ROWS.put(benchmark, new String[] {what, target});
    }

    /** @param words the part of a benchmark's name, to run only some; none for all */
    public static void main(String[] words) throws RunnerException {
        Options options = new OptionsBuilder()
                .include(
                        "keentally\\.speed\\.(TwelveMegapixels|Looking|Parting|Separating|Agreeing|Ledgering|Reporting|Learning|Refining)\\.(?:"
                                + (words.length > 0 ? words[0] : "")
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
        print(medians);
    }

    private static void print(Map<String, Double> medians) {
        double copy = medians.getOrDefault("copyFloats", Double.NaN);
        System.out.printf("%n| operation on 12 megapixels, two threads | median, ms | target, ms | in copies |%n");
        System.out.println("| --- | ---: | ---: | ---: |");
        ROWS.forEach((name, row) -> {
            if (medians.containsKey(name)) {
                double median = medians.get(name);
                System.out.printf(Locale.ROOT, "| %s | %.1f | %s | %.1f |%n", row[0], median, row[1], median / copy);
            }
        });
    }
}
