package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.LengthUnit;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.setting.Setting;
import keentally.core.step.Flow;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.study.document.Study;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every control of every station's panel. */
class EveryControlTest {
    /** Short, so that it is soon run again, and with each kind that a station may need. */
    private static final Method EACH_KIND = Method.empty("Each kind", LengthUnit.PX)
            .then("channel")
            .then("levels")
            .then("pick-phase")
            .then("label");

    @TempDir
    private Path folder;

    private DeskDriver desk;

    @AfterEach
    void close() {
        if (desk != null) {
            desk.close();
        }
        Reader.is(Language.ENGLISH, false);
    }

    /**
     * Each kind of station where the demo has it first, for a picture in grey and for one in colour, and each way it is set there; by somebody
     * who reads German, so that what is shown with a comma is taken with one everywhere.
     */
    @Test
    void everyControlOfTheDemoMethods() throws Exception {
        Reader.is(Language.GERMAN, true);
        desk = DeskDriver.smallDemo(folder);
        try (ControlWalk walk = new ControlWalk(desk)) {
            List<String> samples = desk.onFx(() -> desk.model().study().get().samples());
            Set<String> kinds = new HashSet<>();
            for (String sample : samples) {
                desk.show(sample, "");
                boolean colour = desk.onFx(() ->
                        desk.model().open().get().orElseThrow().file().picture().isColour());
                for (MethodStep step : desk.onFx(() -> desk.model().method().steps())) {
                    if (kinds.add(step.description().id() + colour + shown(step))) {
                        walk.over(sample + " " + step.id(), "station-panel", () -> select(sample, step.id()));
                    }
                }
            }
            assertThat(walk.said()).isEmpty();
            assertThat(walk.touches()).isGreaterThan(380);
        }
    }

    /** Every kind of station there is, behind a picture in grey; behind one in colour those that part it and those that take colour apart. */
    @Test
    void everyControlOfEveryStep() throws Exception {
        for (String sample : List.of("Crust chart", "Dyed dough")) {
            desk = DeskDriver.smallDemo(folder.resolve(sample), sample);
            desk.onFx(() -> desk.model().change("each kind once", m -> EACH_KIND));
            desk.quiet();
            try (ControlWalk walk = new ControlWalk(desk)) {
                boolean colour = desk.onFx(() ->
                        desk.model().open().get().orElseThrow().file().picture().isColour());
                for (StepDescription step : Steps.all()) {
                    boolean looksAtColour = step.needs() == Flow.PICTURE
                            && (step.gives() != Flow.PICTURE
                                    || step.id().equals("channel")
                                    || step.id().equals("unmix-dyes"));
                    if (colour && !looksAtColour) {
                        continue;
                    }
                    Study before = desk.onFx(() -> desk.model().study().get());
                    String id = desk.add(step);
                    if (id.startsWith(step.id())) {
                        walk.over(id, "station-panel", () -> select("s1", id));
                    }
                    walk.backTo(before);
                }
                assertThat(walk.said()).isEmpty();
            }
            desk.close();
        }
        desk = null;
    }

    /** The settings that have a control. */
    private static String shown(MethodStep step) {
        return step.description().settings().stream()
                .filter(s -> s.applies(step.values()))
                .map(Setting::id)
                .toList()
                .toString();
    }

    private void select(String sample, String station) {
        if (!desk.model().sampleId().get().equals(sample)) {
            desk.model().show(sample);
        }
        if (desk.model().method().step(station).isPresent()) {
            desk.model().station().set(station);
        }
    }
}
