package keentally.cli;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import keentally.core.measure.SampleNumber;
import keentally.core.quantity.Mass;
import keentally.study.document.PictureRef;
import keentally.study.result.ChosenBar;
import keentally.study.result.PictureOrder;
import keentally.study.run.TypedNumbers;
import keentally.study.run.Weighing;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** What holds for every sample of a command: scale, field, mass, numbers for formulas, and the bar on its pictures. */
final class SampleWords {
    @Mixin
    private PlaceWords place = new PlaceWords();

    @Option(
            names = "--mass",
            paramLabel = "MASS",
            description = "What each sample weighs, such as \"12 g\" (mg, g, kg, ozt): phases.csv then has masses.")
    private String mass;

    @Option(
            names = "--density",
            paramLabel = "PHASE=N",
            description =
                    "Density of a phase by its name or number, in any one unit; 1 when left out. May be repeated.")
    private Map<String, Double> densities = Map.of();

    @Option(
            names = "--number",
            paramLabel = "NAME=N",
            description = "A number for the method's formulas, such as dilution=10. May be repeated.")
    private Map<String, Double> numbers = Map.of();

    @Option(
            names = "--bar",
            paramLabel = "BAR",
            description =
                    "A scale bar on the overlays, such as \"200 um\" or \"200 um, top left, dark\"; a picture without"
                            + " a scale, or without room for it, has none.")
    private String bar;

    PictureOrder order(Optional<String> name, PictureRef picture, boolean settled) {
        return place.order(name, picture, settled);
    }

    /** @throws IllegalArgumentException in a sentence, where the words do not go together */
    Weighing weighing() {
        if (mass == null && !densities.isEmpty()) {
            throw new IllegalArgumentException(
                    "--density stands beside --mass: densities share out what a sample weighs");
        }
        return new Weighing(Optional.ofNullable(mass).map(Mass::of), densities, true);
    }

    /** @throws IllegalArgumentException in a sentence, where it cannot be read */
    Optional<ChosenBar> bar() {
        return Optional.ofNullable(bar).map(ChosenBar::of);
    }

    /** @throws IllegalArgumentException in a sentence, where a name cannot be one */
    TypedNumbers typed() {
        numbers.keySet().forEach(SampleNumber::checkTyped);
        return new TypedNumbers(OptionalDouble.empty(), new TreeMap<>(numbers));
    }
}
