package zapateo.server.songs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import zapateo.server.problems.Refusal;

/** How much is unpacked of one file. */
class ZipsTest {

    private static Map<String, byte[]> files(int number, int bytes) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        for (int i = 0; i < number; i++) {
            entries.put("file" + i, new byte[bytes]);
        }
        return entries;
    }

    @Test
    void as_many_files_as_there_may_be_are_read_and_not_one_more() {
        assertThat(Zips.read(Zips.of(files(5, 10)), "it", 5, name -> true)).hasSize(5);
        assertThatThrownBy(() -> Zips.read(Zips.of(files(6, 10)), "it", 5, name -> true))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("it of more than 5 files");
    }

    @Test
    void as_many_bytes_as_there_may_be_are_read_and_not_one_more() {
        int most = 16 << 20;
        assertThat(Zips.read(Zips.of(files(1, most)), "it", 5, name -> true).get("file0"))
                .hasSize(most);
        assertThatThrownBy(() -> Zips.read(Zips.of(files(1, most + 1)), "it", 5, name -> true))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("file0 of more than 16 MiB");
        assertThat(Zips.read(Zips.of(files(6, most)), "it", 9, name -> true))
                .as("96 MiB in all")
                .hasSize(6);
        Map<String, byte[]> over = files(6, most);
        over.put("one more", new byte[1]);
        assertThatThrownBy(() -> Zips.read(Zips.of(over), "it", 9, name -> true))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("96 MiB when unpacked");
        assertThatThrownBy(() -> Zips.read(Zips.of(over), "it", 9, name -> name.startsWith("one")))
                .as("what nobody wants too")
                .isInstanceOf(Refusal.class);
    }

    /** The same files make the same zip, whenever it is made. */
    @Test
    void it_is_of_no_time() {
        assertThat(Zips.of(files(3, 100))).isEqualTo(Zips.of(files(3, 100)));
        assertThat(Zips.read("no zip".getBytes(java.nio.charset.StandardCharsets.UTF_8), "it", 5, name -> true))
                .isEmpty();
    }
}
