package keentally.desk.model;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.method.Method;
import keentally.core.picture.HoldsBuffers;
import keentally.core.run.Lanes;
import keentally.core.run.Lanes.Lane;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.StateCache;
import keentally.desk.look.Texts;
import keentally.study.caution.PictureCautions;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRun;

/** Runs follow what stands on the desk: the newest whole one, and what a drag shows while it lasts. For the interface thread. */
final class Following {
    private static final String READY = "ready";

    private final Executor ui;
    private final Lanes lanes;
    private final Runner runner;
    private final StateCache memory;
    private final PictureCautions checks;
    private final Consumer<String> say;
    private long asked;

    /** Tickets below this were asked for before the last action. */
    private long dropped;

    private Optional<Tried> tried = Optional.empty();

    /** What a drag showed last: still to be shown where just this is kept. */
    private record Tried(Method method, String sampleId, long ticket) {}

    final ReadOnlyObjectWrapper<Optional<SampleRun>> shown = new ReadOnlyObjectWrapper<>(Optional.empty());
    final ReadOnlyObjectWrapper<Optional<Run>> preview = new ReadOnlyObjectWrapper<>(Optional.empty());
    final ReadOnlyObjectWrapper<Optional<Run>> previewSeen = new ReadOnlyObjectWrapper<>(Optional.empty());
    final ReadOnlyObjectWrapper<Map<String, Integer>> cautionCounts = new ReadOnlyObjectWrapper<>(Map.of());

    /** Selected objects, by region; they belong to the last run. */
    final ObjectProperty<Set<Integer>> selection = new SimpleObjectProperty<>(Set.of());

    private StateCache.Hold heldShown = () -> {};

    private StateCache.Hold heldPreview = () -> {};

    /** @param say told what is in the way */
    Following(
            Executor ui, Lanes lanes, Runner runner, StateCache memory, PictureCautions checks, Consumer<String> say) {
        this.ui = ui;
        this.lanes = lanes;
        this.runner = runner;
        this.memory = memory;
        this.checks = checks;
        this.say = say;
        shown.addListener((o, was, is) -> hold(is.map(SampleRun::run), true));
        preview.addListener((o, was, is) -> {
            hold(is, false);
            if (is.isEmpty()) {
                seen();
            }
        });
    }

    /**
     * What is to be run.
     *
     * @param made makes the order, away from the interface thread; throws IllegalArgumentException where its field holds no pixel
     */
    record OnStage(String sampleId, Supplier<SampleOrder> made) {}

    /** What the stage shows cannot be let go of. */
    private void hold(Optional<? extends HoldsBuffers> what, boolean whole) {
        StateCache.Hold before = whole ? heldShown : heldPreview;
        StateCache.Hold now = what.<StateCache.Hold>map(memory::hold).orElse(() -> {});
        before.close();
        if (whole) {
            heldShown = now;
        } else {
            heldPreview = now;
        }
    }

    /** The stage shows what it was told last. */
    void seen() {
        previewSeen.set(preview.get());
    }

    /** Nothing is on the stage any more; what was asked for is wanted no more. */
    void drop() {
        dropped = ++asked;
        tried = Optional.empty();
        selection.set(Set.of());
        preview.set(Optional.empty());
        shown.set(Optional.empty());
    }

    /** Runs a method as it stands now; whatever is running is overtaken, but for what shows this very method. */
    void follow(Method method, OnStage stage) {
        long ticket = ++asked;
        dropped = tried.filter(t -> t.method().equals(method) && t.sampleId().equals(stage.sampleId()))
                .map(Tried::ticket)
                .orElse(ticket);
        tried = Optional.empty();
        follow(method, stage, ticket, true);
    }

    /**
     * Runs a method that is not kept: up to a step at once, and the whole of it when there is time.
     *
     * @param every one in so many of the picture's rows is looked at
     */
    void tryOut(Method method, int upTo, int every, OnStage stage) {
        long ticket = ++asked;
        tried = Optional.of(new Tried(method, stage.sampleId(), ticket));
        lanes.drop(READY);
        lanes.submit(Lane.PREVIEW, cancel -> {
            Optional<SampleOrder> made = made(stage);
            try {
                if (made.isPresent()) {
                    Run run = runner.dragged(method, made.get().sample(), upTo, every, cancel);
                    ui.execute(() -> preview.set(ticket >= dropped ? Optional.of(run) : preview.get()));
                }
            } catch (RunFault e) {
                ui.execute(() -> say.accept(Texts.fault(e)));
            }
        });
        follow(method, stage, ticket, false);
    }

    /** Prepares what dragging a step of a method begins with, unless it is dragged first. */
    void makeReady(Method method, int upTo, OnStage stage) {
        lanes.look(READY, Urgency.BESIDE, cancel -> {
            Optional<SampleOrder> made = made(stage);
            try {
                if (made.isPresent()) {
                    runner.ready(method, made.get().sample(), upTo, cancel);
                }
            } catch (RunFault e) {
                // said by the run of the whole method
            }
        });
    }

    /** Where nothing is done with a picture yet, what is asked of it goes before what is to be said of it. */
    private void follow(Method method, OnStage stage, long ticket, boolean whole) {
        Lanes.Task job = cancel -> made(stage).ifPresent(s -> {
            SampleRun result = SampleRun.of(s, method, runner, checks, cancel);
            ui.execute(() -> came(stage.sampleId(), result, ticket, whole));
        });
        lanes.drop(this);
        if (whole && method.steps().isEmpty()) {
            lanes.overtake(Lane.FOLLOW, cancel -> {});
            lanes.look(this, Urgency.ASKED, job);
        } else if (whole) {
            lanes.overtake(Lane.FOLLOW, job);
        } else {
            lanes.submit(Lane.FOLLOW, job);
        }
    }

    /** Empty, and said, where the field holds no pixel of the picture. */
    private Optional<SampleOrder> made(OnStage stage) {
        try {
            return Optional.of(stage.made().get());
        } catch (IllegalArgumentException e) {
            ui.execute(() -> say.accept(Texts.complaint(e.getMessage())));
            return Optional.empty();
        }
    }

    private void came(String sampleId, SampleRun result, long ticket, boolean whole) {
        if (ticket < dropped) {
            return;
        }
        boolean sameObjects = shown.get().flatMap(SampleRun::objects).equals(result.objects());
        if (!sameObjects) {
            selection.set(Set.of());
        }
        shown.set(Optional.of(result));
        count(sampleId, result.cautions().size());
        if (whole) {
            dropped = ticket;
            if (tried.isEmpty()) { // else the next drag has begun
                preview.set(Optional.empty());
            }
        }
    }

    private void count(String sampleId, int cautions) {
        Map<String, Integer> counts = new HashMap<>(cautionCounts.get());
        if (!Integer.valueOf(cautions).equals(counts.put(sampleId, cautions))) {
            cautionCounts.set(Map.copyOf(counts));
        }
    }
}
