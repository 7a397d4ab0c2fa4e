package keentally.study.document;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What a study's report is to hold, and how it is headed.
 *
 * @param title empty for the study's name
 * @param laboratory empty for none
 * @param by who hands it over; empty for nobody
 * @param words of one's own, before everything else; empty lines part paragraphs
 * @param parts in their order, without those that are left out
 * @param logo of the laboratory, a PNG in base 64
 */
public record ReportPlan(
        String title,
        String laboratory,
        String by,
        String words,
        Paper paper,
        List<Part> parts,
        Optional<String> logo) {
    /** As every study begins: everything, on A4. */
    public static final ReportPlan USUAL =
            new ReportPlan("", "", "", "", Paper.A4, Arrays.asList(Part.values()), Optional.empty());

    public ReportPlan {
        parts = List.copyOf(parts);
        if (parts.stream().distinct().count() < parts.size()) {
            throw new IllegalArgumentException("a part stands twice in the report");
        }
    }

    /** What it is printed on. */
    public enum Paper {
        A4,
        LETTER
    }

    /** What a report can hold. */
    public enum Part {
        IN_SHORT,
        SAMPLES,
        SCALE,
        METHODS,
        RESULTS,
        NUMBERS,
        DISTRIBUTIONS,
        TRIALS,
        HAND_COUNT,
        CAUTIONS,
        BY_HAND,
        PROVENANCE
    }

    public ReportPlan headed(String otherTitle, String otherLaboratory, String otherBy, String otherWords) {
        return new ReportPlan(otherTitle, otherLaboratory, otherBy, otherWords, paper, parts, logo);
    }

    public ReportPlan on(Paper other) {
        return new ReportPlan(title, laboratory, by, words, other, parts, logo);
    }

    public ReportPlan of(List<Part> others) {
        return new ReportPlan(title, laboratory, by, words, paper, others, logo);
    }

    public ReportPlan with(Optional<String> otherLogo) {
        return new ReportPlan(title, laboratory, by, words, paper, parts, otherLogo);
    }
}
