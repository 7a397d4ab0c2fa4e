package keentally.core.morphology;

/** What a mask is probed with, laid on every pixel's centre. All are symmetric about their middle. */
public sealed interface Element {
    /** All centres within a radius: dx² + dy² ≤ r². */
    record Disk(double radius) implements Element {
        public Disk {
            checked(radius);
        }
    }

    /** All centres with |dx| ≤ r and |dy| ≤ r. */
    record Square(double radius) implements Element {
        public Square {
            checked(radius);
        }
    }

    /**
     * The centres nearest to a line of length 2r through the middle, one in each row or column, whichever it crosses more of.
     *
     * @param angleDegrees from +x, counter-clockwise as seen
     */
    record Line(double radius, double angleDegrees) implements Element {
        public Line {
            checked(radius);
        }

        /** The places on the line, each dx and dy, downwards. */
        int[][] places() {
            double angle = StrictMath.toRadians(angleDegrees);
            double across = StrictMath.cos(angle);
            double down = -StrictMath.sin(angle);
            boolean flat = Math.abs(across) >= Math.abs(down);
            double slope = flat ? down / across : across / down;
            int n = (int) Math.floor(radius * Math.max(Math.abs(across), Math.abs(down)) + 1e-9);
            int[][] places = new int[2 * n + 1][];
            for (int i = -n; i <= n; i++) {
                int other = (int) (Math.signum(i * slope) * Math.floor(Math.abs(i * slope) + 0.5));
                places[i + n] = flat ? new int[] {i, other} : new int[] {other, i};
            }
            return places;
        }
    }

    private static void checked(double radius) {
        if (!(radius >= 0 && radius < 1e6)) {
            throw new IllegalArgumentException("a radius must be from 0 to 1,000,000 px, was " + radius);
        }
    }
}
