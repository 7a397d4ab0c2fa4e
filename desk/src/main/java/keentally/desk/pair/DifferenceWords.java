package keentally.desk.pair;

import keentally.core.method.MethodDifference;
import keentally.core.method.MethodStep;
import keentally.core.words.SettingWords;
import keentally.core.words.Words;
import keentally.desk.look.Texts;

/** What two methods do differently, a sentence each. */
final class DifferenceWords {
    private DifferenceWords() {}

    static String of(MethodDifference difference) {
        return switch (difference) {
            case MethodDifference.OneSided one ->
                Texts.of(
                        one.ofFirst() ? "difference.only-first" : "difference.only-second",
                        String.valueOf(one.number()),
                        title(one.step()));
            case MethodDifference.Otherwise other ->
                Texts.of(
                        "difference.setting",
                        String.valueOf(other.number()),
                        title(other.step()),
                        Words.label(other.step().description(), other.setting()),
                        SettingWords.value(other.step().description(), other.setting(), other.first()),
                        SettingWords.value(other.step().description(), other.setting(), other.second()));
            case MethodDifference.SwitchedOff off ->
                Texts.of(
                        off.first() ? "difference.off-first" : "difference.off-second",
                        String.valueOf(off.number()),
                        title(off.step()));
            case MethodDifference.Moved moved ->
                Texts.of(
                        "difference.moved",
                        title(moved.step()),
                        String.valueOf(moved.first()),
                        String.valueOf(moved.second()));
            case MethodDifference.Beside beside ->
                Texts.of("difference." + beside.what(), beside.first(), beside.second());
        };
    }

    private static String title(MethodStep step) {
        return Words.title(step.description());
    }
}
