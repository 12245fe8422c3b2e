package zapateo.server.songs;

import org.apache.ibatis.type.MappedTypes;
import zapateo.server.JsonTypeHandler;

/** Choices are kept as JSON. */
@MappedTypes(StoredChoices.class)
public class ChoicesTypeHandler extends JsonTypeHandler<StoredChoices> {

    @Override
    protected Object written(StoredChoices choices) {
        return choices.written(JSON);
    }

    @Override
    protected StoredChoices read(String json) {
        return json == null ? StoredChoices.NONE : StoredChoices.read(JSON, JSON.readTree(json));
    }
}
