package keentally.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PluralTest {
    @Test
    void endingsFollowTheNumberBeforeThem() {
        assertThat(Plural.fit("1 object[s]")).isEqualTo("1 object");
        assertThat(Plural.fit("0 object[s] · 1 hole[s] in 2,110 piece[s]"))
                .isEqualTo("0 objects · 1 hole in 2,110 pieces");
        assertThat(Plural.fit("1,001 small object[s]")).isEqualTo("1,001 small objects");
        assertThat(Plural.fit("21 of 1 object[s]")).isEqualTo("21 of 1 object");
        assertThat(Plural.fit("no number [s]")).isEqualTo("no number [s]");
    }
}
