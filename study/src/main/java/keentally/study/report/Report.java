package keentally.study.report;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import keentally.study.document.ReportPlan;
import keentally.study.document.ReportPlan.Part;

/** What is handed over, in order. */
public final class Report {
    private final ReportPlan plan;
    private final String title;
    private final LocalDate made;
    private final List<Section> sections;
    private final Set<String> names;

    private Report(ReportPlan plan, String title, LocalDate made, List<Section> sections, Set<String> names) {
        this.plan = plan;
        this.title = title;
        this.made = made;
        this.sections = List.copyOf(sections);
        this.names = Set.copyOf(names);
    }

    /** A part with its title. */
    record Section(Part part, String title, List<Block> blocks) {
        public Section {
            blocks = List.copyOf(blocks);
        }
    }

    /** As the study's plan asks for it; parts that have nothing to say are not there. */
    public static Report of(ReportMaterial material) {
        ReportPlan plan = material.study().report();
        List<Section> sections = new ArrayList<>();
        for (Part part : plan.parts()) {
            List<Block> blocks = blocks(part, material);
            if (!blocks.isEmpty()) {
                sections.add(new Section(part, title(part), blocks));
            }
        }
        String title = plan.title().isBlank() ? material.name() : plan.title();
        return new Report(plan, title, material.made(), sections, material.names());
    }

    private static List<Block> blocks(Part part, ReportMaterial material) {
        return switch (part) {
            case IN_SHORT -> InShortPart.of(material);
            case SAMPLES -> SamplesPart.of(material);
            case SCALE -> ScalePart.of(material);
            case METHODS -> MethodsPart.of(material);
            case RESULTS -> ResultsPart.of(material);
            case NUMBERS -> NumbersPart.of(material);
            case DISTRIBUTIONS -> DistributionsPart.of(material);
            case TRIALS -> TrialsPart.of(material);
            case HAND_COUNT -> HandCountPart.of(material);
            case CAUTIONS -> CautionsPart.of(material);
            case BY_HAND -> ByHandPart.of(material);
            case PROVENANCE -> ProvenancePart.of(material);
        };
    }

    /** What a part is called, in the report and where it is chosen. */
    public static String title(Part part) {
        return switch (part) {
            case IN_SHORT -> "In short";
            case SAMPLES -> "Samples";
            case SCALE -> "Scale and field";
            case METHODS -> "Methods";
            case RESULTS -> "Results";
            case NUMBERS -> "Numbers of the samples";
            case DISTRIBUTIONS -> "Distributions";
            case TRIALS -> "What was tried";
            case HAND_COUNT -> "Counted by hand";
            case CAUTIONS -> "Cautions";
            case BY_HAND -> "Departures and work by hand";
            case PROVENANCE -> "Where every number comes from";
        };
    }

    ReportPlan plan() {
        return plan;
    }

    String title() {
        return title;
    }

    /** What people called samples, methods, groups and phases. */
    Set<String> names() {
        return names;
    }

    LocalDate made() {
        return made;
    }

    List<Section> sections() {
        return sections;
    }
}
