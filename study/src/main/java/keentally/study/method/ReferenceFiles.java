package keentally.study.method;

import java.lang.ref.SoftReference;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import keentally.core.classify.Classifier;
import keentally.core.picture.Picture;
import keentally.core.setting.Reference;
import keentally.core.step.References;
import keentally.core.step.StepFault;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;

/** Reads the pictures and models that methods refer to, and keeps them while there is room. */
public final class ReferenceFiles implements References {
    private final Map<String, SoftReference<Picture>> pictures = new HashMap<>();
    private final Map<String, SoftReference<Classifier>> classifiers = new HashMap<>();

    @Override
    public synchronized Picture picture(Reference reference) throws StepFault {
        return kept(pictures, "picture", reference, file -> {
            PictureFile found = PictureReader.read(file);
            return new Read<>(found.picture(), found.sha256());
        });
    }

    @Override
    public synchronized Classifier classifier(Reference reference) throws StepFault {
        if (reference.held().isPresent()) {
            return held(reference, reference.held().get());
        }
        return kept(classifiers, "model", reference, file -> new Read<>(ModelFile.read(file), Sha256.of(file)));
    }

    private Classifier held(Reference reference, String text) throws StepFault {
        SoftReference<Classifier> before = classifiers.get(reference.sha256());
        Classifier kept = before == null ? null : before.get();
        if (kept != null) {
            return kept;
        }
        if (!Sha256.of(text).equals(reference.sha256())) {
            throw new StepFault("holds the model " + reference.file() + ", which is not what its SHA-256 says");
        }
        try {
            Classifier read = ModelFile.parse(reference.file(), text);
            classifiers.put(reference.sha256(), new SoftReference<>(read));
            return read;
        } catch (FileFault e) {
            throw new StepFault(
                    "holds a model that cannot be used: " + e.getMessage().replaceAll("\\.$", ""));
        }
    }

    /** What a file holds, and the sum of its bytes. */
    private record Read<T>(T what, String sha256) {}

    /** Reads a file. */
    private interface Reading<T> {
        Read<T> of(Path file) throws FileFault;
    }

    private static <T> T kept(Map<String, SoftReference<T>> known, String kind, Reference reference, Reading<T> reading)
            throws StepFault {
        SoftReference<T> before = known.get(reference.sha256());
        T kept = before == null ? null : before.get();
        if (kept != null) {
            return kept;
        }
        Path file = Path.of(reference.file());
        if (!Files.exists(file)) {
            throw new StepFault("refers to the " + kind + " " + file + ", which is missing");
        }
        try {
            Read<T> found = reading.of(file);
            if (!found.sha256().equals(reference.sha256())) {
                throw new StepFault("refers to the " + kind + " " + file + ", which has changed since it was chosen");
            }
            known.put(reference.sha256(), new SoftReference<>(found.what()));
            return found.what();
        } catch (FileFault e) {
            throw new StepFault("refers to a " + kind + " that cannot be used: "
                    + e.getMessage().replaceAll("\\.$", ""));
        }
    }
}
