package keentally.core.measure;

import java.util.List;
import java.util.Map;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keentally.core.quantity.Limit;

/**
 * Reads formulas from left to right: or, and, not, comparisons, sums, products, powers, each binding tighter than the one before.
 * What a word stands for is its {@link Vocabulary}'s to say.
 */
final class FormulaParser {
    private static final Pattern NUMBER = Pattern.compile(
            "((?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][+-]?\\d{1,3})?)(?:\\s*(px|nm|um|µm|mm|cm)(2|²)?)?(?![A-Za-z0-9])");
    private static final Pattern WORD = Pattern.compile("\\p{L}[\\p{L}\\p{Nd}-]*");
    private static final List<String> COMPARISONS = List.of("<=", ">=", "<", ">", "=");
    private static final Map<String, DoubleUnaryOperator> PLAIN_ONLY =
            Map.of("ln", StrictMath::log, "log10", StrictMath::log10, "exp", StrictMath::exp);
    private static final Map<String, DoubleBinaryOperator> OF_TWO = Map.of("min", Math::min, "max", Math::max);

    /** More than anybody writes, and less than a stack can hold. */
    private static final int LONGEST = 2_000;

    private static final int DEEPEST = 60;

    private final String text;
    private final Vocabulary words;
    private int at;
    private int depth;

    FormulaParser(String text, Vocabulary words) {
        this.text = text;
        this.words = words;
    }

    private FormulaNode inside(Supplier<FormulaNode> part) {
        if (++depth > DEEPEST) {
            throw new IllegalArgumentException(
                    "a formula may be nested " + DEEPEST + " deep, and this is nested deeper");
        }
        FormulaNode node = part.get();
        depth--;
        return node;
    }

    FormulaNode whole() {
        if (text.isBlank()) {
            throw new IllegalArgumentException("a formula is wanted, but there is nothing");
        }
        if (text.length() > LONGEST) {
            throw new IllegalArgumentException(
                    "a formula may have " + LONGEST + " letters, but this one has " + text.length());
        }
        FormulaNode node = or();
        if (!rest().isEmpty()) {
            throw wrong("expected an operator");
        }
        return node;
    }

    private String rest() {
        while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
            at++;
        }
        return text.substring(at);
    }

    private IllegalArgumentException wrong(String expected) {
        String rest = rest();
        String found = rest.isEmpty() ? "the end" : "\"" + rest + "\"";
        return new IllegalArgumentException(expected + " but found " + found + " in \"" + text.strip() + "\"");
    }

    private boolean taken(String sign) {
        if (rest().startsWith(sign)) {
            at += sign.length();
            return true;
        }
        return false;
    }

    private boolean takenWord(String word) {
        Matcher found = WORD.matcher(rest());
        if (found.lookingAt() && found.group().equals(word)) {
            at += word.length();
            return true;
        }
        return false;
    }

    private FormulaNode or() {
        FormulaNode left = and();
        while (takenWord("or")) {
            left = asked(left, and(), v -> v[0] == 1 || v[1] == 1 ? 1 : 0);
        }
        return left;
    }

    private FormulaNode and() {
        FormulaNode left = not();
        while (takenWord("and")) {
            left = asked(left, not(), v -> v[0] == 1 && v[1] == 1 ? 1 : 0);
        }
        return left;
    }

    private FormulaNode not() {
        if (!takenWord("not")) {
            return comparison();
        }
        FormulaNode part = question(inside(this::not));
        return new FormulaNode.FunctionCall(List.of(part), v -> v[0] == 1 ? 0 : 1);
    }

    private FormulaNode asked(FormulaNode left, FormulaNode right, java.util.function.ToDoubleFunction<double[]> how) {
        return new FormulaNode.FunctionCall(List.of(question(left), question(right)), how);
    }

    private FormulaNode question(FormulaNode node) {
        if (!node.isQuestion()) {
            throw wrong("expected a question on either side of 'and', 'or' and 'not'; there is a number");
        }
        return node;
    }

    private FormulaNode comparison() {
        FormulaNode left = sum();
        for (String sign : COMPARISONS) {
            if (taken(sign)) {
                FormulaNode right = sum();
                alike(left, right, "compared");
                return new FormulaNode.FunctionCall(List.of(left, right), v -> compare(sign, v[0], v[1]) ? 1 : 0);
            }
        }
        return left;
    }

    /** False where either is not a number. */
    private static boolean compare(String sign, double a, double b) {
        return switch (sign) {
            case "<=" -> a <= b;
            case ">=" -> a >= b;
            case "<" -> a < b;
            case ">" -> a > b;
            default -> a == b;
        };
    }

    private void alike(FormulaNode left, FormulaNode right, String what) {
        number(left);
        number(right);
        if (!left.kind().equals(right.kind())) {
            throw new IllegalArgumentException("only like can be " + what + ", but in \"" + text.strip() + "\" "
                    + left.kind().said() + " meets " + right.kind().said());
        }
    }

    private FormulaNode number(FormulaNode node) {
        if (node.isQuestion()) {
            throw wrong("expected a number, not a question,");
        }
        return node;
    }

    private FormulaNode sum() {
        FormulaNode left = product();
        while (true) {
            boolean plus = taken("+");
            if (!plus && !taken("-") && !taken("−")) {
                return left;
            }
            FormulaNode right = product();
            alike(left, right, plus ? "added" : "subtracted");
            left = new FormulaNode.Together(left, right, plus ? Double::sum : (a, b) -> a - b, left.kind());
        }
    }

    private FormulaNode product() {
        FormulaNode left = power();
        while (true) {
            boolean times = taken("*") || taken("·") || taken("×");
            if (!times && !taken("/") && !taken("÷")) {
                return left;
            }
            FormulaNode right = number(power());
            number(left);
            left = times
                    ? new FormulaNode.Together(
                            left, right, (a, b) -> a * b, left.kind().times(right.kind()))
                    : new FormulaNode.Together(
                            left, right, (a, b) -> a / b, left.kind().over(right.kind()));
        }
    }

    private FormulaNode power() {
        if (taken("-") || taken("−")) {
            FormulaNode part = number(inside(this::power));
            return new FormulaNode.Through(part, v -> -v, part.kind());
        }
        FormulaNode base = part();
        if (!taken("^")) {
            return base;
        }
        boolean negative = taken("-") || taken("−");
        Matcher found = NUMBER.matcher(rest());
        if (!found.lookingAt() || found.group(2) != null) {
            throw wrong("expected a plain number behind ^");
        }
        at += found.end();
        double exponent = (negative ? -1 : 1) * Double.parseDouble(found.group(1));
        return new FormulaNode.Through(
                number(base), v -> StrictMath.pow(v, exponent), base.kind().power(exponent));
    }

    private FormulaNode part() {
        if (taken("(")) {
            FormulaNode inner = inside(this::or);
            close();
            return inner;
        }
        Matcher found = NUMBER.matcher(rest());
        if (found.lookingAt()) {
            at += found.end();
            return amount(found);
        }
        return word();
    }

    private static FormulaNode amount(Matcher found) {
        String unit = found.group(2);
        if (unit == null) {
            return new FormulaNode.Amount(new Limit.Plain(Double.parseDouble(found.group(1))), Kind.PLAIN);
        }
        boolean area = found.group(3) != null;
        String id = unit.equals("µm") ? "um" : unit;
        return new FormulaNode.Amount(
                Limit.of(found.group(1) + " " + id + (area ? "2" : "")),
                Kind.of(area ? Dimension.AREA : Dimension.LENGTH));
    }

    private void close() {
        if (!taken(")")) {
            throw wrong("expected a closing bracket");
        }
    }

    private FormulaNode word() {
        String rest = rest();
        Matcher word = WORD.matcher(rest);
        if (!word.lookingAt()) {
            throw wrong("expected a number, " + words.what() + " or a bracket");
        }
        String name = word.group();
        boolean called = rest.substring(name.length()).stripLeading().startsWith("(");
        if (called
                && (name.equals("sqrt")
                        || name.equals("abs")
                        || PLAIN_ONLY.containsKey(name)
                        || OF_TWO.containsKey(name))) {
            at += name.length();
            taken("(");
            return function(name);
        }
        if (name.equals("pi")) {
            at += 2;
            return new FormulaNode.Amount(new Limit.Plain(Math.PI), Kind.PLAIN);
        }
        Vocabulary.Taken taken = words.take(rest);
        at += taken.length();
        return new FormulaNode.Named(taken.term());
    }

    private FormulaNode function(String name) {
        FormulaNode first = number(or());
        if (OF_TWO.containsKey(name)) {
            if (!taken(",")) {
                throw wrong("expected a comma, since " + name + " takes two numbers,");
            }
            FormulaNode second = number(or());
            alike(first, second, "taken the " + (name.equals("min") ? "least" : "greatest") + " of");
            close();
            return new FormulaNode.Together(first, second, OF_TWO.get(name), first.kind());
        }
        close();
        if (name.equals("sqrt")) {
            return new FormulaNode.Through(first, Math::sqrt, first.kind().power(0.5));
        }
        if (name.equals("abs")) {
            return new FormulaNode.Through(first, Math::abs, first.kind());
        }
        if (!first.kind().isPlain()) {
            throw new IllegalArgumentException(name + " wants a plain number, but in \"" + text.strip() + "\" it gets "
                    + first.kind().said());
        }
        return new FormulaNode.Through(first, PLAIN_ONLY.get(name), Kind.PLAIN);
    }
}
