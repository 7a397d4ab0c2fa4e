package keentally.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordsTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '^', textBlock = """
            Step 3 (fill-holes) needs a mask                  | Station 3, Fill holes, needs a mask
            Step 1 (blurr) is no step                         | Station 1, blurr, is no step
            100 um2 is in a real unit                         | 100 µm² is in a real unit
            0.5 um/px is read, 5 px2 and 1 mm too             | 0.5 µm/px is read, 5 px² and 1 mm too
            page 2 pxx of 5 umbers                            | page 2 pxx of 5 umbers
            Step 2 (threshold) needs 'cut'                    | Station 2, Threshold, needs “Cut”
            no column 'bulk' here                             | no column “bulk” here
            """)
    void whatFilesSayIsSaidForPeople(String inFiles, String spoken) {
        assertThat(Words.spoken(inFiles)).isEqualTo(spoken);
    }
}
