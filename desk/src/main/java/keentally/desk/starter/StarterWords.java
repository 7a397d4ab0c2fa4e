package keentally.desk.starter;

import keentally.core.setting.ChoiceSetting;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.starter.Whole;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.study.starter.Told;

/** What starters say, in words. */
final class StarterWords {
    private StarterWords() {}

    static String key(Starter starter) {
        return "starter." + ChoiceSetting.word(starter);
    }

    /** The number with its unit and its whole: 54 objects in the round field. */
    static String number(StarterTrials.Seen seen) {
        String number = number(seen.told(), seen.of());
        return seen.rough() ? Texts.of("starter.about", number) : number;
    }

    /** The number alone. */
    static String bare(StarterTrials.Seen seen) {
        String figure = figure(seen.told(), seen.told().value());
        return seen.rough() ? Texts.of("starter.about", figure) : figure;
    }

    private static String number(Told told, Whole of) {
        double value = told.value();
        return switch (told.kind()) {
            case COUNT -> Texts.of("objects.count", Figures.number(value));
            case SIZE_PX ->
                Double.isNaN(value) ? Texts.of("starter.none") : Texts.of("starter.size", figure(told, value));
            case PER_PX2 ->
                told.unit().isReal()
                        ? Texts.of(
                                "starter.density",
                                Figures.number(value),
                                told.unit().symbol() + "²")
                        : Texts.of("starter.per-megapixel", Figures.number(value));
            case SHARE -> Texts.of("starter.percent-" + ChoiceSetting.word(of), Figures.percent(value));
            case PHASES -> Texts.of("starter.phases", Figures.number(value));
        };
    }

    static String figure(Told told, double value) {
        return switch (told.kind()) {
            case SIZE_PX -> Figures.number(value) + " " + told.unit().symbol();
            case SHARE -> Figures.percent(value) + " %";
            case COUNT, PER_PX2, PHASES -> Figures.number(value);
        };
    }

    /** From where to where it may lie; nothing where there is nothing to say. */
    static String range(StarterTrials.Seen seen) {
        if (seen.spread().isEmpty()) {
            return "";
        }
        String least = figure(seen.told(), seen.told().least());
        String most = figure(seen.told(), seen.told().most());
        return least.equals(most) ? Texts.of("starter.steady") : Texts.of("starter.likely", least, most);
    }

    /** How the things are counted: dark things, parted where they touch, in the round field. */
    static String way(Suggestion suggestion) {
        StringBuilder words = new StringBuilder(suggestion
                .structure()
                .map(s -> Texts.of("starter.structure." + ChoiceSetting.word(s)))
                .orElse(""));
        if (suggestion.isMadeEven()) {
            words.append(Texts.of("starter.made-even"));
        }
        if (suggestion.isLocal()) {
            words.append(Texts.of("starter.local"));
        }
        if (suggestion.isParted()) {
            words.append(Texts.of("starter.parted"));
        }
        if (suggestion.of() == Whole.ROUND_FIELD) {
            words.append(Texts.of("starter.in-round-field"));
        }
        return words.toString();
    }
}
