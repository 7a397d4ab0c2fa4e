package keentally.study.picture;

import java.lang.ref.SoftReference;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import keentally.core.picture.Picture;
import keentally.core.setting.Reference;
import keentally.core.step.References;
import keentally.core.step.StepFault;
import keentally.study.file.FileFault;

/** Reads the pictures that methods refer to, and keeps them while there is room. */
public final class ReferencePictures implements References {
    private final Map<String, SoftReference<Picture>> read = new HashMap<>();

    @Override
    public synchronized Picture picture(Reference reference) throws StepFault {
        SoftReference<Picture> known = read.get(reference.sha256());
        Picture kept = known == null ? null : known.get();
        if (kept != null) {
            return kept;
        }
        Path file = Path.of(reference.file());
        if (!Files.exists(file)) {
            throw new StepFault("refers to the picture " + file + ", which is missing");
        }
        try {
            PictureFile found = PictureReader.read(file);
            if (!found.sha256().equals(reference.sha256())) {
                throw new StepFault("refers to the picture " + file + ", which has changed since it was chosen");
            }
            read.put(reference.sha256(), new SoftReference<>(found.picture()));
            return found.picture();
        } catch (FileFault e) {
            throw new StepFault(
                    "refers to a picture that cannot be used: " + e.getMessage().replaceAll("\\.$", ""));
        }
    }
}
