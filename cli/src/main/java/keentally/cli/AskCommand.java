package keentally.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import keentally.core.geometry.Rectangle;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.ChoiceSetting;
import keentally.core.starter.Answer;
import keentally.core.starter.FirstLook;
import keentally.core.starter.Starter;
import keentally.core.step.State;
import keentally.core.words.Figures;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.study.caution.Captions;
import keentally.study.caution.Caution;
import keentally.study.caution.PictureCautions;
import keentally.study.document.FieldText;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.OwnFolder;
import keentally.study.file.WholeFile;
import keentally.study.method.MethodFile;
import keentally.study.picture.PictureFile;
import keentally.study.result.PictureOrder;
import keentally.study.result.SampleNames;
import keentally.study.run.SampleOrder;
import keentally.study.starter.AskedField;
import keentally.study.starter.Reply;
import keentally.study.starter.Told;
import keentally.study.starter.Warning;
import keentally.study.store.PictureShelf;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code ask IMAGE...}. */
@Command(
        name = "ask",
        description = "Answers questions about pictures by methods laid out for them, and says how sure that is.",
        mixinStandardHelpOptions = true)
final class AskCommand implements Callable<Integer> {
    private static final String ANSWERS = "answers.json";

    /** The first, and others that may be right. */
    private static final int MOST_ANSWERS = 3;

    /** As they are typed. */
    private static final Map<String, Starter> QUESTIONS = questions();

    @Spec
    private CommandSpec spec;

    @Parameters(arity = "0..*", paramLabel = "IMAGE", description = "PNG, JPEG, TIFF, BMP, GIF, WebP, PNM.")
    private List<Path> pictures = List.of();

    @Mixin
    private PictureWords words = new PictureWords();

    @Mixin
    private PlaceWords place = new PlaceWords();

    @Option(
            names = "--question",
            split = ",",
            paramLabel = "NAME",
            description =
                    "how-many, how-big, how-dense, dark-share, bright-share, colour-share, shades or two-dyes; all when"
                            + " left out.")
    private List<String> asked = List.of();

    @Option(names = "--json", description = "As JSON, with the methods.")
    private boolean json;

    @Option(
            names = "--out",
            paramLabel = "DIR",
            description =
                    "New, empty, or written by this command before: the answers, and the methods as files for run.")
    private Path out;

    private static Map<String, Starter> questions() {
        Map<String, Starter> questions = new LinkedHashMap<>();
        questions.put("how-many", Starter.HOW_MANY);
        questions.put("how-big", Starter.HOW_BIG);
        questions.put("how-dense", Starter.PER_AREA);
        questions.put("dark-share", Starter.DARK);
        questions.put("bright-share", Starter.BRIGHT);
        questions.put("colour-share", Starter.COLOUR);
        questions.put("shades", Starter.SHADES);
        questions.put("two-dyes", Starter.DYES);
        return questions;
    }

    @Override
    public Integer call() throws FileFault {
        List<PictureOrder> orders;
        List<String> questions;
        try {
            questions = asked.isEmpty() ? List.copyOf(QUESTIONS.keySet()) : asked;
            questions.stream()
                    .filter(q -> !QUESTIONS.containsKey(q))
                    .findFirst()
                    .ifPresent(q -> {
                        throw new IllegalArgumentException("--question knows " + String.join(", ", QUESTIONS.keySet())
                                + ", but was \"" + q + "\"");
                    });
            orders = words.wanted(pictures).stream()
                    .map(w -> place.order(w.name(), w.picture(), w.settled()))
                    .toList();
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "Wrong option: " + e.getMessage() + ".");
        }
        if (out != null) {
            OwnFolder.claim(out, ANSWERS);
        }
        return ask(orders, questions);
    }

    private int ask(List<PictureOrder> orders, List<String> questions) throws FileFault {
        List<String> names = SampleNames.of(orders);
        List<String> files = SampleNames.forFiles(names);
        List<Map<String, Object>> answers = new ArrayList<>();
        int failed = 0;
        try (Workers workers = Workers.of(Runtime.getRuntime().availableProcessors());
                Interrupt interrupt = Interrupt.listening()) {
            for (int i = 0; i < orders.size(); i++) {
                int at = i;
                Runner runner = new Runner(workers, StateCache.ofUsualSize()); // questions begin alike
                try {
                    Respondent respondent = Respondent.of(names.get(i), orders.get(i), runner, interrupt.cancel());
                    respondent.leftOut().ifPresent(box -> sayLeftOut(names.get(at), box));
                    for (String question : questions) {
                        List<Reply> replies = respondent.asked(QUESTIONS.get(question), question);
                        answers.add(tree(names.get(i), question, replies, files.get(i), respondent.field()));
                        say(names.get(i), question, replies);
                    }
                } catch (FileFault e) {
                    spec.commandLine().getErr().println(e.getMessage());
                    failed++;
                }
            }
        }
        if (out != null) {
            WholeFile.write(out.resolve(ANSWERS), Json.pretty(answers));
            OwnFolder.finish(out);
        }
        if (json) {
            spec.commandLine().getOut().print(Json.pretty(answers));
        }
        spec.commandLine().getOut().flush();
        return failed > 0 ? Status.SOME_FAILED : Status.WELL;
    }

    /** A picture that questions are asked of. */
    private record Respondent(
            SampleOrder order,
            Optional<Rectangle> leftOut,
            FirstLook look,
            PictureCautions checks,
            Runner runner,
            Cancel cancel) {
        static Respondent of(String name, PictureOrder order, Runner runner, Cancel cancel) throws FileFault {
            PictureFile read =
                    new PictureShelf(Optional.empty()).take(order.picture()).file();
            Captions captions = new Captions();
            AskedField asked = AskedField.of(
                    order.sample(read, runner.work(cancel)),
                    captions.of(read.key(), read.picture(), runner.work(cancel)));
            Sample sample = asked.sample();
            State start = State.of(sample.picture(), sample.field(), sample.scale());
            return new Respondent(
                    new SampleOrder(name, sample, order.background(read), false),
                    asked.leftOut(),
                    FirstLook.at(start, runner.work(cancel)),
                    new PictureCautions(captions),
                    runner,
                    cancel);
        }

        /** As {@code --field} takes it; empty for the whole picture. */
        List<String> field() {
            return order.sample().parts().stream().map(FieldText::write).toList();
        }

        List<Reply> asked(Starter question, String name) {
            Method empty =
                    Method.empty(name, order.sample().scale().map(Scale::unit).orElse(LengthUnit.PX));
            return Reply.to(question, order, empty, look, MOST_ANSWERS, runner, checks, cancel);
        }
    }

    private Map<String, Object> tree(
            String picture, String question, List<Reply> replies, String file, List<String> field) throws FileFault {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("picture", picture);
        tree.put("question", question);
        if (!field.isEmpty()) {
            tree.put("field", field); // run needs it too
        }
        List<Map<String, Object>> answers = new ArrayList<>();
        for (Reply reply : replies) {
            Told told = reply.told();
            Map<String, Object> answer = new LinkedHashMap<>();
            answer.put("value", finite(told.value()));
            answer.put("unit", told.symbol());
            answer.put("least", finite(told.least()));
            answer.put("most", finite(told.most()));
            answer.put("of", ChoiceSetting.word(reply.suggestion().of()));
            reply.suggestion().structure().ifPresent(s -> answer.put("things", ChoiceSetting.word(s)));
            answer.put(
                    "cautions", reply.cautions().stream().map(Caution::toString).toList());
            if (out != null) {
                String nth = answers.isEmpty() ? "" : "-" + (answers.size() + 1);
                Path method = out.resolve(file + "-" + question + nth + MethodFile.ENDING);
                MethodFile.write(method, reply.suggestion().method());
                answer.put("method", method.getFileName().toString());
            }
            answer.put(
                    "steps",
                    reply.suggestion().method().steps().stream()
                            .map(s -> s.description().id())
                            .toList());
            answers.add(answer);
        }
        tree.put("answers", answers);
        return tree;
    }

    private void sayLeftOut(String picture, Rectangle box) {
        if (!json) {
            spec.commandLine()
                    .getOut()
                    .printf(
                            Locale.ROOT,
                            "%-24s caption left out; for run add --field %s%n",
                            picture,
                            FieldText.write(new Field.Part(box, true)));
        }
    }

    private static Object finite(double value) {
        return Double.isFinite(value) ? value : null;
    }

    private void say(String picture, String question, List<Reply> replies) {
        if (json) {
            return;
        }
        PrintWriter say = spec.commandLine().getOut();
        if (replies.isEmpty()) {
            say.printf(Locale.ROOT, "%-24s %-13s the picture does not let it be asked%n", picture, question);
            return;
        }
        Reply first = replies.getFirst();
        Told told = first.told();
        String others = replies.stream()
                .skip(1)
                .map(r -> figure(r.told(), r.told().value())
                        + (r.suggestion().of() == first.suggestion().of() ? "" : of(r)))
                .collect(Collectors.joining(", "));
        say.printf(
                Locale.ROOT,
                "%-24s %-13s %s %s%s%s%s%n",
                picture,
                question,
                figure(told, told.value()),
                told.symbol(),
                of(first),
                told.hasRange() ? ", likely " + figure(told, told.least()) + " to " + figure(told, told.most()) : "",
                others.isEmpty() ? "" : "; or else " + others);
        Warning.of(QUESTIONS.get(question), first.cautions()).ifPresent(c -> say.printf("%-24s   %s%n", "", c.saw()));
    }

    private static String of(Reply reply) {
        return " of the " + ChoiceSetting.word(reply.suggestion().of()).replace('-', ' ');
    }

    private static String figure(Told told, double value) {
        return told.kind() == Answer.Kind.SHARE ? Figures.percent(value) : Figures.number(value);
    }
}
