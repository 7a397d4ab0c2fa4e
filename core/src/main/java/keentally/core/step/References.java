package keentally.core.step;

import keentally.core.classify.Classifier;
import keentally.core.picture.Picture;
import keentally.core.setting.Reference;

/** Where the files are that methods refer to. Safe for many threads. */
@FunctionalInterface
public interface References {
    /** Where there are none. */
    References NONE = reference -> {
        throw unread(reference);
    };

    private static StepFault unread(Reference reference) {
        return new StepFault("refers to " + reference.file() + ", and no files can be read here");
    }

    /** @throws StepFault where the picture is gone, another one by now, or cannot be read */
    Picture picture(Reference reference) throws StepFault;

    /** @throws StepFault where the model is gone, another one by now, or cannot be read */
    default Classifier classifier(Reference reference) throws StepFault {
        throw unread(reference);
    }
}
