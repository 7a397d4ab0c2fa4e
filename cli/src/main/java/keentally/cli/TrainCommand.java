package keentally.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keentally.core.classify.ClassPicture;
import keentally.core.classify.Classifier;
import keentally.core.classify.Confusion;
import keentally.core.classify.Examples;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LearnerPlan;
import keentally.core.classify.Learnt;
import keentally.core.classify.Lessons;
import keentally.core.classify.Lessons.Lesson;
import keentally.core.classify.LinearModel;
import keentally.core.classify.LinearPlan;
import keentally.core.classify.Scores;
import keentally.core.picture.Picture;
import keentally.core.quantity.Length;
import keentally.core.quantity.Scale;
import keentally.core.words.Figures;
import keentally.core.work.Deadline;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.method.ModelFile;
import keentally.study.method.Provenance;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code train IMAGE... --classes CLASSPICTURE... --out MODEL}. */
@Command(
        name = "train",
        description =
                "Trains a model from pictures and what was painted over them, and says how well it does where it was"
                        + " not trained.",
        mixinStandardHelpOptions = true)
final class TrainCommand implements Callable<Integer> {
    private static final int MOST_EXAMPLES = 50_000;

    @Spec
    private CommandSpec spec;

    @Parameters(arity = "1..*", paramLabel = "IMAGE", description = "Pictures that classes were painted over.")
    private List<Path> pictures;

    @Option(
            names = "--classes",
            required = true,
            arity = "1..*",
            paramLabel = "CLASSPICTURE",
            description = "As many, in the same order: each value or colour is a class.")
    private List<Path> painted;

    @Option(names = "--out", required = true, paramLabel = "MODEL", description = "A file ending in .model.json.")
    private Path out;

    @Option(
            names = "--unpainted",
            paramLabel = "VALUE",
            description = "The value that means not painted: a number, #rrggbb, or none where every value is a class.")
    private String unpainted;

    @Option(
            names = "--features",
            split = ",",
            paramLabel = "GROUPS",
            description =
                    "value, gaussian, gradient, local, median, difference, hessian, structure, gabor; all when left"
                            + " out.")
    private List<String> features;

    @Option(
            names = "--learner",
            paramLabel = "NAME",
            defaultValue = "forest",
            description = "forest, or linear: one plane a class.")
    private String learner;

    @Option(
            names = "--cost",
            paramLabel = "N",
            defaultValue = "1",
            description = "Of an example on the wrong side; linear.")
    private double cost;

    @Option(names = "--rounds", paramLabel = "N", defaultValue = "100", description = "The most rounds; linear.")
    private int rounds;

    @Option(names = "--trees", paramLabel = "N", defaultValue = "64", description = "Trees of the forest.")
    private int trees;

    @Option(names = "--depth", paramLabel = "N", defaultValue = "18", description = "The most decisions of a tree.")
    private int depth;

    @Option(names = "--seed", paramLabel = "N", defaultValue = "1", description = "Of all chance in it.")
    private long seed;

    @Option(names = "--scale", paramLabel = "LENGTH", description = "Length of a pixel, such as \"0.85 um/px\".")
    private String scale;

    @Option(
            names = "--widest",
            paramLabel = "LENGTH",
            description = "How far the widest feature looks, such as \"16 px\" or \"160 um\"; the others go with it.")
    private String widest;

    @Option(names = "--json", description = "The scores as JSON.")
    private boolean json;

    @Override
    public Integer call() throws FileFault {
        try (Workers workers = Workers.of(Runtime.getRuntime().availableProcessors());
                Interrupt interrupt = Interrupt.listening()) {
            return train(new Work(workers, interrupt.cancel()));
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "Cannot train: " + e.getMessage() + ".");
        }
    }

    private int train(Work work) throws FileFault {
        LearnerPlan plan = plan(); // words that mean nothing are told before anything is read
        if (pictures.size() != painted.size()) {
            throw new IllegalArgumentException("every picture needs its class picture, but there are " + pictures.size()
                    + " and " + painted.size());
        }
        for (Path input : IntStream.range(0, pictures.size())
                .boxed()
                .flatMap(i -> List.of(pictures.get(i), painted.get(i)).stream())
                .toList()) {
            if (Files.exists(out) && Files.exists(input) && same(out, input)) {
                throw new IllegalArgumentException("the model would be written over " + input);
            }
        }
        List<Lesson> lessons = new ArrayList<>();
        List<Map<String, Object>> learntFrom = new ArrayList<>();
        for (int i = 0; i < pictures.size(); i++) {
            PictureFile picture = PictureReader.read(pictures.get(i));
            PictureFile classes = PictureReader.read(painted.get(i));
            FeatureSet set = set(picture.picture());
            lessons.add(Lesson.of(set, picture.picture(), ClassPicture.of(classes.picture())));
            learntFrom.add(Map.of("picture", picture.sha256(), "classes", classes.sha256()));
        }
        FeatureSet set = lessons.getFirst().features().rows().set();
        Lessons all = Lessons.of(lessons, unpainted(lessons));
        Examples examples = all.examples(MOST_EXAMPLES, seed, work);
        Scores scores = Scores.of(all.summary(), examples, plan, set, work, Deadline.NEVER);
        Learnt learnt = plan.learn(examples, work);
        Optional<Scale> trainedAt = Optional.ofNullable(scale).map(Scale::of);
        ModelFile.write(
                out,
                new Classifier(set, all.classes(), learnt, trainedAt),
                Provenance.of(learntFrom, examples.count(), seed, plan, Optional.of(scores)));
        boolean converged = !(learnt instanceof LinearModel linear) || linear.converged();
        say(scores, converged);
        if (!converged) {
            spec.commandLine()
                    .getErr()
                    .println("It did not converge in " + rounds + " rounds; give more with --rounds.");
        }
        return Status.WELL;
    }

    private LearnerPlan plan() {
        return switch (learner) {
            case "forest" -> new ForestPlan(trees, depth, ForestPlan.USUAL.leastLeaf(), seed);
            case "linear" -> new LinearPlan(cost, rounds);
            default -> throw new IllegalArgumentException("a learner is forest or linear, but not \"" + learner + "\"");
        };
    }

    private static boolean same(Path a, Path b) throws FileFault {
        try {
            return Files.isSameFile(a, b);
        } catch (IOException e) {
            throw new FileFault(b + " cannot be looked at: " + e.getMessage() + ".", e);
        }
    }

    /** What is not painted is asked for, never guessed. */
    private Optional<String> unpainted(List<Lesson> lessons) {
        ClassPicture first = lessons.getFirst().painted();
        if (unpainted == null) {
            throw new IllegalArgumentException(
                    "say with --unpainted which value means not painted, or none where all are"
                            + " classes; the class picture holds " + first.described());
        }
        if (unpainted.equals("none")) {
            return Optional.empty();
        }
        if (lessons.stream().allMatch(l -> l.painted().find(unpainted).isEmpty())) {
            throw new IllegalArgumentException(
                    "no pixel of the class picture is " + unpainted + "; it holds " + first.described());
        }
        return Optional.of(unpainted);
    }

    private FeatureSet set(Picture picture) {
        List<FeatureGroup> groups = features == null
                ? Arrays.asList(FeatureGroup.values())
                : features.stream().map(TrainCommand::group).toList();
        FeatureSet usual = new FeatureSet(groups, picture.isColour(), 1);
        if (widest == null) {
            return usual;
        }
        if (usual.widest() == 0) {
            throw new IllegalArgumentException("--widest means nothing where the value of a pixel is the only feature");
        }
        double px = Length.of(widest).px(Optional.ofNullable(scale).map(Scale::of));
        return new FeatureSet(groups, picture.isColour(), px / usual.widest());
    }

    private static FeatureGroup group(String word) {
        try {
            return FeatureGroup.valueOf(word.strip().toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("no group of features is called \"" + word + "\"", e);
        }
    }

    private void say(Scores scores, boolean converged) {
        PrintWriter say = spec.commandLine().getOut();
        Confusion confusion = scores.confusion();
        if (json) {
            Map<String, Object> tree = new LinkedHashMap<>();
            tree.put("examples", scores.examples());
            tree.put("heldOut", Provenance.table(scores));
            tree.put("confusion", confusion.counts());
            Map<String, Object> lost = new LinkedHashMap<>();
            scores.byGroup().forEach(i -> lost.put(i.name(), Double.isFinite(i.lost()) ? i.lost() : null));
            tree.put("importance", lost);
            tree.put("converged", converged);
            say.println(Json.pretty(tree));
            return;
        }
        say.printf(
                Locale.ROOT,
                "%-12s %9s %9s %9s %9s %9s%n",
                "class",
                "held out",
                "precision",
                "recall",
                "F1",
                "overlap");
        for (int c = 0; c < confusion.classes(); c++) {
            say.printf(
                    Locale.ROOT,
                    "%-12s %9d %9s %9s %9s %9s%n",
                    scores.classes().get(c).name(),
                    confusion.examples(c),
                    Figures.number(confusion.precision(c)),
                    Figures.number(confusion.recall(c)),
                    Figures.number(confusion.f1(c)),
                    Figures.number(confusion.overlap(c)));
        }
        say.printf(
                Locale.ROOT,
                "Of %,d examples; held out in blocks of %d px with a gap between them.%n",
                scores.examples(),
                scores.block());
        say.println("F1 lost where a group of features is shuffled: "
                + scores.byGroup().stream()
                        .map(i -> i.name() + " " + Figures.number(i.lost()))
                        .collect(Collectors.joining(", "))
                + ".");
    }
}
