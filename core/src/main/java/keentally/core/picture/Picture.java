package keentally.core.picture;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Channels of one size: one for a grey picture, red, green and blue for a colour one.
 *
 * @param channels at least one; names differ
 */
public record Picture(List<Channel> channels) implements HoldsBuffers {
    public Picture {
        channels = List.copyOf(channels);
        if (channels.isEmpty()) {
            throw new IllegalArgumentException("a picture needs at least one channel");
        }
        Plane first = channels.getFirst().plane();
        if (channels.stream().anyMatch(c -> !c.plane().sameSize(first))) {
            throw new IllegalArgumentException("the channels of a picture must be of one size");
        }
        if (channels.stream().map(Channel::name).distinct().count() < channels.size()) {
            throw new IllegalArgumentException("the channels of a picture must have different names");
        }
    }

    /** A picture of one channel. */
    public static Picture grey(Plane plane) {
        return new Picture(List.of(new Channel(Channel.GREY, plane)));
    }

    /** A picture of three channels of sRGB, all of one size and depth. */
    public static Picture colour(Plane red, Plane green, Plane blue) {
        return new Picture(List.of(
                new Channel(Channel.RED, red), new Channel(Channel.GREEN, green), new Channel(Channel.BLUE, blue)));
    }

    public int width() {
        return channels.getFirst().plane().width();
    }

    public int height() {
        return channels.getFirst().plane().height();
    }

    public Depth depth() {
        return channels.getFirst().plane().depth();
    }

    public boolean isColour() {
        return channel(Channel.RED).isPresent()
                && channel(Channel.GREEN).isPresent()
                && channel(Channel.BLUE).isPresent();
    }

    /** The channel of a name, as the picture's channels are called. */
    public Optional<Plane> channel(String name) {
        return channels.stream()
                .filter(c -> c.name().equals(name))
                .map(Channel::plane)
                .findFirst();
    }

    /** The plane of a picture that has only one. */
    public Optional<Plane> single() {
        return channels.size() == 1 ? Optional.of(channels.getFirst().plane()) : Optional.empty();
    }

    public String channelNames() {
        return channels.stream().map(Channel::name).collect(Collectors.joining(", "));
    }

    public long bytes() {
        return channels.stream().mapToLong(c -> c.plane().bytes()).sum();
    }

    /** Every so manyth pixel of every so manyth row, as floats; itself for 1. */
    public Picture thinned(int stride) {
        if (stride < 1) {
            throw new IllegalArgumentException("a stride must be at least 1, was " + stride);
        }
        return stride == 1
                ? this
                : new Picture(channels.stream().map(c -> c.thinned(stride)).toList());
    }

    @Override
    public void addTo(Buffers buffers) {
        channels.forEach(c -> buffers.add(c.plane()));
    }
}
