package keentally.desk.trial;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import keentally.core.picture.PhaseMap;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.PhasePaint;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.model.Newest;
import keentally.desk.stage.PhaseSeen;
import keentally.desk.stage.StageModel;

/** Paints the tiles of a sheet through one window, away from the interface thread; only what was asked last. */
final class TilePainter {
    private final Newest newest;
    private final Map<State, Pyramid> prepared = new HashMap<>();
    private final Map<PhaseMap, PhasePaint> means = new HashMap<>();

    TilePainter(Newest newest) {
        this.newest = newest;
    }

    /**
     * How all tiles are seen.
     *
     * @param view of one tile
     */
    record Seen(Viewport view, Look of, PhaseSeen phases) {}

    /** @param done told all pictures in the order of the tiles, empty for those not ready, on the interface thread */
    void paint(List<TrialModel.Tile> tiles, Seen look, Consumer<List<Optional<int[]>>> done) {
        newest.ask(work -> {
            List<Optional<int[]>> painted = tiles.stream()
                    .map(t -> t.ready().isPresent() ? Optional.of(paint(t, look, work)) : Optional.<int[]>empty())
                    .toList();
            return () -> done.accept(painted);
        });
    }

    private int[] paint(TrialModel.Tile tile, Seen look, Work work) {
        Pyramid ground = tile.ready().orElseThrow().pyramid();
        if (tile.outcome().isEmpty()) {
            return StageComposer.compose(
                    Layers.bare(ground, tile.ready().get().made().field()), look.view(), work);
        }
        State s = tile.outcome().get().state();
        boolean picture = s.seen() == Flow.PICTURE;
        Pyramid seen =
                picture ? prepared.computeIfAbsent(s, k -> Pyramid.of(k.current(), ground.tone(), work)) : ground;
        Layers bare = Layers.of(seen, s.field(), look.of());
        Layers layers = s.mask().map(bare::with).orElse(bare);
        return StageComposer.compose(
                s.seen() == Flow.PHASES ? layers.with(phases(s.needPhases(), ground, look, work)) : layers,
                look.view(),
                work);
    }

    /** Mean colours take a pass over the picture, so they are kept. */
    private PhasePaint phases(PhaseMap map, Pyramid ground, Seen look, Work work) {
        if (look.phases().look() != StageModel.PhaseLook.MEAN) {
            return look.phases().paint(map, ground, work);
        }
        return means.computeIfAbsent(map, m -> look.phases().paint(m, ground, work));
    }
}
