package keentally.core.words;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Optional;
import java.util.regex.Pattern;
import keentally.core.method.Held;
import keentally.core.method.MethodStep;
import keentally.core.reader.Reader;

/** What a step does, as a sentence that a colleague could follow: "The picture was smoothed by a Gaussian, sigma 1.5 px." */
public final class StepSentence {
    private static final Pattern LONG_NUMBER = Pattern.compile("[0-9]+[.,][0-9]{5,}");
    private static final MathContext DIGITS = new MathContext(6, RoundingMode.HALF_UP);

    private StepSentence() {}

    /** Of a step as it is set, with where its values come from where it is held. */
    public static String of(MethodStep step) {
        String sentence = Patterns.first(Words.sentence(step.description()), step, name -> Optional.empty())
                .orElseGet(() -> Words.title(step.description()) + ".");
        return readable(Words.named(sentence))
                + step.held().map(h -> " " + held(h, step)).orElse("");
    }

    /** What was found has more digits than anybody reads; the method's file has them all. */
    private static String readable(String sentence) {
        return LONG_NUMBER
                .matcher(sentence)
                .replaceAll(m -> Reader.marks(new BigDecimal(m.group().replace(',', '.'))
                        .round(DIGITS)
                        .stripTrailingZeros()
                        .toPlainString()));
    }

    private static String held(Held held, MethodStep step) {
        int samples = held.samples().size();
        return samples == 1
                ? Words.said("held.one", held.samples().getFirst(), Headline.fitted(step), held.on())
                : Words.said("held.many", samples, Headline.fitted(step), held.on());
    }
}
