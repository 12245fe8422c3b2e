package zapateo.names;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class NamesTest {

    private enum Wind {
        LIGHT,
        NEAR_GALE
    }

    @Test
    void a_name_is_in_small_letters_with_hyphens_and_leads_back() {
        assertThat(Names.all(Wind.class)).containsExactly("light", "near-gale");
        assertThat(Names.find(Wind.class, "near-gale")).contains(Wind.NEAR_GALE);
        assertThat(Names.find(Wind.class, "NEAR_GALE")).isEmpty();
    }
}
