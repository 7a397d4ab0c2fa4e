package keentally.desk.stage;

import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import keentally.core.picture.HoldsBuffers;
import keentally.core.run.Lanes.Lane;
import keentally.core.run.StateCache;
import keentally.core.view.Backdrop;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.CancelledException;
import keentally.core.work.Work;
import keentally.core.work.Workers;

/** One thread that paints scenes, always the newest that waits. */
final class Painter {
    private static final int RING = 0xffdfe3e6;
    private static final int RING_SHADE = 0xff2b3036;

    private final Work work;
    private final BiConsumer<Viewport, int[]> done;
    private final Pyramids pyramids;
    private final Backdrop backdrop = new Backdrop();
    private final Thread thread;
    private Scene waiting;
    private boolean busy;
    private boolean closed;

    /**
     * @param done called on the painting thread with each picture
     * @param memory counts what is kept to be painted again
     */
    Painter(
            Work work,
            BiConsumer<Viewport, int[]> done,
            Function<HoldsBuffers, StateCache.Hold> memory,
            Consumer<Throwable> onCrash) {
        this.work = work;
        this.pyramids = new Pyramids(memory);
        this.done = done;
        this.thread = Thread.ofPlatform().daemon().name("painter").start(() -> {
            Workers.serveAs(Lane.PREVIEW.ordinal());
            loop(onCrash);
            pyramids.close();
        });
    }

    synchronized void paint(Scene scene) {
        waiting = scene;
        notifyAll();
    }

    synchronized boolean quiet() {
        return waiting == null && !busy;
    }

    synchronized void close() {
        closed = true;
        thread.interrupt();
    }

    private void loop(Consumer<Throwable> onCrash) {
        while (true) {
            Scene scene;
            synchronized (this) {
                busy = false;
                try {
                    while (waiting == null && !closed) {
                        wait();
                    }
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                }
                if (closed) {
                    return;
                }
                scene = waiting;
                waiting = null;
                busy = true;
            }
            try {
                done.accept(scene.view(), compose(scene));
            } catch (CancelledException e) {
                return; // the window was closed while this was painted
            } catch (RuntimeException | Error e) {
                onCrash.accept(e);
            }
        }
    }

    private int[] compose(Scene s) {
        s.open().ifPresent(o -> pyramids.know(o.file().picture(), o.pyramid()));
        int[] buffer = StageComposer.compose(s.layers(pyramids, work), s.view(), backdrop, work);
        s.lens().ifPresent(lens -> through(lens, s, buffer));
        return buffer;
    }

    /** Paints the box round the lens on its own and copies what lies in the circle, with a ring round it. */
    private void through(Scene.Lens lens, Scene scene, int[] buffer) {
        Viewport view = scene.view();
        int left = (int) Math.max(0, lens.x() - lens.radius());
        int top = (int) Math.max(0, lens.y() - lens.radius());
        int width = (int) Math.min(view.width(), lens.x() + lens.radius() + 1) - left;
        int height = (int) Math.min(view.height(), lens.y() + lens.radius() + 1) - top;
        if (width < 1 || height < 1) {
            return;
        }
        Viewport box = new Viewport(view.pictureX(left), view.pictureY(top), view.zoom(), width, height);
        Look look = scene.look().overlay() == Look.Overlay.BARE ? scene.look().with(Look.Overlay.TINT) : scene.look();
        Layers layers = Scene.layers(lens.state(), look, Scene.SceneLook.AS_IT_IS, pyramids, work);
        int[] seen = StageComposer.compose(layers, box, work);
        for (int j = 0; j < height; j++) {
            for (int i = 0; i < width; i++) {
                double distance = Math.hypot(left + i + 0.5 - lens.x(), top + j + 0.5 - lens.y());
                if (distance < lens.radius() - 3) {
                    buffer[(top + j) * view.width() + left + i] = seen[j * width + i];
                } else if (distance < lens.radius()) {
                    boolean shade = distance >= lens.radius() - 1;
                    buffer[(top + j) * view.width() + left + i] = shade ? RING_SHADE : RING;
                }
            }
        }
    }
}
