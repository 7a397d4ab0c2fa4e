package keentally.study.result;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.region.Objects;
import keentally.core.region.Regions;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;

/** The pictures that a run writes of each sample: label map, phases, overlay, and the states that were to be saved. */
final class ResultPictures {
    private ResultPictures() {}

    /** Packing pictures takes longest of all, so they are packed side by side. */
    static void write(String name, Run run, Readings readings, ResultFolder folder, Work work) throws FileFault {
        Picture picture = run.sample().picture();
        List<Writing> writings = new ArrayList<>();
        Path overlay = folder.place("overlay", name + ".png");
        int[] painted = Overlay.paint(picture, readings, work);
        writings.add(() -> PictureWriter.png(overlay, picture.width(), picture.height(), painted));
        Path labels = folder.place("labels", name + ".tif");
        writings.add(() -> PictureWriter.tiff(labels, picture.width(), picture.height(), labels(picture, readings)));
        if (readings.phases().isPresent()) {
            Path phases = folder.place("phases", name + ".png");
            writings.add(() -> PictureWriter.png(phases, readings.phases().get().map()));
        }
        for (Run.Station station : run.stations()) {
            if (station.step().save()) {
                int number = run.method().indexOf(station.step().id()) + 1;
                Path after = folder.place("after", name + "." + number + ".tif");
                writings.add(() -> writeState(after, station));
            }
        }
        for (Optional<FileFault> fault : work.map(writings.size(), i -> attempt(writings.get(i)))) {
            if (fault.isPresent()) {
                throw fault.get();
            }
        }
    }

    private static Optional<FileFault> attempt(Writing writing) {
        try {
            writing.run();
            return Optional.empty();
        } catch (FileFault e) {
            return Optional.of(e);
        }
    }

    @FunctionalInterface
    private interface Writing {
        void run() throws FileFault;
    }

    static int[] labels(Picture picture, Readings readings) {
        int[] labels = new int[picture.width() * picture.height()];
        readings.state().objects().ifPresent(objects -> label(objects, picture.width(), labels));
        return labels;
    }

    private static void label(Objects objects, int width, int[] labels) {
        Regions regions = objects.regions();
        for (int i = 0; i < objects.count(); i++) {
            int number = i + 1;
            regions.runs(objects.region(i), (y, from, to) -> {
                for (int x = from; x < to; x++) {
                    labels[y * width + x] = number;
                }
            });
        }
    }

    /** The picture, the phases, the mask (0 and 255) or the label map, by what the step gives. */
    static void writeState(Path file, Run.Station station) throws FileFault {
        State state = station.after();
        Picture current = state.current();
        Flow gives = station.step().description().gives();
        switch (gives) {
            case PICTURE -> PictureWriter.tiff(file, current);
            case PHASES ->
                PictureWriter.tiff(
                        file, Picture.grey(state.phases().orElseThrow().map()));
            case MASK -> PictureWriter.tiff(file, Picture.grey(blackAndWhite(state.needMask())));
            case OBJECTS -> {
                int[] labels = new int[current.width() * current.height()];
                label(state.needObjects(), current.width(), labels);
                PictureWriter.tiff(file, current.width(), current.height(), labels);
            }
        }
    }

    static Plane8 blackAndWhite(Mask mask) {
        byte[] values = new byte[mask.width() * mask.height()];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (mask.at(i % mask.width(), i / mask.width()) ? 255 : 0);
        }
        return Plane8.of(mask.width(), mask.height(), values);
    }
}
