package zapateo.server.songs;

import org.apache.ibatis.type.MappedTypes;
import zapateo.server.JsonTypeHandler;
import zapateo.server.arrangements.ChoicesRequest;

/** Choices are kept as JSON. */
@MappedTypes(ChoicesRequest.class)
public class ChoicesTypeHandler extends JsonTypeHandler<ChoicesRequest> {

    @Override
    protected Object written(ChoicesRequest choices) {
        return choices;
    }

    @Override
    protected ChoicesRequest read(String json) {
        return json == null ? ChoicesRequest.NONE : JSON.readValue(json, ChoicesRequest.class);
    }
}
