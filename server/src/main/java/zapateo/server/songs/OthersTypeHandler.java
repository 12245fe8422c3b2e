package zapateo.server.songs;

import org.apache.ibatis.type.MappedTypes;
import zapateo.server.JsonTypeHandler;

/** The other arrangements are kept as a JSON list. */
@MappedTypes(StoredArrangement.Others.class)
public class OthersTypeHandler extends JsonTypeHandler<StoredArrangement.Others> {

    @Override
    protected Object written(StoredArrangement.Others others) {
        return others.written(JSON);
    }

    @Override
    protected StoredArrangement.Others read(String json) {
        return json == null ? StoredArrangement.Others.NONE : StoredArrangement.Others.read(JSON, JSON.readTree(json));
    }
}
