package keentally.speed;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.lang.ref.Reference;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.speed.Operations.Operation;

/**
 * How the cost of each operation grows with the picture and with the number of objects, and what memory it takes; three tables, all of one
 * run. Times are medians of some repetitions, told by the pixel.
 */
public final class Growth {
    private static final int[][] SIZES = {{1152, 864}, {2000, 1500}, {4000, 3000}, {8000, 6000}};

    /** Discs in a row and in a column: from about ten to 300,000. */
    private static final int[][] DISCS = {{4, 3}, {12, 9}, {64, 48}, {200, 150}, {632, 474}};

    private static final double FLAT = 1.5;
    private static final long ENOUGH = 500_000_000L;
    private static final int LEAST_TIMES = 3;
    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();

    private Growth() {}

    private static final List<String> TABLES = List.of("size", "objects", "memory");

    /** Parts of the names of what is to be done; everything where there are none. */
    private static List<String> wanted = List.of();

    /** @param words which of the tables size, objects and memory, and parts of the names of what is to be done; all where none is named */
    public static void main(String[] words) {
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            List<String> named = Arrays.stream(words).filter(TABLES::contains).toList();
            List<String> which = named.isEmpty() ? TABLES : named;
            wanted = Arrays.stream(words).filter(w -> !TABLES.contains(w)).toList();
            warm(work);
            if (which.contains("size")) {
                bySize(work);
            }
            if (which.contains("objects")) {
                byObjects(work);
            }
            if (which.contains("memory")) {
                memory(work);
            }
        }
    }

    /** Whatever is done first would be measured while it is still compiled. */
    private static void warm(Work work) {
        int[] least = SIZES[0];
        operations(least[0], least[1], DISCS[0], work).values().forEach(Growth::seconds);
    }

    private static Map<String, Operation> operations(int width, int height, int[] discs, Work work) {
        Map<String, Operation> all = new Operations(width, height, discs[0], discs[1], work).all();
        all.keySet().removeIf(name -> !wanted.isEmpty() && wanted.stream().noneMatch(name::contains));
        return all;
    }

    private static void bySize(Work work) {
        Map<String, List<Double>> times = new LinkedHashMap<>();
        for (int[] size : SIZES) {
            double pixels = (double) size[0] * size[1];
            int across = Math.max(1, Math.round(size[0] / 62.5f));
            int down = Math.max(1, Math.round(size[1] / 62.5f));
            operations(size[0], size[1], new int[] {across, down}, work)
                    .forEach((name, operation) ->
                            times.computeIfAbsent(name, n -> new ArrayList<>()).add(seconds(operation) / pixels * 1e9));
        }
        print("ns a pixel, by megapixels", List.of("1", "3", "12", "48"), times);
    }

    private static void byObjects(Work work) {
        Map<String, List<Double>> times = new LinkedHashMap<>();
        for (int[] discs : DISCS) {
            double pixels = (double) Drawn.WIDTH * Drawn.HEIGHT;
            operations(Drawn.WIDTH, Drawn.HEIGHT, discs, work).forEach((name, operation) -> {
                if (Operations.isOfObjects(name)) {
                    times.computeIfAbsent(name, n -> new ArrayList<>()).add(seconds(operation) / pixels * 1e9);
                }
            });
        }
        List<String> heads = Arrays.stream(DISCS)
                .map(d -> String.format(Locale.ROOT, "%,d", d[0] * d[1]))
                .toList();
        print("ns a pixel of 12 megapixels, by discs drawn", heads, times);
    }

    /** The most over the least says how flat it is. */
    private static void print(String what, List<String> heads, Map<String, List<Double>> times) {
        System.out.printf("%n| %s | %s | most over least |%n", what, String.join(" | ", heads));
        System.out.println("| --- |" + " ---: |".repeat(heads.size() + 1));
        times.forEach((name, row) -> {
            double most = row.stream().mapToDouble(v -> v).max().orElseThrow();
            double least = row.stream().mapToDouble(v -> v).min().orElseThrow();
            StringBuilder line = new StringBuilder("| " + name);
            row.forEach(v -> line.append(String.format(Locale.ROOT, " | %.2f", v)));
            System.out.printf(
                    Locale.ROOT, "%s | %.1f%s |%n", line, most / least, most / least > FLAT ? " (not flat)" : "");
        });
    }

    private static double seconds(Operation operation) {
        operation.run();
        List<Double> times = new ArrayList<>();
        long end = System.nanoTime() + ENOUGH;
        while (times.size() < LEAST_TIMES || System.nanoTime() < end) {
            long start = System.nanoTime();
            operation.run();
            times.add((System.nanoTime() - start) / 1e9);
        }
        times.sort(null);
        return times.get(times.size() / 2);
    }

    /**
     * What is left when all else is let go of is the result; the most at once is seen by collecting garbage again and again while it is
     * done, and lies below what is allocated in all.
     */
    private static void memory(Work work) {
        double pixels = (double) Drawn.WIDTH * Drawn.HEIGHT;
        System.out.printf(
                "%n| bytes a pixel of 12 megapixels | allocated in all | left as the result | most at once beyond it |%n");
        System.out.println("| --- | ---: | ---: | ---: |");
        operations(Drawn.WIDTH, Drawn.HEIGHT, new int[] {64, 48}, work).forEach((name, operation) -> {
            operation.run();
            long before = held();
            long start = THREADS.getTotalThreadAllocatedBytes();
            Object result = operation.run();
            double allocated = (THREADS.getTotalThreadAllocatedBytes() - start) / pixels;
            double left = Math.max(0, held() - before) / pixels;
            Reference.reachabilityFence(result);
            double most = Math.min(allocated, most(operation) / pixels) - left;
            System.out.printf(Locale.ROOT, "| %s | %.1f | %.1f | %.1f |%n", name, allocated, left, Math.max(0, most));
        });
    }

    /** The most bytes beyond what was held before. */
    private static long most(Operation operation) {
        long before = held();
        AtomicLong most = new AtomicLong();
        AtomicBoolean over = new AtomicBoolean();
        Thread watch = Thread.ofPlatform().daemon().start(() -> {
            while (!over.get()) {
                System.gc();
                long used =
                        ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
                most.accumulateAndGet(used - before, Math::max);
            }
        });
        for (int i = 0; i < LEAST_TIMES; i++) {
            operation.run();
        }
        over.set(true);
        try {
            watch.join();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        return most.get();
    }

    private static long held() {
        for (int i = 0; i < 2; i++) {
            System.gc();
        }
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
    }
}
