package keentally.core.words;

import java.util.Optional;
import keentally.core.method.MethodStep;
import keentally.core.quantity.PixelSize;
import keentally.core.step.Finding;
import keentally.core.step.Findings;

/** The one line a station has to say: "cut at 2,310 · 27.3 % bright". */
public final class Headline {
    private Headline() {}

    /**
     * From the step's pattern, its findings and its choices; empty where no pattern has all its numbers.
     *
     * @param told what lengths and areas are told in
     */
    public static String of(MethodStep step, Findings findings, PixelSize told) {
        return Patterns.first(Words.headline(step.description()), step, name -> found(findings, name, told))
                .orElse("");
    }

    /** By what a step that is held found its values: "Otsu". */
    public static String fitted(MethodStep held) {
        MethodStep free = held.freed();
        return Patterns.first(Words.fitted(free.description()), free, name -> Optional.empty())
                .orElseGet(() -> Words.title(free.description()));
    }

    private static Optional<String> found(Findings findings, String name, PixelSize told) {
        return findings.all().stream()
                .filter(f -> f.name().equals(name))
                .findFirst()
                .map(f -> text(f, told));
    }

    private static String text(Finding found, PixelSize told) {
        return switch (found) {
            case Finding.Percent share -> Figures.percent(share.value());
            case Finding.Area area -> Figures.area(area.value(), told);
            case Finding.Distance distance -> Figures.length(distance.value(), told);
            case Finding.Count count -> Figures.number(count.value());
            case Finding.Cut cut -> Figures.number(cut.value());
            case Finding.Places places -> Figures.number(places.value());
            case Finding.Marks marks -> Figures.number(marks.value());
            case Finding.Unfit unfit -> Figures.number(unfit.value());
        };
    }
}
