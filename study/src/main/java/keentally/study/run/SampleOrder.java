package keentally.study.run;

import keentally.core.method.Departures;
import keentally.core.run.Sample;
import keentally.study.caution.Background;

/**
 * One sample that is to be run, its picture in memory.
 *
 * @param name in tables
 * @param sample with field, scale and hand work
 * @param background what is known of it beside its pixels
 * @param several whether the method is used on more than one sample
 * @param weighing what it weighs, where it was weighed
 * @param typed what was typed for it
 * @param departures the settings that it has otherwise than its method
 */
public record SampleOrder(
        String name,
        Sample sample,
        Background background,
        boolean several,
        Weighing weighing,
        TypedNumbers typed,
        Departures departures) {
    /** The same of a sample that was fenced otherwise. */
    public SampleOrder on(Sample other) {
        return new SampleOrder(name, other, background, several, weighing, typed, departures);
    }

    /** Of a sample that was not weighed, and is run as its method says. */
    public SampleOrder(String name, Sample sample, Background background, boolean several) {
        this(name, sample, background, several, Weighing.NONE, TypedNumbers.NONE, Departures.NONE);
    }
}
