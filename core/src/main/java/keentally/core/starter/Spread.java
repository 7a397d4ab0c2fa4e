package keentally.core.starter;

import java.util.List;
import java.util.stream.DoubleStream;

/**
 * From where to where a number may lie, as shares of it.
 *
 * @param least at most 1
 * @param most at least 1
 */
public record Spread(double least, double most) {
    /** Of a number, with what it was under neighbouring settings. */
    static Spread of(double number, List<Double> near) {
        double[] shares = DoubleStream.concat(DoubleStream.of(1), near.stream().mapToDouble(n -> n / number))
                .filter(Double::isFinite)
                .toArray();
        return new Spread(
                DoubleStream.of(shares).min().orElseThrow(),
                DoubleStream.of(shares).max().orElseThrow());
    }
}
