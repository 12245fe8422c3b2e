package zapateo.server.practice;

import org.apache.ibatis.type.MappedTypes;
import zapateo.server.JsonTypeHandler;

/** What there is to practise is kept as JSON. */
@MappedTypes(GoalRow.Pieces.class)
public class PiecesTypeHandler extends JsonTypeHandler<GoalRow.Pieces> {

    @Override
    protected Object written(GoalRow.Pieces pieces) {
        return pieces;
    }

    @Override
    protected GoalRow.Pieces read(String json) {
        return JSON.readValue(json, GoalRow.Pieces.class);
    }
}
