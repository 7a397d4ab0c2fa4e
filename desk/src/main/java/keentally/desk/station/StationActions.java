package keentally.desk.station;

import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.step.StepDescription;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** What can be done to stations, from panel, method line, menu and keys alike. */
public final class StationActions {
    private final DeskModel desk;

    public StationActions(DeskModel desk) {
        this.desk = desk;
    }

    private String title(String stepId) {
        return desk.method().step(stepId).map(s -> Words.title(s.description())).orElse("");
    }

    public void mute(String stepId) {
        desk.method().step(stepId).ifPresent(step -> {
            String key = step.muted() ? "action.unmute" : "action.mute";
            desk.change(Texts.of(key, title(stepId)), m -> m.mute(stepId, !step.muted()));
        });
    }

    /** Takes a station out; the one before it is selected. */
    public void remove(String stepId) {
        int at = desk.method().indexOf(stepId);
        if (at < 0) {
            return;
        }
        String before =
                at == 0 ? DeskModel.PICTURE : desk.method().steps().get(at - 1).id();
        if (desk.change(Texts.of("action.remove", title(stepId)), m -> m.remove(stepId))) {
            desk.station().set(before);
        }
    }

    /** One place earlier (−1) or later (1), where that order can work. */
    public void move(String stepId, int by) {
        int to = desk.method().indexOf(stepId) + by;
        if (to >= 0 && to < desk.method().steps().size()) {
            desk.change(Texts.of("action.move", title(stepId)), m -> m.move(stepId, to));
        }
    }

    /** Puts a new station behind the selected one, with the hand work it begins with, and selects it. */
    public void add(StepDescription description) {
        int at = place();
        Method next = desk.method().add(at, description);
        MethodStep step = next.steps().get(at);
        String sample = desk.sampleId().get();
        Optional<HandWork> begun = step.handToBegin();
        boolean added = desk.change(
                Texts.of("action.add", Words.title(description)),
                m -> next,
                s -> begun.isEmpty() || sample.isEmpty() ? s : s.withHand(sample, desk.methodId(), step.id(), begun));
        if (added) {
            desk.station().set(step.id());
        }
    }

    /** Whether a new station of this kind can work behind the selected one. */
    public boolean canAdd(StepDescription description) {
        Method with = desk.method().add(place(), description);
        return with.refusal().isEmpty();
    }

    private int place() {
        return desk.method().indexOf(desk.station().get()) + 1;
    }

    /** Selects the station that stands {@code by} places further along the line; the picture comes first. */
    public void go(int by) {
        int to = desk.method().indexOf(desk.station().get()) + by;
        if (to == -1) {
            desk.station().set(DeskModel.PICTURE);
        } else if (to >= 0 && to < desk.method().steps().size()) {
            desk.station().set(desk.method().steps().get(to).id());
        }
    }
}
