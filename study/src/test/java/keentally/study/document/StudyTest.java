package keentally.study.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.hand.HandWork;
import keentally.core.hand.Seeds;
import keentally.core.method.Departures;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.Steps;
import keentally.study.document.PictureRef.Source;
import keentally.study.document.Thing.HandThing;
import keentally.study.document.Thing.OrderThing;
import keentally.study.document.Thing.SampleThing;
import keentally.study.document.Thing.SheetThing;
import org.junit.jupiter.api.Test;

class StudyTest {
    private static SampleThing sample(String name, String method) {
        return SampleThing.of(name, PictureRef.of(Path.of("/" + name + ".png"), 1), method);
    }

    @Test
    void aStudyThatDoesNotFitTogetherIsRefusedAndCanBeMended() {
        Study torn = Study.of(Map.of(
                "sample/s1", sample("a", Study.FIRST_METHOD),
                "sample/s2", sample("b", "m9"),
                "order", new OrderThing(List.of("s7", "s2", "s2"))));
        assertThatThrownBy(torn::checkWhole).hasMessageContaining("do not fit their order");
        Study mended = torn.mended();
        mended.checkWhole();
        assertThat(mended.samples()).containsExactly("s2", "s1");
        assertThat(mended.sample("s2").orElseThrow().method()).isEqualTo(Study.FIRST_METHOD);
        assertThatThrownBy(
                        () -> Study.of(Map.of("sample/s2", sample("b", "m9"), "order", new OrderThing(List.of("s2"))))
                                .checkWhole())
                .hasMessageContaining("the method m9");
    }

    @Test
    void handWorkGoesWithItsSampleAndItsStep() {
        Optional<HandWork> seeds = Optional.of(new Seeds(List.of(new Point(1, 2))));
        Method one = Method.empty("one", LengthUnit.PX)
                .add(0, Steps.find("similar-colour").orElseThrow());
        Study study = Study.empty()
                .with("m1", one)
                .with("s1", sample("a", "m1"))
                .with("s2", sample("b", "m1"))
                .withHand("s1", "m1", "similar-colour-1", seeds)
                .withHand("s2", "m1", "similar-colour-1", seeds)
                .withHand("s1", "m2", "similar-colour-1", seeds);
        assertThat(study.hand("s1", "m1")).containsOnlyKeys("similar-colour-1");
        assertThat(study.handFor("m1", "similar-colour-1")).containsOnlyKeys("s1", "s2");
        assertThat(study.with("m1", one.mute("similar-colour-1", true)).hand("s1", "m1"))
                .isNotEmpty();
        Study without = study.with("m1", one.remove("similar-colour-1"));
        assertThat(without.hand("s1", "m1")).isEmpty();
        assertThat(without.hand("s1", "m2")).isNotEmpty();
        assertThat(study.without("s1").handFor("m1", "similar-colour-1")).containsOnlyKeys("s2");
        assertThat(study.without("s1").hand("s1", "m2")).isEmpty();
        assertThat(study.withHand("s1", "m1", "similar-colour-1", Optional.empty())
                        .hand("s1", "m1"))
                .isEmpty();
        assertThat(study.withoutHand("m1", "similar-colour-1").handFor("m1", "similar-colour-1"))
                .isEmpty();
    }

    @Test
    void sheetsAreKeptInTheOrderTheyWereMade() {
        Study study = Study.empty();
        for (int i = 1; i <= 12; i++) {
            study = study.with(new SheetThing("sheet " + i, "", ""));
        }
        assertThat(study.sheets().keySet()).startsWith("1", "2", "3").endsWith("11", "12");
        study = study.withoutSheet("12").withoutSheet("2").with(new SheetThing("new", "", ""));
        assertThat(study.sheets().lastEntry().getValue().title()).isEqualTo("new");
        assertThat(study.sheets()).hasSize(11);
    }

    @Test
    void handWorkOfASampleThatIsGoneIsTornAndMended() {
        Study torn = Study.of(Map.of("hand/s7/m1/x/y", new HandThing(Seeds.NONE)));
        assertThatThrownBy(torn::checkWhole).hasMessageContaining("but not the sample");
        assertThat(torn.mended().handFor("m1", "x/y")).isEmpty();
        torn.mended().checkWhole();
        Study misplaced = Study.of(Map.of(
                "hand/s7", new HandThing(Seeds.NONE),
                "elsewhere", new HandThing(Seeds.NONE),
                "sheet/one", new SheetThing("a", "", "")));
        assertThatThrownBy(misplaced::checkWhole).hasMessageContaining("does not belong");
        misplaced.mended().checkWhole();
        assertThat(misplaced.mended().sheets()).isEmpty();
    }

    @Test
    void anotherOrderHoldsTheSameSamples() {
        Study study =
                Study.empty().with("s1", sample("a", Study.FIRST_METHOD)).with("s2", sample("b", Study.FIRST_METHOD));
        assertThat(study.ordered(List.of("s2", "s1")).samples()).containsExactly("s2", "s1");
        for (List<String> wrong : List.of(List.of("s1"), List.of("s1", "s1"), List.of("s1", "s2", "s3"))) {
            assertThatThrownBy(() -> study.ordered(wrong)).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void channelsOfASampleHaveDifferentNames() {
        Source one = new Source("starch", Path.of("/a.tif"), 1, Optional.empty());
        Source two = new Source("protein", Path.of("/b.tif"), 2, Optional.empty());
        assertThat(new PictureRef(List.of(one, two)).isComposed()).isTrue();
        assertThat(PictureRef.of(Path.of("/a.tif"), 1).isComposed()).isFalse();
        assertThatThrownBy(() -> new PictureRef(List.of(one, one))).hasMessageContaining("different names");
        assertThatThrownBy(() -> new PictureRef(List.of())).hasMessageContaining("needs a picture");
        assertThat(new PictureRef(List.of(one, two))
                        .moved(Path.of("/b.tif"), Path.of("/c.tif"))
                        .sources()
                        .getLast())
                .isEqualTo(new Source("protein", Path.of("/c.tif"), 2, Optional.empty()));
    }

    @Test
    void tagsAreNumbersWithUnits() {
        assertThat(SlideLabel.Amount.of("30 min")).isEqualTo(new SlideLabel.Amount(30, "min"));
        assertThat(SlideLabel.Amount.of(" 0.5  mg/l ")).hasToString("0.5 mg/l");
        assertThat(SlideLabel.Amount.of("7")).hasToString("7");
        assertThatThrownBy(() -> SlideLabel.Amount.of("half an hour")).hasMessageContaining("a number with its unit");
        assertThatThrownBy(() -> SlideLabel.of(" ")).hasMessageContaining("needs a name");
    }

    @Test
    void aSamplesOwnSettingsGoWithItAndWithTheMethod() {
        Departures own = new Departures(List.of(new Departure("threshold-1", "cut", Optional.of(12.5))));
        Study study = Study.empty()
                .with("m1", Method.empty("one", LengthUnit.PX).then("threshold", "rule", "manual", "cut", 10))
                .with("m2", Method.empty("two", LengthUnit.PX))
                .with("s1", SampleThing.of("a", PictureRef.of(Path.of("/a.png"), 1), "m1"))
                .withDepartures("s1", "m1", own)
                .withDepartures("s1", "m2", own);
        study.checkWhole();
        assertThat(study.departures("s1")).isEqualTo(own);
        assertThat(study.methodOn("s1", "m1"))
                .isEqualTo(own.on(study.method("m1")))
                .isNotEqualTo(study.method("m1"));
        assertThat(study.methodOn("", "m1")).isEqualTo(study.method("m1"));
        assertThat(study.withoutMethod("m2").departures("s1", "m2")).isEqualTo(Departures.NONE);
        assertThat(study.without("s1").departures("s1", "m1")).isEqualTo(Departures.NONE);
        Study alone =
                study.with("sample/s1", Optional.<Thing>empty()).with("order", Optional.of(new OrderThing(List.of())));
        assertThatThrownBy(alone::checkWhole).hasMessageContaining("not the sample");
        assertThat(alone.mended().departures("s1", "m1")).isEqualTo(Departures.NONE);
        assertThat(study.withDepartures("s1", "m1", Departures.NONE).methodOn("s1", "m1"))
                .isEqualTo(study.method("m1"));
    }
}
