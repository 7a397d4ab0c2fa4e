package keentally.desk.model;

import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import keentally.core.run.Jobs;
import keentally.desk.look.Texts;
import keentally.study.file.FileFault;
import org.slf4j.LoggerFactory;

/** Studies that are not on the desk any more, but whose last actions may still have to be put on disk. For any thread. */
final class LeavingStudies {
    private final Jobs jobs;
    private final Consumer<String> say;
    private final Set<OpenStudy> leaving = ConcurrentHashMap.newKeySet();

    /** @param say told what is in the way */
    LeavingStudies(Jobs jobs, Consumer<String> say) {
        this.jobs = jobs;
        this.say = say;
    }

    /** To be let go of at the end at the latest. */
    void add(OpenStudy study) {
        leaving.add(study);
    }

    /** Lets go of it in its turn: closing a file is nothing for the interface thread. */
    void putAway(OpenStudy study) {
        add(study);
        start(study);
    }

    /** What must be done cannot be stopped, only put behind the others. */
    private void start(OpenStudy study) {
        jobs.start(Texts.of("job.keep-study"), job -> letGo(study), () -> start(study));
    }

    /** Once, whether in its turn or at the very end; one after the other, so that the end waits for one that is under way. */
    private void letGo(OpenStudy study) {
        synchronized (leaving) {
            try {
                if (leaving.remove(study)) {
                    study.close();
                }
            } catch (FileFault e) {
                LoggerFactory.getLogger(LeavingStudies.class).error("a study was not kept whole", e);
                say.accept(Texts.fault(e));
            }
        }
    }

    /** Returns when all of them are on disk. */
    void letGoOfAll() {
        synchronized (leaving) {
            List.copyOf(leaving).forEach(this::letGo);
        }
    }
}
