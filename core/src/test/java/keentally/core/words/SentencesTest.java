package keentally.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SentencesTest {
    @BeforeEach
    void german() {
        Reader.is(Language.GERMAN, true);
    }

    @AfterEach
    void english() {
        Reader.is(Language.ENGLISH, false);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            The sample has no scale.                                    | Die Probe hat keinen Maßstab.
            23 of 1,196 objects are cut by the field's edge.            | 23 von 1\u00a0196 Objekten sind vom Rand des Messfelds angeschnitten.
            3.25 % of the field is at 0 or 255.                         | 3,25 % des Messfelds liegt bei 0 oder 255.
            Mean of Area, µm²                                           | Mittel von Fläche, µm²
            wants work by hand first, at station 4 Paint                | braucht erst Handarbeit, an Station 4 Malen
            a.b-1.5.tif cannot be read: the file is not there.          | a.b-1.5.tif ist nicht zu lesen: die Datei ist nicht da.
            left out; not run                                           | ausgelassen; nicht gerechnet
            One setting is this sample's own: 2 Threshold, Cut: 120.5.  | Eine Einstellung ist dieser Probe eigen: 2 Schwellenwert, Schwelle: 120,5.
            somebody's own words                                        | somebody's own words
            """)
    void isToldInTheReadersWordsAndMarks(String written, String told) {
        assertThat(Sentences.told(written)).isEqualTo(told);
    }

    @Test
    void aFaultOfAStepNamesTheStationAndTheSettingAsTheScreenDoes() {
        assertThat(Words.spoken("Step 3 (fill-holes) needs a mask, but no step before it gives one"))
                .startsWith("Station 3, Löcher füllen, braucht");
        assertThat(Words.spoken(
                        "Step 2 (combine) finds no mask set aside as 'first'; add a 'set-aside' step before it."))
                .isEqualTo("Station 2, Kombinieren, findet keine als „first“ beiseitegelegte Maske; davor einen Schritt"
                        + " „Beiseitelegen“ hinzufügen.");
        assertThat(Words.spoken("Step 1 (similar-colour) has no colour yet to be similar to; click what you want."))
                .contains("hat noch keine Farbe");
        assertThat(Words.spoken("Step 2 (threshold) 'low' must be below 'high'"))
                .isEqualTo("Station 2, Schwellenwert, „Über“ muss unter „Bis“ liegen");
    }

    @Test
    void whatGoesIntoFilesStaysAsItWasWritten() {
        String written = "23 of 1,196 objects are cut by the field's edge.";
        assertThat(Reader.plainly(() -> Sentences.told(written))).isEqualTo(written);
        assertThat(Reader.plainly(() -> Figures.number(1234.5) + " " + Figures.number(0.123)))
                .isEqualTo("1,235 0.123");
        assertThat(Figures.number(1234.5) + " " + Figures.number(0.123)).isEqualTo("1\u00a0235 0,123");
    }

    @Test
    void aSentenceWhoseNumbersAreTheReadersAlreadyKeepsThem() {
        assertThat(Sentences.worded(
                        "Moving the cut of step 2 by 2 % of the range changes its share from 0,123 to 1,234 %."))
                .contains("von 0,123 auf 1,234 %");
    }
}
