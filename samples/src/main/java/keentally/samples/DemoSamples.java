package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import keentally.core.work.Work;

/** All demo samples, in the order in which they are shown. */
public final class DemoSamples {
    private DemoSamples() {}

    /** Draws them; some seconds each. The same pixels on every machine. */
    public static List<Supplier<DemoSample>> all(Work work) {
        List<Supplier<DemoSample>> all = new ArrayList<>(List.of(
                () -> FlourDispersion.draw(work),
                () -> CrumbSection.draw(work),
                () -> StarchGranules.draw(work),
                () -> CellWalls.draw(work),
                () -> CrackedBiscuit.draw(work),
                () -> TornCrumb.draw(work),
                () -> GrainTray.draw(work),
                () -> DyedDough.draw(work),
                () -> BranSpecks.draw(work),
                () -> CrustChart.draw(work),
                () -> SideLight.draw(work),
                () -> TwoStains.draw(work),
                () -> ShadowedGrain.draw(work),
                () -> PastaSurface.draw(work)));
        ProvingSeries series = new ProvingSeries(work);
        for (int i = 0; i < series.count(); i++) {
            int place = i;
            all.add(() -> series.draw(place));
        }
        return List.copyOf(all);
    }
}
