package keentally.core.step;

import keentally.core.picture.Picture;
import keentally.core.setting.Reference;

/** Where the pictures are that methods refer to. Safe for many threads. */
@FunctionalInterface
public interface References {
    /** Where there are none. */
    References NONE = reference -> {
        throw new StepFault("refers to " + reference.file() + ", and no files can be read here");
    };

    /** @throws StepFault where the picture is gone, another one by now, or cannot be read */
    Picture picture(Reference reference) throws StepFault;
}
