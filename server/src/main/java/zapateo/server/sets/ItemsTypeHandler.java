package zapateo.server.sets;

import org.apache.ibatis.type.MappedTypes;
import zapateo.server.JsonTypeHandler;

/** The order of an evening is kept as JSON. */
@MappedTypes(SetRow.Items.class)
public class ItemsTypeHandler extends JsonTypeHandler<SetRow.Items> {

    @Override
    protected Object written(SetRow.Items items) {
        return items;
    }

    @Override
    protected SetRow.Items read(String json) {
        return JSON.readValue(json, SetRow.Items.class);
    }
}
