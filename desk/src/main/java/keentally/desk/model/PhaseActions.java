package keentally.desk.model;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import keentally.core.colour.Rgb;
import keentally.desk.look.Texts;
import keentally.study.document.PhaseNote;

/** What a person says of the phases of the method in use, beside how they are found: colours and densities. */
public final class PhaseActions {
    private final DeskModel desk;

    public PhaseActions(DeskModel desk) {
        this.desk = desk;
    }

    /** @param colour empty for the usual one */
    public void colour(String phase, Optional<Rgb> colour) {
        note(Texts.of("action.phase-colour", phase), phase, n -> n.coloured(colour));
    }

    /** @throws IllegalArgumentException where it is not above 0 */
    public void density(String phase, Optional<Double> density) {
        note(Texts.of("action.phase-density", phase), phase, n -> n.dense(density));
    }

    private void note(String title, String phase, UnaryOperator<PhaseNote> how) {
        String method = desk.methodId();
        Map<String, PhaseNote> notes = new TreeMap<>(desk.phaseNotes());
        PhaseNote now = how.apply(notes.getOrDefault(phase, PhaseNote.NONE));
        if (now.equals(PhaseNote.NONE)) {
            notes.remove(phase);
        } else {
            notes.put(phase, now);
        }
        desk.act(title, s -> s.withPhaseNotes(method, notes));
    }
}
