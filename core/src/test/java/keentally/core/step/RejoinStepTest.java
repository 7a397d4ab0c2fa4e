package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.region.ObjectSet;
import keentally.core.run.Progress;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

/** Parts that are worked on by themselves and put back, against the same by masks. */
class RejoinStepTest {
    private static final int W = 40;
    private static final int H = 30;
    private static final Method EMPTY = Method.empty("m", LengthUnit.PX);

    /** Chequers of 5 px, values rising to the right: 10 to 205. */
    private static Picture picture() {
        byte[] values = new byte[W * H];
        for (int i = 0; i < values.length; i++) {
            int x = i % W;
            int y = i / W;
            values[i] = (byte) (10 + 5 * x - ((x / 5 + y / 5) % 2 == 0 ? 0 : Math.min(5 * x, 60)));
        }
        return Picture.grey(Plane8.of(W, H, values));
    }

    private static State end(Method method) throws RunFault {
        assertThat(method.refusal()).isEmpty();
        Sample sample = Sample.of("k", picture(), List.of(), Optional.empty());
        return new Runner(Workers.alone(), new StateCache(1 << 20))
                .run(method, sample, 99, new Cancel(), Progress.SILENT)
                .last();
    }

    private static Method cut(Method method, double at) {
        return method.then("threshold", "rule", "manual", "cut", at, "keep", "bright");
    }

    private static Method rectangle(Method method, int x, int y, int w, int h) {
        return method.then("within", "part", "rectangle", "at", List.of(x, y, w, h));
    }

    private static boolean inside(int x, int y) {
        return x >= 8 && x < 28 && y >= 4 && y < 20;
    }

    @Test
    void aMaskOfThePartIsTheMaskThatSetAsideAndCombinedGive() throws RunFault {
        Method part = cut(cut(EMPTY, 60).then("within"), 120).then("rejoin");
        Method byHand = cut(cut(EMPTY, 60).then("set-aside", "name", "part"), 120)
                .then("combine", "with", "part", "how", "and");
        State joined = end(part);
        assertThat(joined.needMask()).isEqualTo(end(byHand).needMask());
        assertThat(joined.field().isWhole()).isTrue();
        assertThat(joined.part()).isEmpty();
    }

    @Test
    void outsideOfADrawnPartTheMaskStays() throws RunFault {
        Mask outer = end(cut(EMPTY, 60)).needMask();
        Mask inner = end(cut(EMPTY, 120)).needMask();
        Mask joined = end(cut(rectangle(cut(EMPTY, 60), 8, 4, 20, 16), 120).then("rejoin"))
                .needMask();
        for (int i = 0; i < W * H; i++) {
            int x = i % W;
            int y = i / W;
            assertThat(joined.at(x, y)).isEqualTo((inside(x, y) ? inner : outer).at(x, y));
        }
    }

    @Test
    void phasesKeepTheirNamesAndThoseOfOneNameAreOne() throws RunFault {
        Method outer = EMPTY.then("levels", "by", "manual", "cuts", List.of(100), "names", List.of("dark", "light"));
        Method inner = rectangle(outer, 8, 4, 20, 16)
                .then("levels", "by", "manual", "cuts", List.of(50, 150), "names", List.of("dark", "middle", "pale"))
                .then("rejoin");
        PhaseMap before = end(outer).needPhases();
        PhaseMap joined = end(inner).needPhases();
        assertThat(joined.names()).containsExactly("dark", "light", "middle", "pale");
        Plane values = picture().single().orElseThrow();
        for (int i = 0; i < W * H; i++) {
            int x = i % W;
            int y = i / W;
            double v = values.at(x, y);
            int wanted = inside(x, y)
                    ? v <= 50 ? 0 : v <= 150 ? 2 : 3
                    : (int) before.map().at(x, y);
            assertThat((int) joined.map().at(x, y)).isEqualTo(wanted);
        }
        PhaseMap alone = end(rectangle(EMPTY, 8, 4, 20, 16)
                        .then("levels", "by", "manual", "cuts", List.of(100))
                        .then("rejoin"))
                .needPhases();
        assertThat(alone.names().getFirst()).isEqualTo("rest");
        assertThat(alone.map().at(0, 0)).isEqualTo(0);
        assertThat(alone.map().at(27, 19)).isGreaterThan(0);
    }

    @Test
    void onlyInsideThePictureIsPrepared() throws RunFault {
        Method method =
                rectangle(EMPTY, 8, 4, 20, 16).then("smooth", "sigma", "2 px").then("rejoin");
        Plane joined = end(method).current().single().orElseThrow();
        Plane smooth =
                end(EMPTY.then("smooth", "sigma", "2 px")).current().single().orElseThrow();
        Plane plain = picture().single().orElseThrow();
        for (int i = 0; i < W * H; i++) {
            Plane wanted = inside(i % W, i / W) ? smooth : plain;
            assertThat(joined.at(i % W, i / W)).isEqualTo(wanted.at(i % W, i / W));
        }
    }

    @Test
    void objectsOutsideStayAndLoseWhatLiesInside() throws RunFault {
        Method outer = cut(EMPTY, 60).then("label");
        ObjectSet before = end(outer).needObjects();
        Method inner = cut(rectangle(outer, 8, 4, 20, 16), 120).then("label").then("rejoin");
        ObjectSet joined = end(inner).needObjects();
        ObjectSet part =
                end(cut(rectangle(EMPTY, 8, 4, 20, 16), 120).then("label")).needObjects();
        for (int i = 0; i < W * H; i++) {
            int x = i % W;
            int y = i / W;
            boolean wanted = inside(x, y)
                    ? part.regions().at(x, y) >= 0
                    : before.regions().at(x, y) >= 0;
            assertThat(joined.regions().at(x, y) >= 0).isEqualTo(wanted);
        }
        assertThat(joined.count()).isGreaterThan(part.count());
        Method none = rectangle(outer, 8, 4, 20, 16).then("rejoin");
        assertThat(end(none).needObjects().count()).isEqualTo(before.count());
    }

    @Test
    void partsInPartsAreClosedFromTheInnermost() throws RunFault {
        Method method = cut(rectangle(cut(rectangle(cut(EMPTY, 60), 4, 2, 30, 26), 90), 8, 4, 20, 16), 120);
        assertThat(end(method.then("rejoin")).field().pixels()).isEqualTo(30 * 26);
        State all = end(method.then("rejoin").then("rejoin"));
        assertThat(all.field().isWhole()).isTrue();
        Mask[] masks = {
            end(cut(EMPTY, 60)).needMask(),
            end(cut(EMPTY, 90)).needMask(),
            end(cut(EMPTY, 120)).needMask()
        };
        for (int i = 0; i < W * H; i++) {
            int x = i % W;
            int y = i / W;
            int deep = inside(x, y) ? 2 : x >= 4 && x < 34 && y >= 2 && y < 28 ? 1 : 0;
            assertThat(all.needMask().at(x, y)).isEqualTo(masks[deep].at(x, y));
        }
        assertThat(method.then("rejoin").parts("threshold-3")).hasSize(2);
        assertThat(method.then("rejoin").parts("rejoin-1")).hasSize(2);
        assertThat(method.then("rejoin").then("fill-holes").parts("fill-holes-1"))
                .hasSize(1);
    }

    @Test
    void whatIsNoPartIsRefusedInASentence() {
        assertThat(EMPTY.then("rejoin").refusal().map(MethodFault::getMessage))
                .hasValue("Step 1 (rejoin) closes a part, but none is open; add 'within' before it.");
        Method muted = cut(EMPTY, 60).then("within").then("rejoin").mute("within-1", true);
        assertThat(muted.refusal()).isPresent();
        assertThatThrownBy(() -> end(rectangle(EMPTY, 100, 100, 5, 5)))
                .hasMessageContaining("the shape holds no pixel of the field");
        assertThatThrownBy(() -> end(EMPTY.then("within", "part", "ellipse")))
                .hasMessageContaining("has no shape yet; draw it on the picture");
        assertThat(EMPTY.then("within", "part", "rectangle", "at", List.of(1, 2, 3))
                        .refusal())
                .hasValueSatisfying(f -> assertThat(f.getMessage()).contains("but found 3 numbers"));
        assertThatThrownBy(() -> end(cut(EMPTY, 300).then("within").then("rejoin")))
                .hasMessageContaining("the mask is empty");
    }
}
