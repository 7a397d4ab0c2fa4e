package keentally.desk.model;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.concurrent.Executor;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.quantity.Mass;
import keentally.core.quantity.Scale;
import keentally.desk.look.Texts;
import keentally.study.document.Calibration;
import keentally.study.document.FieldOrigin;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.FileStamp;
import keentally.study.document.PictureRef.Source;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.door.ChannelFiles;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureFolder;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureReader.Survey;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;

/** What a person does to samples: add, label, calibrate, fence off, order, remove. Every one an action that can be undone. */
public final class SampleActions {
    private final DeskModel desk;
    private final Executor ui;

    /** @param ui runs what it is given on the interface thread, in order */
    public SampleActions(DeskModel desk, Executor ui) {
        this.desk = desk;
        this.ui = ui;
    }

    /** What to do with files that have several pages. */
    public interface PageChoice {
        /**
         * Asked on the interface thread; answers with the samples to make, by name; none to leave the file out.
         *
         * @throws IllegalArgumentException in a sentence, where the channels cannot be called so
         */
        List<NewSample> choose(Survey survey);

        /** Asked likewise of files that seem to be the channels of one sample; empty where each is a sample. */
        default Optional<NewSample> join(ChannelFiles files) {
            return Optional.empty();
        }
    }

    /** A sample to be made. */
    public record NewSample(String name, PictureRef picture) {}

    /** Adds pictures and folders of pictures and shows the first; what cannot be read is said and leaves the study as it was. */
    public void add(List<Path> files, PageChoice choice) {
        Address here = desk.here();
        desk.job(Texts.of("job.read-pictures"), job -> {
            List<Survey> read = new ArrayList<>();
            List<String> faults = new ArrayList<>();
            List<Path> pictures = new ArrayList<>();
            for (Path file : files) {
                try {
                    pictures.addAll(pictures(file));
                } catch (FileFault e) {
                    faults.add(Texts.fault(e));
                }
            }
            for (int i = 0; i < pictures.size(); i++) {
                job.at(i, pictures.size());
                survey(pictures.get(i), read, faults);
            }
            ui.execute(() -> added(here, read, faults, choice));
        });
    }

    private static void survey(Path picture, List<Survey> read, List<String> faults) {
        try {
            read.add(PictureReader.survey(picture));
        } catch (FileFault e) {
            faults.add(Texts.fault(e));
        }
    }

    /** A folder stands for the pictures in it, by name. */
    private static List<Path> pictures(Path file) throws FileFault {
        if (!Files.isDirectory(file)) {
            return List.of(file);
        }
        List<Path> found = PictureFolder.list(file);
        if (found.isEmpty()) {
            throw new FileFault(file + " holds no picture that can be read.");
        }
        return found;
    }

    private void added(Address here, List<Survey> read, List<String> faults, PageChoice choice) {
        if (here.study() != desk.holding().get()) {
            return; // another study is on the desk by now
        }
        List<NewSample> fresh = new ArrayList<>();
        List<Survey> each = new ArrayList<>(read);
        for (ChannelFiles files : ChannelFiles.among(read)) {
            choice.join(files).ifPresent(joined -> {
                fresh.add(joined);
                each.removeAll(files.byWord().values());
            });
        }
        for (Survey survey : each) {
            if (survey.pages() > 1) {
                try {
                    fresh.addAll(choice.choose(survey));
                } catch (IllegalArgumentException e) {
                    faults.add(Texts.complaint(e.getMessage()));
                }
            } else {
                PictureRef picture = new PictureRef(List.of(PictureShelf.source("", survey, 1)));
                fresh.add(new NewSample(bare(survey.file()), picture));
            }
        }
        put(here.methodId(), fresh);
        if (!faults.isEmpty()) {
            desk.say(String.join(" ", faults));
        }
    }

    /** Adds a picture that came into a folder, with method, scale and field of another sample; what is on the stage stays. Answers with its id. */
    public String arrived(Survey survey, SampleThing like) {
        Study study = desk.study().get();
        String id = study.newSampleId();
        PictureRef picture = new PictureRef(List.of(PictureShelf.source("", survey, 1)));
        boolean isThere = study.methods().contains(like.method()); // it may have been taken out since
        SampleThing thing = SampleThing.of(bare(survey.file()), picture, isThere ? like.method() : desk.methodId())
                .with(like.calibration().map(c -> new Calibration(c.scale(), Calibration.Origin.GIVEN, like.name())))
                .with(like.field(), FieldOrigin.COPIED);
        desk.act(Texts.of("action.arrived", thing.name()), s -> s.with(id, thing));
        return id;
    }

    /** Adds a picture that lies nowhere yet: written to a file, and packed into the study so that it goes where the study goes. */
    public void keep(String name, Path file, WholeFile.Writer png) {
        Address here = desk.here();
        desk.job(Texts.of("job.paste"), job -> {
            try {
                Files.createDirectories(file.getParent());
                WholeFile.write(file, png);
                PictureRef picture = new PictureRef(List.of(PictureShelf.source("", PictureReader.survey(file), 1)));
                Optional<StudyFile> study = here.study().file().filter(f -> !f.isReadOnly());
                if (study.isPresent()) {
                    PictureShelf.pack(picture, study.get());
                }
                ui.execute(() -> {
                    if (here.study() == desk.holding().get()) {
                        put(here.methodId(), List.of(new NewSample(name, picture)));
                    }
                });
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            } catch (IOException e) {
                ui.execute(() -> desk.say(Texts.of("paste.no-place", file.getParent(), WholeFile.reason(e))));
            }
        });
    }

    /** Adds samples in one action, with the method in use, and shows the first of them. */
    public void put(List<NewSample> fresh) {
        put(desk.methodId(), fresh);
    }

    private void put(String method, List<NewSample> fresh) {
        if (fresh.isEmpty()) {
            return;
        }
        String first = desk.study().get().newSampleId();
        String title = fresh.size() == 1
                ? Texts.of("action.add-sample", fresh.getFirst().name())
                : Texts.of("action.add-samples", String.valueOf(fresh.size()));
        desk.act(title, study -> {
            Study changed = study;
            for (NewSample sample : fresh) {
                changed = changed.with(changed.newSampleId(), SampleThing.of(sample.name(), sample.picture(), method));
            }
            return changed;
        });
        boolean onStage = first.equals(desk.sampleId().get()); // as the first of a study
        if (desk.study().get().sample(first).isPresent() && !onStage) {
            desk.show(first);
        }
    }

    /** Grey samples of the study become the channels of one more sample, each under its own name. */
    public void join(List<String> ids) {
        List<Source> sources = ids.stream()
                .map(id -> thing(id).orElseThrow())
                .map(s -> {
                    Source of = s.picture().first();
                    return new Source(s.name(), of.file(), of.page(), of.stamp());
                })
                .toList();
        put(List.of(new NewSample(thing(ids.getFirst()).orElseThrow().name(), new PictureRef(sources))));
    }

    static String bare(Path file) {
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    private Optional<SampleThing> thing(String id) {
        return desk.study().get().sample(id);
    }

    private void change(String title, String id, UnaryOperator<SampleThing> how) {
        desk.act(
                title,
                s -> s.sample(id).map(sample -> s.with(id, how.apply(sample))).orElse(s));
    }

    /** Takes a sample out of the study. */
    public void remove(String id) {
        remove(List.of(id));
    }

    /** Takes samples out of the study, in one action. */
    public void remove(List<String> ids) {
        int place = desk.study().get().samples().indexOf(ids.getFirst());
        String names = ids.stream().map(id -> thing(id).orElseThrow().name()).collect(Collectors.joining(", "));
        boolean shown = ids.contains(desk.sampleId().get());
        desk.act(Texts.of("action.remove-sample", names), s -> {
            Study less = s;
            for (String id : ids) {
                less = less.without(id);
            }
            return less;
        });
        if (shown || desk.sampleId().get().isEmpty()) {
            List<String> left = desk.study().get().samples();
            desk.show(left.isEmpty() ? "" : left.get(Math.min(place, left.size() - 1)));
        }
    }

    /** Puts a sample {@code by} places later in the tray. */
    public void move(String id, int by) {
        List<String> order = new ArrayList<>(desk.study().get().samples());
        int from = order.indexOf(id);
        int to = from + by;
        if (from >= 0 && to >= 0 && to < order.size()) {
            order.add(to, order.remove(from));
            desk.act(Texts.of("action.order", thing(id).orElseThrow().name()), s -> s.ordered(order));
        }
    }

    /** Name, note and tags. */
    public void label(String id, SlideLabel label) {
        change(Texts.of("action.label", label.name()), id, s -> s.with(label));
    }

    /** What a sample weighs; empty for not known. */
    public void weigh(String id, Optional<Mass> mass) {
        String name = thing(id).map(SampleThing::name).orElse("");
        change(Texts.of("action.weigh", name), id, s -> s.weighing(mass));
    }

    /** @param reason why a sample takes no part in sums and comparisons; empty where it does */
    public void leaveOut(String id, Optional<String> reason) {
        String name = thing(id).map(SampleThing::name).orElse("");
        change(
                Texts.of(reason.isPresent() ? "action.leave-out" : "action.take-in", name),
                id,
                s -> s.leavingOut(reason));
    }

    /** Numbers that were typed for a sample. @param name the one that was typed last */
    public void type(String id, String name, SortedMap<String, Double> numbers) {
        change(Texts.of("action.typed", name), id, s -> s.numbered(numbers));
    }

    /** Uses another of the study's methods on the sample on the stage. */
    public void use(String methodId) {
        String title =
                Texts.of("action.use", desk.study().get().method(methodId).name());
        change(title, desk.sampleId().get(), s -> s.using(methodId));
    }

    /** Sets or clears the scale of the sample on the stage; the method's unit follows where that is what makes sense. */
    public void calibrate(Optional<Calibration> calibration) {
        String id = desk.sampleId().get();
        desk.act(
                Texts.of(calibration.isPresent() ? "action.scale" : "action.no-scale"),
                s -> followUnit(
                        s.sample(id)
                                .map(sample -> s.with(id, sample.with(calibration)))
                                .orElse(s),
                        id));
    }

    private Study followUnit(Study study, String id) {
        Optional<SampleThing> sample = study.sample(id);
        Optional<Scale> scale = sample.flatMap(SampleThing::scale);
        if (scale.isEmpty()) {
            return study;
        }
        Method used = study.method(sample.get().method());
        boolean locked = study.approval(sample.get().method()).isPresent();
        return used.unit().isReal() || locked
                ? study
                : study.with(
                        sample.get().method(),
                        used.in(desk.preferredUnit().orElse(scale.get().unit())));
    }

    /** Gives the scale of the sample on the stage to others. */
    public void giveScale(List<String> ids) {
        SampleThing from = desk.sample().orElseThrow();
        Scale scale = from.scale().orElseThrow();
        Calibration given = new Calibration(scale, Calibration.Origin.GIVEN, from.name());
        desk.act(Texts.of("action.give-scale", String.valueOf(ids.size())), study -> {
            Study changed = study;
            for (String id : ids) {
                changed = changed.with(id, changed.sample(id).orElseThrow().with(Optional.of(given)));
                changed = followUnit(changed, id);
            }
            return changed;
        });
    }

    /** Replaces the field of the sample on the stage by one that was drawn, or by the whole picture. */
    public void fence(String title, List<Field.Part> field) {
        fence(desk.here(), title, field, FieldOrigin.DRAWN);
    }

    /** Replaces the field of the sample that it was drawn or found for, whichever is on the stage by now. */
    public void fence(Address at, String title, List<Field.Part> field, FieldOrigin origin) {
        if (desk.isThere(at)) {
            change(title, at.sampleId(), s -> s.with(field, origin));
        }
    }

    /** Gives each of the samples a field, in one action. */
    public void fence(String title, Map<String, List<Field.Part>> fields, FieldOrigin origin) {
        desk.act(title, study -> {
            Study changed = study;
            for (Map.Entry<String, List<Field.Part>> e : fields.entrySet()) {
                if (changed.sample(e.getKey()).isPresent()) {
                    SampleThing sample = changed.sample(e.getKey()).get();
                    changed = changed.with(e.getKey(), sample.with(e.getValue(), origin));
                }
            }
            return changed;
        });
    }

    /** Looks for missing pictures, by what is in them, in a folder and below it. */
    public void find(Path folder) {
        Study study = desk.study().get();
        Address here = desk.here();
        desk.job(Texts.of("job.find-pictures"), job -> {
            try {
                List<FileStamp> wanted = study.samples().stream()
                        .flatMap(id -> study.sample(id).orElseThrow().picture().sources().stream())
                        .filter(s -> !Files.exists(s.file()))
                        .flatMap(s -> s.stamp().stream())
                        .distinct()
                        .toList();
                Map<FileStamp, Path> found = PictureShelf.search(folder, wanted, job.cancel());
                ui.execute(() -> {
                    if (here.study() == desk.holding().get()) {
                        found(folder, wanted.size(), found);
                    }
                });
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }

    private void found(Path folder, int wanted, Map<FileStamp, Path> found) {
        if (!found.isEmpty()) {
            desk.act(Texts.of("action.find-pictures", String.valueOf(found.size())), study -> {
                Study changed = study;
                for (String id : study.samples()) {
                    SampleThing sample = study.sample(id).orElseThrow();
                    PictureRef picture = sample.picture();
                    for (Source source : sample.picture().sources()) {
                        Path is = source.stamp().map(found::get).orElse(null);
                        picture = is == null ? picture : picture.moved(source.file(), is);
                    }
                    changed = changed.with(id, sample.with(picture));
                }
                return changed;
            });
            desk.show(desk.sampleId().get());
        }
        desk.say(Texts.of("missing.found", String.valueOf(found.size()), String.valueOf(wanted), folder));
    }
}
