package keentally.study.result;

import java.nio.file.Path;
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

    static void write(String name, Run run, Readings readings, ResultFolder folder, Work work) throws FileFault {
        Picture picture = run.sample().picture();
        PictureWriter.tiff(
                folder.place("labels", name + ".tif"), picture.width(), picture.height(), labels(picture, readings));
        if (readings.phases().isPresent()) {
            PictureWriter.png(
                    folder.place("phases", name + ".png"),
                    readings.phases().get().map());
        }
        Overlay.write(folder.place("overlay", name + ".png"), picture, readings, work);
        for (Run.Station station : run.stations()) {
            if (station.step().save()) {
                int number = run.method().indexOf(station.step().id()) + 1;
                writeState(folder.place("after", name + "." + number + ".tif"), station);
            }
        }
    }

    private static int[] labels(Picture picture, Readings readings) {
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
    private static void writeState(Path file, Run.Station station) throws FileFault {
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

    private static Plane8 blackAndWhite(Mask mask) {
        byte[] values = new byte[mask.width() * mask.height()];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (mask.at(i % mask.width(), i / mask.width()) ? 255 : 0);
        }
        return Plane8.of(mask.width(), mask.height(), values);
    }
}
