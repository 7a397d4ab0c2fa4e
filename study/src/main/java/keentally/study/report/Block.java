package keentally.study.report;

import java.util.Arrays;
import java.util.List;
import keentally.study.plot.Drawing;

/** A piece of a page. */
sealed interface Block {
    /** A title below that of the part. */
    record Heading(String text) implements Block {}

    /** A paragraph. */
    record Text(String text) implements Block {}

    /** A paragraph that is not for everyone: smaller and softer. */
    record Note(String text) implements Block {}

    /** Sentences, numbered from 1. */
    record Sentences(List<String> list) implements Block {
        public Sentences {
            list = List.copyOf(list);
        }
    }

    /** A table; its head stands on every page that it reaches. */
    record Table(List<Head> heads, List<List<String>> rows) implements Block {
        public Table {
            heads = List.copyOf(heads);
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    /** The head of a column. @param isNumber numbers stand at the right */
    record Head(String title, boolean isNumber) {
        static Head words(String title) {
            return new Head(title, false);
        }

        static Head number(String title) {
            return new Head(title, true);
        }
    }

    /** Pictures beside each other. */
    record Pictures(List<Shot> shots) implements Block {
        public Pictures {
            shots = List.copyOf(shots);
        }
    }

    /**
     * A picture.
     *
     * @param type {@code jpeg} or {@code png}
     */
    record Shot(byte[] bytes, String type, String caption) {
        @Override
        public boolean equals(Object o) {
            return o instanceof Shot s
                    && Arrays.equals(s.bytes, bytes)
                    && s.type.equals(type)
                    && s.caption.equals(caption);
        }

        @Override
        public int hashCode() {
            return 31 * Arrays.hashCode(bytes) + caption.hashCode();
        }

        @Override
        public String toString() {
            return "Shot[" + bytes.length + " bytes, " + type + ", " + caption + "]";
        }
    }

    /** A plot. */
    record Plot(Drawing drawing, String caption) implements Block {}

    /** What stands on one page together, where a page has room for it. */
    record Together(List<Block> blocks) implements Block {
        public Together {
            blocks = List.copyOf(blocks);
        }

        static Together of(Block... blocks) {
            return new Together(List.of(blocks));
        }
    }
}
