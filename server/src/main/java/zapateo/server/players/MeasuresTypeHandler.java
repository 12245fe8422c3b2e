package zapateo.server.players;

import org.apache.ibatis.type.MappedTypes;
import zapateo.server.JsonTypeHandler;

/** Measures are kept as JSON. */
@MappedTypes(Measures.class)
public class MeasuresTypeHandler extends JsonTypeHandler<Measures> {

    @Override
    protected Object written(Measures measures) {
        return measures;
    }

    @Override
    protected Measures read(String json) {
        return json == null ? Measures.USUAL : JSON.readValue(json, Measures.class);
    }
}
