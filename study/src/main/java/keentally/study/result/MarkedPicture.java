package keentally.study.result;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import keentally.core.geometry.Point;
import keentally.core.region.ObjectSet;
import keentally.core.region.Outline;
import keentally.core.region.Regions;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureWriter;

/**
 * What is seen on the stage, at the resolution of the picture: as pixels, or as SVG with outlines, boxes, centres and numbers as shapes
 * and text over the picture.
 */
public final class MarkedPicture {
    private final Layers layers;
    private final Work work;

    public MarkedPicture(Layers layers, Work work) {
        this.layers = layers;
        this.work = work;
    }

    /** SVG where the file's name ends so, else PNG. */
    public void write(Path file) throws FileFault {
        if (file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".svg")) {
            String svg = svg();
            WholeFile.write(file, out -> out.write(svg.getBytes(StandardCharsets.UTF_8)));
        } else {
            WholeFile.write(file, png());
        }
    }

    /** As PNG. */
    WholeFile.Writer png() {
        int width = layers.picture().width();
        int height = layers.picture().height();
        return PictureWriter.png(Stamps.on(painted(layers), width, height, 1, layers), work);
    }

    private int[] painted(Layers what) {
        return StageComposer.compose(
                what,
                new Viewport(0, 0, 1, layers.picture().width(), layers.picture().height()),
                work);
    }

    private String svg() {
        int width = layers.picture().width();
        int height = layers.picture().height();
        Look look = layers.look();
        boolean outlined = look.overlay() == Look.Overlay.OUTLINES || look.overlay() == Look.Overlay.FILL;
        Look under = new Look(
                outlined ? Look.Overlay.TINT : look.overlay(),
                look.marks().contains(Look.Mark.CHANGES) ? Set.of(Look.Mark.CHANGES) : Set.of(),
                look.overlay() == Look.Overlay.FILL ? 0 : look.strength(),
                false);
        Layers ground = layers.only(
                layer -> !(layer instanceof Layer.ColouredObjects || layer instanceof Layer.SelectedObjects), under);
        byte[] png = PictureWriter.pngBytes(width, height, painted(ground));
        StringBuilder svg = new StringBuilder();
        svg.append("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"")
                .append(width)
                .append("\" height=\"")
                .append(height)
                .append("\" viewBox=\"0 0 ")
                .append(width)
                .append(' ')
                .append(height)
                .append("\">\n<image width=\"")
                .append(width)
                .append("\" height=\"")
                .append(height)
                .append("\" href=\"data:image/png;base64,")
                .append(Base64.getEncoder().encodeToString(png))
                .append("\"/>\n");
        layers.find(Layer.ColouredObjects.class).ifPresent(objects -> objects(svg, objects, outlined));
        return svg.append(Stamps.svg(layers, width, height)).append("</svg>\n").toString();
    }

    private void objects(StringBuilder svg, Layer.ColouredObjects coloured, boolean outlined) {
        ObjectSet objects = coloured.objects();
        Look look = layers.look();
        for (int i = 0; i < objects.count(); i++) {
            int region = objects.region(i);
            String colour =
                    String.format(Locale.ROOT, "#%06x", coloured.colours().of(region) & 0xffffff);
            if (outlined) {
                double fill = look.overlay() == Look.Overlay.FILL ? look.meanFill() ? 1 : look.strength() : 0;
                svg.append("<path id=\"object-").append(i + 1).append("\" d=\"");
                Outline.of(objects.regions(), region).forEach(p -> path(svg, p));
                svg.append("\" fill=\"")
                        .append(colour)
                        .append("\" fill-opacity=\"")
                        .append(fill);
                svg.append("\" fill-rule=\"evenodd\" stroke=\"").append(colour).append("\"/>\n");
            }
            if (look.marks().contains(Look.Mark.BOXES)) {
                Regions.Box box = objects.regions().box(region);
                svg.append(String.format(
                        Locale.ROOT,
                        "<rect x=\"%d\" y=\"%d\" width=\"%d\" height=\"%d\" fill=\"none\" stroke=\"%s\"/>%n",
                        box.left(),
                        box.top(),
                        box.width(),
                        box.height(),
                        colour));
            }
        }
        for (int i = 0; i < objects.count(); i++) {
            Point at = objects.regions().centroid(objects.region(i));
            if (look.marks().contains(Look.Mark.DOTS)) {
                svg.append(String.format(
                        Locale.ROOT,
                        "<circle cx=\"%.2f\" cy=\"%.2f\" r=\"2\" fill=\"#ffffff\" stroke=\"#1e2730\"/>%n",
                        at.x(),
                        at.y()));
            }
            if (look.marks().contains(Look.Mark.NUMBERS)) {
                svg.append(String.format(
                        Locale.ROOT,
                        "<text x=\"%.2f\" y=\"%.2f\" font-family=\"sans-serif\" font-size=\"11\" text-anchor=\"middle\""
                                + " dominant-baseline=\"central\" fill=\"#ffffff\" stroke=\"#1e2730\" stroke-width=\"2.4\""
                                + " paint-order=\"stroke\">%d</text>%n",
                        at.x(),
                        at.y(),
                        i + 1));
            }
        }
    }

    private static void path(StringBuilder svg, Outline.Part part) {
        ring(svg, part.outer());
        part.holes().forEach(h -> ring(svg, h));
    }

    private static void ring(StringBuilder svg, List<Point> corners) {
        for (int i = 0; i < corners.size(); i++) {
            svg.append(i == 0 ? 'M' : 'L')
                    .append((long) corners.get(i).x())
                    .append(' ')
                    .append((long) corners.get(i).y());
        }
        svg.append('Z');
    }
}
