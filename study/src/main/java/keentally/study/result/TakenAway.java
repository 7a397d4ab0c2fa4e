package keentally.study.result;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.function.IntConsumer;
import keentally.core.picture.Channel;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.PixelSize;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureWriter;
import keentally.study.run.ObjectRows;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;
import keentally.study.run.SampleRun;

/**
 * One sample's results as single files, to be handed over.
 *
 * @param ran a run that reached its end
 */
public record TakenAway(SampleRun ran) {
    public TakenAway {
        if (ran.readings().isEmpty()) {
            throw new IllegalArgumentException("a run that did not reach its end has no results");
        }
    }

    Run run() {
        return ran.run();
    }

    Readings readings() {
        return ran.readings().orElseThrow();
    }

    SampleRecord record() {
        return ran.record();
    }

    /** What lengths are told in: the method's unit, pixels where the sample has no scale. */
    PixelSize size() {
        return record().told(run().method().unit());
    }

    private boolean isSorted() {
        return record().numbers()
                .flatMap(Numbers::objects)
                .filter(ObjectRows::isSorted)
                .isPresent();
    }

    private Picture picture() {
        return run().sample().picture();
    }

    /** The table of objects: a workbook where the file's name ends in {@code .xlsx}, else CSV. */
    public void table(Path file) throws FileFault {
        if (file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".xlsx")) {
            new ObjectBook(this).write(file);
        } else {
            ObjectSheet table = new ObjectSheet(run().method(), size().unit(), isSorted());
            Sheet.toFile(file, table.csv(List.of(record())));
        }
    }

    /** Outlines with their numbers, as GeoJSON in pixels of the picture. */
    public void outlines(Path file) throws FileFault {
        WholeFile.write(file, OutlineFile.json(this));
    }

    /** 32-bit label map; 0 is no object. */
    public void labels(Path file) throws FileFault {
        PictureWriter.tiff(file, picture().width(), picture().height(), ResultPictures.labels(picture(), readings()));
    }

    /** 8-bit map of the phases that fractions are of; 255 is outside the field. */
    public void phases(Path file) throws FileFault {
        if (readings().phases().isEmpty()) {
            throw new FileFault("The method ends in no phases and in no mask; there is nothing to write.");
        }
        PictureWriter.png(file, readings().phases().get().map());
    }

    /** What the kept objects cover: 0 and 255. */
    public void mask(Path file) throws FileFault {
        PictureWriter.png(file, ResultPictures.blackAndWhite(kept()));
    }

    /** The picture as it came where the kept objects lie, its greatest value elsewhere; TIFF of the same depth. */
    public void blanked(Path file) throws FileFault {
        Mask kept = kept();
        Picture blank = new Picture(picture().channels().stream()
                .map(c -> new Channel(c.name(), blanked(c.plane(), kept)))
                .toList());
        PictureWriter.tiff(file, blank);
    }

    private Mask kept() throws FileFault {
        return readings()
                .state()
                .mask()
                .orElseThrow(
                        () -> new FileFault("The method ends in no mask and no objects; there is nothing to write."));
    }

    private static Plane blanked(Plane plane, Mask kept) {
        int width = plane.width();
        return switch (plane) {
            case Plane8 p -> {
                byte[] values = p.values().clone();
                blank(kept, (i) -> values[i] = (byte) 0xff);
                yield Plane8.of(width, p.height(), values);
            }
            case Plane16 p -> {
                short[] values = p.values().clone();
                blank(kept, (i) -> values[i] = (short) 0xffff);
                yield Plane16.of(width, p.height(), values);
            }
            case PlaneF p -> {
                float[] values = p.values().clone();
                blank(kept, (i) -> values[i] = Float.NaN);
                yield PlaneF.of(width, p.height(), values);
            }
        };
    }

    private static void blank(Mask kept, IntConsumer set) {
        for (int y = 0; y < kept.height(); y++) {
            for (int x = kept.nextClear(y, 0); x < kept.width(); x = kept.nextClear(y, x + 1)) {
                set.accept(y * kept.width() + x);
            }
        }
    }

    /** What a station gives, in its own values: TIFF of picture, phases, mask or label map. */
    public static void state(Path file, Run.Station station) throws FileFault {
        WholeFile.write(file, ResultPictures.state(station, Work.alone()));
    }
}
