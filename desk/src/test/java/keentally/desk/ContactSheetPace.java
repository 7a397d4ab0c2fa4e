package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.control.ScrollBar;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.samples.DemoFiles;
import keentally.samples.DemoStudy;
import keentally.study.document.Study;
import keentally.study.method.ReferenceFiles;
import keentally.study.run.RecordFile;
import keentally.study.series.RowText;
import keentally.study.series.SeriesRun;
import keentally.study.series.SeriesSample;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** How smoothly a contact sheet of 1,000 samples scrolls; run by {@code build/contact-sheet}, not with the tests. */
class ContactSheetPace {
    private static final int SAMPLES = 1000;
    private static final int PULSES = 600;

    @TempDir
    private Path home;

    @Test
    void scrollThroughAll() throws Exception {
        try (DeskDriver desk = DeskDriver.opened(home, many())) {
            desk.click("view-ledger");
            desk.settleBeside();
            desk.fire("ledger-shown-sheet");
            desk.settleBeside();
            double[] still = scroll(desk, 0);
            double[] first = scroll(desk, 1);
            double[] again = scroll(desk, 1);
            System.out.printf(
                    "pulses a second, nothing moving: %.1f; first time through: %.1f (%.1f ms of drawing each), worst gap"
                            + " %.0f ms; again: %.1f (%.1f ms), worst gap %.0f ms%n",
                    still[0], first[0], first[2], first[1], again[0], again[2], again[1]);
            assertThat(again[0]).isPositive();
        }
    }

    /** A study of 1,000 samples with the rows of eighteen. */
    private Path many() throws Exception {
        Path file = home.resolve("many.tally");
        List<DemoFiles.Entry> drawn =
                DeskDriver.drawn().stream().filter(d -> d.tag().isPresent()).toList();
        Study few = DemoStudy.of(drawn);
        Study study = few;
        while (study.samples().size() < SAMPLES) {
            int like = study.samples().size() % drawn.size();
            study = study.with(
                    study.newSampleId(), few.sample(few.samples().get(like)).orElseThrow());
        }
        Study all = study;
        try (StudyFile kept = StudyFile.create(file, all, StudyFile.Watch.SILENT);
                Workers workers = Workers.of(2)) {
            SeriesRun.run(
                    few.samples().stream().map(id -> SeriesSample.of(all, id)).toList(),
                    new PictureShelf(Optional.empty()),
                    new ReferenceFiles(),
                    workers,
                    new Cancel(),
                    (sample, outcome, done) -> {
                        int at = few.samples().indexOf(sample.id());
                        for (int i = at; i < all.samples().size(); i += drawn.size()) {
                            kept.keepRow(
                                    all.samples().get(i),
                                    RowText.write(outcome.row()),
                                    RecordFile.text(outcome.record()),
                                    outcome.thumbnail());
                        }
                    });
        }
        return file;
    }

    /** Pulses a second, the longest gap between two, and what drawing took of each, in milliseconds. @param far 1 through all, 0 stays */
    private static double[] scroll(DeskDriver desk, double far) throws Exception {
        Node sheet = desk.node("contact-sheet");
        long[] at = new long[PULSES];
        long[] drawing = new long[1];
        CountDownLatch done = new CountDownLatch(1);
        desk.onFx(() -> {
            ScrollBar bar = (ScrollBar) sheet.lookup(".scroll-bar");
            new AnimationTimer() {
                private int pulse;

                @Override
                public void handle(long now) {
                    at[pulse] = now;
                    pulse++;
                    long start = System.nanoTime();
                    bar.setValue(far * bar.getMax() * pulse / PULSES);
                    drawing[0] += System.nanoTime() - start;
                    if (pulse == PULSES) {
                        stop();
                        done.countDown();
                    }
                }
            }.start();
            return null;
        });
        assertThat(done.await(5, TimeUnit.MINUTES)).isTrue();
        long[] gaps = new long[PULSES - 1];
        for (int i = 0; i < gaps.length; i++) {
            gaps[i] = at[i + 1] - at[i];
        }
        double seconds = (at[PULSES - 1] - at[0]) / 1e9;
        return new double[] {
            (PULSES - 1) / seconds, Arrays.stream(gaps).max().orElse(0) / 1e6, drawing[0] / 1e6 / PULSES
        };
    }
}
