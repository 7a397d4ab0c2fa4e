package keentally.desk.model;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.stream.Stream;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.desk.look.Texts;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;

/**
 * What is done with studies as files. A study that was given no name yet is a <em>draft</em>: kept like any other, in the
 * program's own folder, and found there again.
 */
public final class StudyActions {
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss");

    private final DeskModel desk;
    private final Executor ui;
    private final Path drafts;
    private final Consumer<Path> opened;

    /**
     * @param home the program's own folder
     * @param opened told of each study with a name that is opened
     */
    public StudyActions(DeskModel desk, Executor ui, Path home, Consumer<Path> opened) {
        this.desk = desk;
        this.ui = ui;
        this.drafts = home.resolve("drafts");
        this.opened = opened;
    }

    public boolean isDraft(Path study) {
        return study.toAbsolutePath()
                .normalize()
                .startsWith(drafts.toAbsolutePath().normalize());
    }

    /** Goes on with the last draft that holds anything, or begins one. @param then what to do with it */
    public void draft(Runnable then) {
        desk.begin(
                watch -> {
                    for (Path last : drafts(1)) {
                        StudyFile file = StudyFile.open(last, watch);
                        if (!file.isReadOnly()) {
                            return file;
                        }
                        file.close();
                    }
                    return freshDraft(watch);
                },
                then);
    }

    /** Nothing but a method without a step, which is called as its reader would. */
    static Study begun() {
        Method method = Method.empty(Texts.of("method.untitled"), LengthUnit.PX);
        return Study.empty().with(Study.FIRST_METHOD, method);
    }

    /** Begins a draft. @param then what to do with it */
    public void newDraft(Runnable then) {
        desk.begin(this::freshDraft, then);
    }

    private StudyFile freshDraft(StudyFile.Watch watch) throws FileFault {
        Path file = drafts.resolve("untitled-" + LocalDateTime.now().format(STAMP) + StudyFile.ENDING);
        for (int n = 2; Files.exists(file); n++) {
            file = drafts.resolve("untitled-" + LocalDateTime.now().format(STAMP) + "-" + n + StudyFile.ENDING);
        }
        return StudyFile.create(file, begun(), watch);
    }

    /** Those that were begun and not named yet, the last first. */
    public List<Path> drafts() {
        return drafts(Integer.MAX_VALUE);
    }

    private List<Path> drafts(int most) {
        if (!Files.isDirectory(drafts)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(drafts)) {
            return all.filter(f -> f.toString().endsWith(StudyFile.ENDING))
                    .filter(Files::isRegularFile)
                    .sorted(Comparator.reverseOrder())
                    .limit(most)
                    .toList();
        } catch (IOException e) {
            return List.of();
        }
    }

    /** Makes a new study of a given name. */
    public void create(Path file) {
        Path named = named(file);
        desk.begin(watch -> StudyFile.create(named, begun(), watch), () -> opened.accept(named));
    }

    public void open(Path file) {
        Optional<Path> now = desk.holding().get().path();
        if (now.equals(Optional.of(file.toAbsolutePath().normalize()))) {
            desk.say(Texts.of("study.open-already", file.getFileName()));
            return;
        }
        desk.begin(
                watch -> StudyFile.open(file, watch),
                () -> desk.holding().get().path().ifPresent(opened));
    }

    private static Path named(Path file) {
        String name = file.getFileName().toString();
        return name.endsWith(StudyFile.ENDING) ? file : file.resolveSibling(name + StudyFile.ENDING);
    }

    /** Gives the study a name and a place: goes on in the new file, undo history and all. */
    public void keepAs(Path file) {
        Path named = named(file);
        copy(named, () -> {
            Optional<Path> draft = desk.holding().get().path().filter(this::isDraft);
            desk.begin(watch -> StudyFile.open(named, watch), () -> {
                opened.accept(named);
                draft.ifPresent(this::forget);
                desk.say(Texts.of("study.kept-as", named.getFileName()));
            });
        });
    }

    private void forget(Path draft) {
        desk.job(Texts.of("job.keep-study"), job -> {
            try {
                Files.deleteIfExists(draft);
            } catch (IOException e) {
                // a draft left behind is found again at the next start
            }
        });
    }

    /** Writes a copy and stays where it is. */
    public void copy(Path file) {
        Path named = named(file);
        copy(named, () -> desk.say(Texts.of("file.written", named)));
    }

    private void copy(Path file, Runnable then) {
        OpenStudy study = desk.holding().get();
        desk.job(Texts.of("job.copy-study", file.getFileName()), job -> {
            try {
                if (study.file().isPresent()) {
                    study.file().get().copyTo(file);
                } else {
                    StudyFile.create(file, study.study(), StudyFile.Watch.SILENT)
                            .close();
                }
                ui.execute(then);
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }

    /** Puts the pictures into the study file, so that it can be handed on alone. */
    public void pack() {
        OpenStudy study = desk.holding().get();
        if (study.file().isEmpty() || study.isReadOnly()) {
            desk.say(Texts.of(study.isReadOnly() ? "study.read-only" : "study.nowhere"));
            return;
        }
        StudyFile file = study.file().get();
        List<SampleThing> samples = study.study().samples().stream()
                .map(id -> study.study().sample(id).orElseThrow())
                .toList();
        desk.job(Texts.of("job.pack"), job -> {
            try {
                Set<String> left = new TreeSet<>();
                for (int i = 0; i < samples.size(); i++) {
                    job.at(i, samples.size());
                    PictureShelf.pack(samples.get(i).picture(), file)
                            .forEach(f -> left.add(f.getFileName().toString()));
                }
                String packed = String.valueOf(file.packedCount());
                String said = left.isEmpty()
                        ? Texts.of("study.packed", packed)
                        : Texts.of("study.packed-some", packed, String.join(", ", left));
                ui.execute(() -> desk.say(said));
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }

    /** Drafts without a sample are not kept. After the desk was closed. */
    public void tidy(Optional<Path> last, Study study) {
        if (last.filter(this::isDraft).isPresent() && study.samples().isEmpty()) {
            try {
                Files.deleteIfExists(last.get());
            } catch (IOException e) {
                // found again at the next start
            }
        }
    }
}
