package keentally.study.cluster;

import java.nio.file.Path;
import java.util.List;
import keentally.study.file.FileFault;

/** What runs numbered tasks on several machines. */
interface Engine {
    /**
     * Hands tasks over; each is the script, told its number.
     *
     * @param numbers from 1
     * @return what the engine calls them all together
     * @throws FileFault in a sentence, where it does not take them
     */
    String submit(Path script, List<Integer> numbers) throws FileFault;

    /**
     * How many of the tasks wait or run.
     *
     * @throws FileFault in a sentence, where the engine does not say
     */
    int active(String job) throws FileFault;

    /** Takes back what has not ended; a task that has is left alone. */
    void cancel(String job);
}
