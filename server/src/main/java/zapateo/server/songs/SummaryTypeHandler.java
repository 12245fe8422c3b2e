package zapateo.server.songs;

import org.apache.ibatis.type.MappedTypes;
import tools.jackson.core.JacksonException;
import zapateo.server.JsonTypeHandler;

/** Summaries are kept as JSON; what cannot be read as one is made anew. */
@MappedTypes(Summary.class)
public class SummaryTypeHandler extends JsonTypeHandler<Summary> {

    @Override
    protected Object written(Summary summary) {
        return summary;
    }

    @Override
    protected Summary read(String json) {
        try {
            return json == null ? null : JSON.readValue(json, Summary.class);
        } catch (JacksonException other) {
            return null;
        }
    }
}
