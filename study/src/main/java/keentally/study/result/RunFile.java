package keentally.study.result;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodTree;
import keentally.core.quantity.Mass;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.WholeFile;
import keentally.study.method.ReferencePaths;
import keentally.study.run.TypedNumbers;
import keentally.study.run.Weighing;

/** Reads {@code run.json}, so that what was run can be run again. */
final class RunFile {
    private RunFile() {}

    /**
     * What was run.
     *
     * @param sha256 of each picture, in the order of the samples; empty where it could not be read
     * @param byHand for each sample, whether something was done by hand on it, which is kept with a study only
     */
    record Ran(RunOrder order, String program, List<String> sha256, List<Boolean> byHand) {
        Ran {
            sha256 = List.copyOf(sha256);
            byHand = List.copyOf(byHand);
        }
    }

    /**
     * Of a folder of results.
     *
     * @param elsewhere where pictures are looked for that are not where they were
     * @throws FileFault where it is none, or damaged
     */
    static Ran read(Path folder, Optional<Path> elsewhere) throws FileFault {
        Path file = folder.resolve(ResultFolder.RECORD);
        if (!Files.exists(file)) {
            throw new FileFault(folder + " holds no results of a run: " + ResultFolder.RECORD + " is missing.");
        }
        try {
            Map<?, ?> tree = (Map<?, ?>) Json.parse(Files.readString(file));
            List<PictureOrder> samples = new ArrayList<>();
            List<String> sums = new ArrayList<>();
            List<Boolean> byHand = new ArrayList<>();
            for (Object each : (List<?>) tree.get("pictures")) {
                Map<?, ?> of = (Map<?, ?>) each;
                samples.add(PictureOrderText.read(of, name -> found(folder, name, elsewhere)));
                sums.add(Optional.ofNullable((String) of.get("sha256")).orElse(""));
                byHand.add(Boolean.TRUE.equals(of.get("byHand")));
            }
            return new Ran(order(tree, samples, folder), (String) tree.get("program"), sums, byHand);
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        } catch (MethodFault | IllegalArgumentException | ClassCastException | NullPointerException e) {
            throw new FileFault(file + " is damaged, or another program's: " + e.getMessage() + ".", e);
        }
    }

    private static Path found(Path folder, String name, Optional<Path> elsewhere) {
        Path there = folder.toAbsolutePath().resolve(name).normalize();
        return elsewhere.isPresent() && !Files.exists(there) ? elsewhere.get().resolve(there.getFileName()) : there;
    }

    /** What stands beside the samples of an order. */
    static RunOrder order(Map<?, ?> tree, List<PictureOrder> samples, Path folder) throws MethodFault {
        Optional<Mass> mass = Optional.ofNullable((String) tree.get("mass")).map(Mass::of);
        return new RunOrder(
                ReferencePaths.whole(MethodTree.read(tree.get("method")), folder),
                samples,
                folder,
                1,
                true,
                new Weighing(mass, numbers(tree.get("densities")), true),
                new TypedNumbers(OptionalDouble.empty(), numbers(tree.get("numbers"))),
                Optional.ofNullable((String) tree.get("bar")).map(ChosenBar::of));
    }

    private static TreeMap<String, Double> numbers(Object tree) {
        TreeMap<String, Double> numbers = new TreeMap<>();
        if (tree instanceof Map<?, ?> map) {
            map.forEach((name, value) -> numbers.put((String) name, ((Number) value).doubleValue()));
        }
        return numbers;
    }
}
