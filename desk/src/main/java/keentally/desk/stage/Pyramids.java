package keentally.desk.stage;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import keentally.core.colour.ChannelPlane;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.view.Pyramid;
import keentally.core.work.Work;

/** The pyramids of the pictures last shown, by their first plane; for the painting thread alone. */
final class Pyramids {
    private static final int KEPT = 4;

    private final Map<Plane, Pyramid> known = new LinkedHashMap<>();
    private final Map<Looked, Pyramid> channels = new LinkedHashMap<>();

    private record Looked(Plane first, String channel) {}

    /** Of one channel of a sample; empty where it has none of that name. */
    Optional<Pyramid> of(String channel, Picture original, Work work) {
        Looked key = new Looked(original.channels().getFirst().plane(), channel);
        Pyramid pyramid = channels.remove(key);
        if (pyramid == null) {
            pyramid = ChannelPlane.of(original, channel, work)
                    .map(p -> Pyramid.of(p, original, work))
                    .orElse(null);
        }
        if (pyramid != null) {
            channels.put(key, pyramid);
        }
        if (channels.size() > KEPT) {
            channels.remove(channels.keySet().iterator().next());
        }
        return Optional.ofNullable(pyramid);
    }

    /** @param original what {@code picture} was made from, or itself */
    Pyramid of(Picture picture, Picture original, Work work) {
        Plane key = picture.channels().getFirst().plane();
        Pyramid pyramid = known.remove(key);
        if (pyramid == null) {
            pyramid = picture == original
                    ? Pyramid.of(picture, work)
                    : Pyramid.of(picture, of(original, original, work).tone(), work);
        }
        known.put(key, pyramid);
        if (known.size() > KEPT) {
            known.remove(known.keySet().iterator().next());
        }
        return pyramid;
    }
}
