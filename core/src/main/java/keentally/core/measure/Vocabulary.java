package keentally.core.measure;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The words that stand for numbers in a formula. */
interface Vocabulary {
    /** Words that are no names of numbers in any formula. */
    Set<String> MEANT = Set.of("pi", "and", "or", "not", "of", "all");

    /** A term, and how many letters it takes. */
    record Taken(Term term, int length) {}

    /** What a formula about an object may name: a word is the longest measure's id that stands there, so that {@code feret-max-feret-min} is a difference. */
    Vocabulary OF_OBJECTS = new Vocabulary() {
        @Override
        public String what() {
            return "a measure";
        }

        @Override
        public Taken take(String rest) {
            Measure measure = Of.LONGEST_FIRST.stream()
                    .filter(m -> Of.begins(rest, m.id()))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("there is no measure '" + Of.word(rest)
                            + "'; 'measures' lists them, and the menu Columns has them by title"));
            return new Taken(new Term.OfObject(measure), measure.id().length());
        }
    };

    /** What the words name, for complaints. */
    String what();

    /**
     * @param rest the formula from the word on; begins with a letter
     * @throws IllegalArgumentException in a sentence, where there is no such word
     */
    Taken take(String rest);

    /**
     * What a formula about a sample may name: counts, areas, shares and masses {@code of} a phase, statistics {@code of} a column, and
     * any other word for a number that was typed for the sample. A name of several words stands in quotes.
     *
     * @param own columns of the method
     */
    static Vocabulary ofSamples(List<OwnColumn> own) {
        return new Vocabulary() {
            @Override
            public String what() {
                return "what there is of a sample, such as count or field-area,";
            }

            @Override
            public Taken take(String rest) {
                String word = Of.word(rest);
                return SampleTerm.Quantity.find(word)
                        .map(q -> Of.quantity(q, rest, own))
                        .orElseGet(() -> new Taken(SampleTerm.named(SampleTerm.Quantity.TYPED, word), word.length()));
            }
        };
    }

    /** How words are read. */
    final class Of {
        private static final Pattern WORD = Pattern.compile("\\p{L}[\\p{L}\\p{Nd}-]*");
        private static final Pattern OF =
                Pattern.compile("\\s+of\\s+(all\\s+)?(?:\"([^\"]+)\"|([\\p{L}\\p{Nd}][\\p{L}\\p{Nd}-]*))");
        private static final List<Measure> LONGEST_FIRST = Arrays.stream(Measure.values())
                .sorted(Comparator.comparingInt((Measure m) -> -m.id().length()).thenComparing(Measure::id))
                .toList();

        private Of() {}

        private static String word(String rest) {
            Matcher found = WORD.matcher(rest);
            return found.lookingAt() ? found.group() : rest;
        }

        /** Whether an id stands there by itself, or with a minus behind it. */
        private static boolean begins(String rest, String id) {
            return rest.startsWith(id)
                    && (rest.length() == id.length() || !Character.isLetterOrDigit(rest.charAt(id.length())));
        }

        private static Taken quantity(SampleTerm.Quantity quantity, String rest, List<OwnColumn> own) {
            int length = quantity.id().length();
            Matcher of = OF.matcher(rest).region(length, rest.length());
            boolean named = of.lookingAt();
            boolean all = named && of.group(1) != null;
            String name = !named ? "" : of.group(2) == null ? of.group(3) : of.group(2);
            SampleTerm.Follows follows = quantity.follows();
            boolean wanted = follows == SampleTerm.Follows.NAME || follows == SampleTerm.Follows.COLUMN;
            if (wanted && !named) {
                throw new IllegalArgumentException("'" + quantity.id() + "' wants to know of what, such as \""
                        + quantity.id() + (follows == SampleTerm.Follows.NAME ? " of pores" : " of ecd") + "\"");
            }
            if (!named || follows == SampleTerm.Follows.NOTHING) {
                return new Taken(SampleTerm.named(quantity, ""), length);
            }
            if (follows != SampleTerm.Follows.COLUMN) {
                return new Taken(SampleTerm.named(quantity, (all ? "all " : "") + name), of.end());
            }
            return new Taken(SampleTerm.statistic(quantity, column(name, own), all), of.end());
        }

        private static Column column(String name, List<OwnColumn> own) {
            return own.stream()
                    .filter(o -> o.name().equals(name))
                    .map(Column.class::cast)
                    .findFirst()
                    .or(() -> Measure.find(name))
                    .orElseThrow(() -> new IllegalArgumentException("there is no measure and no column '" + name
                            + "'; 'measures' lists them, and the menu Columns has them by title"));
        }
    }
}
