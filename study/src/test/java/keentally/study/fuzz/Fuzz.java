package keentally.study.fuzz;

import com.sun.management.ThreadMXBean;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.LongPredicate;
import keentally.core.method.MethodFault;
import keentally.study.file.FileFault;

/**
 * Damages sound files and opens them. What may come of it is an answer or a sentence; never an internal error, an end that does not come
 * within five seconds, or 256 megabytes of memory for a file of less than one.
 *
 * <p>{@code Fuzz MINUTES FOLDER}: findings are kept in the folder, each as the file that it was.
 */
public final class Fuzz {
    static final int SECONDS = 5;
    static final long MOST_BYTES = 256L << 20;

    private final Path findings;
    private ExecutorService thread = thread();
    private final List<String> found = Collections.synchronizedList(new ArrayList<>());

    private static ExecutorService thread() {
        return Executors.newSingleThreadExecutor(r -> {
            Thread t = new Thread(null, r, "fuzz", 1 << 20);
            t.setDaemon(true);
            return t;
        });
    }

    Fuzz(Path findings) {
        this.findings = findings;
    }

    /** Something that takes files. */
    interface Target {
        String name();

        /** Sound files by their names. */
        SequencedMap<String, byte[]> seeds() throws Exception;

        /**
         * Opens a damaged file.
         *
         * @return what is wrong with the answer; empty where nothing is
         */
        String open(String seed, byte[] sound, byte[] damaged, boolean cutShort) throws Exception;
    }

    /** @return how many files were tried */
    long run(Target target, long seed, LongPredicate goOn) throws Exception {
        SequencedMap<String, byte[]> seeds = target.seeds();
        List<String> names = List.copyOf(seeds.keySet());
        for (Map.Entry<String, byte[]> sound : seeds.entrySet()) {
            attempt(target, sound.getKey(), sound.getValue(), sound.getValue(), false);
        }
        SplittableRandom random = new SplittableRandom(seed);
        Mutator mutator = new Mutator(random);
        long tried = 0;
        while (goOn.test(tried)) {
            String name = names.get(random.nextInt(names.size()));
            byte[] sound = seeds.get(name);
            boolean cut = random.nextBoolean();
            byte[] damaged = cut
                    ? mutator.cutShort(sound)
                    : mutator.damaged(sound, seeds.get(names.get(random.nextInt(names.size()))));
            attempt(target, name, sound, damaged, cut);
            tried++;
        }
        return tried;
    }

    /** What was found, each in a line. */
    List<String> found() {
        return List.copyOf(found);
    }

    private void attempt(Target target, String name, byte[] sound, byte[] damaged, boolean cut) throws IOException {
        ThreadMXBean memory = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        AtomicLong taken = new AtomicLong();
        AtomicReference<Thread> at = new AtomicReference<>();
        Future<String> answer = thread.submit(() -> {
            at.set(Thread.currentThread());
            long before = memory.getCurrentThreadAllocatedBytes();
            try {
                return target.open(name, sound, damaged, cut);
            } finally {
                taken.set(memory.getCurrentThreadAllocatedBytes() - before);
            }
        });
        String wrong;
        try {
            wrong = answer.get(SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            wrong = "did not end within " + SECONDS + " s, at "
                    + Arrays.toString(at.get().getStackTrace());
            thread = thread(); // that one is lost
        } catch (java.util.concurrent.ExecutionException e) {
            boolean said = e.getCause() instanceof FileFault || e.getCause() instanceof MethodFault;
            wrong = said
                    ? sentence(e.getCause())
                    : "fell with " + e.getCause() + " at "
                            + Arrays.stream(e.getCause().getStackTrace())
                                    .limit(6)
                                    .toList();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
        if (wrong.isEmpty() && taken.get() > MOST_BYTES && damaged.length < 1 << 20) {
            wrong = "took " + (taken.get() >> 20) + " MB for " + damaged.length + " bytes";
        }
        if (!wrong.isEmpty()) {
            keep(target, name, damaged, wrong);
        }
    }

    /** A sentence names no class and has an end. */
    private static String sentence(Throwable fault) {
        String said = String.valueOf(fault.getMessage());
        boolean classy = said.matches("(?s).*\\b(java|javax|sun|keentally)\\.[a-z].*|.*Exception.*|null|.*: null.*");
        return classy || !said.endsWith(".") ? "says \"" + said + "\"" : "";
    }

    private void keep(Target target, String name, byte[] damaged, String wrong) throws IOException {
        Files.createDirectories(findings);
        Path file = findings.resolve(target.name() + "-" + found.size() + "-" + name);
        Files.write(file, damaged);
        found.add(file.getFileName() + ": " + wrong);
        System.out.println(found.getLast());
    }

    /** @param words minutes, and the folder for what is found */
    public static void main(String[] words) throws Exception {
        long minutes = Long.parseLong(words[0]);
        Fuzz fuzz = new Fuzz(Path.of(words[1]));
        Path scratch = Files.createTempDirectory("fuzz");
        List<Target> targets = Targets.all(scratch);
        for (Target target : targets) {
            long end = System.nanoTime() + TimeUnit.MINUTES.toNanos(minutes) / targets.size();
            long seed = System.nanoTime();
            long tried = fuzz.run(target, seed, n -> System.nanoTime() < end);
            System.out.println(target.name() + ": " + tried + " files, seed " + seed);
        }
        System.out.println(fuzz.found().size() + " findings");
        System.exit(fuzz.found().isEmpty() ? 0 : 1);
    }
}
