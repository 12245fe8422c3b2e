package zapateo.server.songs;

import java.util.List;
import org.apache.ibatis.type.MappedTypes;
import tools.jackson.core.type.TypeReference;
import zapateo.server.JsonTypeHandler;
import zapateo.server.songs.OtherArrangements.NamedChoices;

/** The other arrangements are kept as a JSON list. */
@MappedTypes(OtherArrangements.class)
public class OthersTypeHandler extends JsonTypeHandler<OtherArrangements> {

    @Override
    protected Object written(OtherArrangements others) {
        return others.all();
    }

    @Override
    protected OtherArrangements read(String json) {
        return json == null ? OtherArrangements.NONE : new OtherArrangements(JSON.readValue(json, new TypeReference<List<NamedChoices>>() { }));
    }
}
