package keentally.cli;

import java.nio.file.Path;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.study.file.FileFault;
import keentally.study.method.MethodFile;

/** A method file on the command line. */
final class MethodWords {
    private MethodWords() {}

    /**
     * A method that can be run on any picture.
     *
     * @throws MethodFault where it cannot work, is not what was approved, or hangs on work by hand
     */
    static Method read(Path file) throws MethodFault, BadMethodFile {
        try {
            Method method = MethodFile.read(file);
            MethodFile.approval(file); // a method that is not what was approved is not run
            Optional<MethodStep> byHand = method.byHand();
            if (byHand.isPresent()) {
                throw new MethodFault(
                        method.indexOf(byHand.get().id()) + 1,
                        byHand.get().description().id(),
                        "hangs on hand work, which is kept with the samples of a study and not in a method file");
            }
            return method;
        } catch (FileFault e) {
            throw new BadMethodFile(e);
        }
    }
}
