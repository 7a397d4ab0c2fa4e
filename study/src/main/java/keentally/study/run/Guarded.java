package keentally.study.run;

import keentally.core.method.Method;
import keentally.core.work.CancelledException;
import keentally.study.file.FileFault;
import org.slf4j.LoggerFactory;

/** Whatever becomes of one sample of many is in its record, and the rest goes on. */
public final class Guarded {
    private Guarded() {}

    /** What reads and runs a sample. */
    @FunctionalInterface
    public interface Body {
        SampleRecord run() throws FileFault;
    }

    /**
     * The record of a sample, or one that says what went wrong.
     *
     * @param file that it is read from, for sentences
     * @throws CancelledException where the run was asked to stop
     */
    public static SampleRecord record(String sample, Method method, String file, Body body) {
        try {
            return body.run();
        } catch (FileFault | IllegalArgumentException e) {
            return SampleRecord.unread(sample, method, e.getMessage());
        } catch (OutOfMemoryError e) {
            return SampleRecord.unread(sample, method, file + " needs more memory than this program may use.");
        } catch (CancelledException e) {
            throw e;
        } catch (RuntimeException | StackOverflowError e) {
            LoggerFactory.getLogger(Guarded.class).error("a sample fell", e);
            return SampleRecord.unread(
                    sample,
                    method,
                    "Something went wrong inside the program with " + file
                            + "; its log says more, and the other pictures went on.");
        }
    }
}
