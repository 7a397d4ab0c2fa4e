package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.find.Caption;
import keentally.core.find.CaptionFinder;
import keentally.core.find.EvenLight;
import keentally.core.find.RoundField;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** What finds by itself, on drawn pictures whose truth is known. */
class FindTest {
    private static final int DRAWN = 20;
    private static final int LEAST_FOUND = 19;
    private static final List<DrawnCaption> CAPTIONS =
            IntStream.range(0, DRAWN).mapToObj(DrawnCaption::draw).toList();

    @Test
    void theRoundFieldIsFoundWithinOnePerCent() {
        List<String> misses = new ArrayList<>();
        for (int i = 0; i < DRAWN; i++) {
            DrawnTray tray = DrawnTray.draw(i, true);
            Optional<RoundField.Fit> found = RoundField.find(tray.picture(), Work.alone());
            Ellipse rim = tray.rim();
            boolean right = found.isPresent()
                    && Math.abs(found.get().rim().a() - rim.a()) <= 0.01 * rim.a()
                    && Math.hypot(
                                    found.get().rim().cx() - rim.cx(),
                                    found.get().rim().cy() - rim.cy())
                            <= 0.01 * rim.a();
            if (!right) {
                misses.add(i + ": " + rim + " but " + found);
            }
        }
        assertThat(misses).hasSizeLessThanOrEqualTo(DRAWN - LEAST_FOUND);
    }

    @Test
    void noRoundFieldIsFoundOnABenchWithoutATray() {
        List<String> wrong = new ArrayList<>();
        for (int i = 0; i < DRAWN; i++) {
            int number = i;
            RoundField.find(DrawnTray.draw(i, false).picture(), Work.alone())
                    .ifPresent(f -> wrong.add(number + ": " + f));
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void theBarIsFoundWithinAPixelInCaptionsOfManyLooks() {
        List<String> misses = new ArrayList<>();
        for (int i = 0; i < DRAWN; i++) {
            DrawnCaption drawn = CAPTIONS.get(i);
            Caption found = CaptionFinder.find(drawn.picture(), Work.alone());
            boolean right = found.bar().isPresent()
                    && Math.abs(found.bar().get().from() - drawn.from()) <= 1
                    && Math.abs(found.bar().get().to() - drawn.to()) <= 1
                    && Math.abs(found.bar().get().y() - drawn.y()) <= 1.5;
            if (!right) {
                misses.add(i + ": " + drawn.from() + " to " + drawn.to() + " at " + drawn.y() + " but " + found);
            }
        }
        assertThat(misses).hasSizeLessThanOrEqualTo(DRAWN - LEAST_FOUND);
    }

    @Test
    void theStripIsFoundWhereThereIsOneAndOnlyThere() {
        List<String> misses = new ArrayList<>();
        for (int i = 0; i < DRAWN; i++) {
            DrawnCaption drawn = CAPTIONS.get(i);
            Optional<Rectangle> found =
                    CaptionFinder.find(drawn.picture(), Work.alone()).strip();
            boolean right = drawn.strip().isPresent() == found.isPresent()
                    && (found.isEmpty()
                            || Math.abs(found.get().height()
                                                    - drawn.strip().get().height())
                                            <= 2
                                    && found.get().y() <= drawn.strip().get().y());
            if (!right) {
                misses.add(i + ": " + drawn.strip() + " but " + found);
            }
        }
        assertThat(misses).hasSizeLessThanOrEqualTo(DRAWN - LEAST_FOUND);
    }

    @Test
    void nothingIsFoundWhereNothingWasBurntIn() {
        List<String> wrong = new ArrayList<>();
        for (int i = 0; i < DRAWN; i++) {
            Caption found = CaptionFinder.find(DrawnCaption.without(i), Work.alone());
            if (found.isThere()) {
                wrong.add(i + ": " + found);
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void theDemoCaptionIsFoundAndTheOtherDemosHaveNone() {
        DemoSample starch = StarchGranules.draw(Work.alone());
        Caption found = CaptionFinder.find(starch.picture(), Work.alone());
        assertThat(found.strip()).contains(new Rectangle(0, 888, 1280, 72));
        assertThat(found.bar().orElseThrow().length() * starch.scale().umPerPx())
                .isCloseTo(20, within(0.05));
        for (DemoSample other : List.of(FlourDispersion.draw(Work.alone()), CrumbSection.draw(Work.alone()))) {
            assertThat(CaptionFinder.find(other.picture(), Work.alone()).isThere())
                    .isFalse();
            assertThat(RoundField.find(other.picture(), Work.alone())).isEmpty();
        }
    }

    @Test
    void unevenLightIsToldInPerCent() {
        Picture crumb = CrumbSection.draw(Work.alone()).picture();
        Field whole = Field.whole(crumb.width(), crumb.height());
        assertThat(EvenLight.variation(crumb.single().orElseThrow(), whole, Work.alone())
                        .orElseThrow())
                .isLessThan(10);
        Picture bench = DrawnTray.draw(1, false).picture();
        assertThat(EvenLight.variation(
                                bench.single().orElseThrow(), Field.whole(bench.width(), bench.height()), Work.alone())
                        .orElseThrow())
                .isGreaterThan(10);
    }
}
