package keentally.study.result;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.study.run.TypedNumbers;
import keentally.study.run.Weighing;

/**
 * What is to be run, and where the results go.
 *
 * @param samples in the order of the tables
 * @param folder new, empty, or an earlier run's own
 * @param jobs pictures at the same time
 * @param timed whether times are written down, which differ from run to run
 * @param weighing of each sample
 * @param typed for each sample
 * @param bar on the pictures with what was found
 */
public record RunOrder(
        Method method,
        List<PictureOrder> samples,
        Path folder,
        int jobs,
        boolean timed,
        Weighing weighing,
        TypedNumbers typed,
        Optional<ChosenBar> bar) {
    public RunOrder {
        samples = List.copyOf(samples);
        if (jobs < 1) {
            throw new IllegalArgumentException("jobs must be at least 1, was " + jobs);
        }
    }

    /** Of samples that were not weighed. */
    public RunOrder(Method method, List<PictureOrder> samples, Path folder, int jobs, boolean timed) {
        this(method, samples, folder, jobs, timed, Weighing.NONE, TypedNumbers.NONE, Optional.empty());
    }

    /** With so many pictures at the same time. */
    public RunOrder jobs(int other) {
        return new RunOrder(method, samples, folder, other, timed, weighing, typed, bar);
    }

    /** With a bar on its pictures. */
    RunOrder bar(ChosenBar other) {
        return new RunOrder(method, samples, folder, jobs, timed, weighing, typed, Optional.of(other));
    }

    /** Of other samples. */
    RunOrder samples(List<PictureOrder> others) {
        return new RunOrder(method, others, folder, jobs, timed, weighing, typed, bar);
    }

    /** Of the same, written into another folder, with times or without. */
    RunOrder into(Path other, boolean withTimes) {
        return new RunOrder(method, samples, other, jobs, withTimes, weighing, typed, bar);
    }
}
