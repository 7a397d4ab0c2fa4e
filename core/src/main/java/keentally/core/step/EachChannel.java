package keentally.core.step;

import java.util.ArrayList;
import java.util.List;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;

/** The same done to every channel of a picture. */
final class EachChannel {
    private EachChannel() {}

    /** A plane from a plane. */
    @FunctionalInterface
    interface Change {
        Plane of(Plane plane) throws StepFault;
    }

    /** A plane from a channel. */
    @FunctionalInterface
    interface NamedChange {
        Plane of(Channel channel) throws StepFault;
    }

    static Picture of(Picture picture, Change change) throws StepFault {
        return named(picture, channel -> change.of(channel.plane()));
    }

    static Picture named(Picture picture, NamedChange change) throws StepFault {
        List<Channel> changed = new ArrayList<>();
        for (Channel channel : picture.channels()) {
            changed.add(new Channel(channel.name(), change.of(channel), channel.ink()));
        }
        return new Picture(changed);
    }

    /** Channels with the names of a picture's, their planes new. */
    static Picture of(Picture picture, List<Plane> planes) {
        List<Channel> changed = new ArrayList<>();
        for (int c = 0; c < planes.size(); c++) {
            changed.add(new Channel(
                    picture.channels().get(c).name(),
                    planes.get(c),
                    picture.channels().get(c).ink()));
        }
        return new Picture(changed);
    }
}
