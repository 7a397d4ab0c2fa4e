package keentally.core.picture;

/** Something that holds so much memory that it must be counted. */
public interface HoldsBuffers {
    /** Says which blocks of memory can be reached from here, whoever else holds them too. */
    void addTo(Buffers buffers);
}
