package keentally.desk.trial;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.region.ObjectSet;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.ObjectColours;
import keentally.core.view.PhasePaint;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
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
    private final Map<ObjectSet, ObjectColours> colours = new HashMap<>();

    /** As all were seen last, and what was painted so. */
    private Optional<TileLook> last = Optional.empty();

    private final Map<TrialModel.Tile, int[]> painted = new IdentityHashMap<>();
    private Optional<int[]> bare = Optional.empty();

    TilePainter(Newest newest) {
        this.newest = newest;
    }

    /**
     * How all tiles are seen.
     *
     * @param view of one tile
     * @param before what tiles show until they are ready
     */
    record TileLook(Viewport view, Look of, PhaseSeen phases, Optional<Before> before) {
        boolean isBefore(TrialModel.Tile tile) {
            return before.isPresent() && before.get().sample().equals(tile.sample());
        }
    }

    /** The picture of the sample on the stage, which is in memory. */
    record Before(String sample, Pyramid picture, Field field) {}

    /** @param done told all pictures in the order of the tiles, empty where there is none yet, on the interface thread */
    void paint(List<TrialModel.Tile> tiles, TileLook look, Consumer<List<Optional<int[]>>> done) {
        newest.ask(work -> {
            if (!last.equals(Optional.of(look))) {
                painted.clear();
                bare = Optional.empty();
                last = Optional.of(look);
            }
            if (bare.isEmpty() && tiles.stream().anyMatch(t -> t.ready().isEmpty())) {
                bare = look.before().map(b -> bare(b.picture(), b.field(), look, work));
            }
            List<Optional<int[]>> all = tiles.stream()
                    .map(t -> t.ready().isPresent()
                            ? Optional.of(painted.computeIfAbsent(t, n -> paint(n, look, work)))
                            : bare.filter(b -> look.isBefore(t)))
                    .toList();
            painted.keySet().removeIf(p -> tiles.stream().noneMatch(t -> t == p));
            return () -> done.accept(all);
        });
    }

    /** What was asked last is wanted no more. */
    void drop() {
        newest.drop();
    }

    private static int[] bare(Pyramid picture, Field field, TileLook look, Work work) {
        return StageComposer.compose(Layers.bare(picture, field), look.view(), work);
    }

    private int[] paint(TrialModel.Tile tile, TileLook look, Work work) {
        Pyramid ground = tile.ready().orElseThrow().pyramid();
        if (tile.outcome().isEmpty()) {
            return bare(ground, tile.ready().get().made().field(), look, work);
        }
        State s = tile.outcome().get().state();
        Pyramid seen = StateLayers.isOnOriginal(s)
                ? ground
                : prepared.computeIfAbsent(s, k -> Pyramid.of(k.current(), ground.tone(), work));
        // tints alone would not tell objects apart that touch
        boolean bordered = s.seen() == Flow.OBJECTS && look.of().overlay() == Look.Overlay.TINT;
        Look how = bordered ? look.of().with(Look.Overlay.OUTLINES) : look.of();
        Look marked = tile.changed().isPresent() ? how.and(Look.Mark.CHANGES) : how;
        Layers layers = StateLayers.of(s, seen, marked, new KeptPalette(ground, look.phases(), work));
        return StageComposer.compose(
                tile.changed().map(c -> layers.with(c.change()).with(c.other())).orElse(layers), look.view(), work);
    }

    /** What takes a pass over the picture is kept. */
    private final class KeptPalette implements StateLayers.Palette {
        private final Pyramid ground;
        private final PhaseSeen seen;
        private final Work work;

        KeptPalette(Pyramid ground, PhaseSeen seen, Work work) {
            this.ground = ground;
            this.seen = seen;
            this.work = work;
        }

        @Override
        public PhasePaint phases(PhaseMap map) {
            return seen.look() == StageModel.PhaseLook.MEAN
                    ? means.computeIfAbsent(map, m -> seen.paint(m, ground, work))
                    : seen.paint(map, ground, work);
        }

        @Override
        public ObjectColours objects(ObjectSet objects) {
            return colours.computeIfAbsent(objects, ObjectColours::of);
        }
    }
}
