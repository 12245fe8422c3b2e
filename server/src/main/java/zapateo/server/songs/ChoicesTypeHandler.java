package zapateo.server.songs;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.postgresql.util.PGobject;
import tools.jackson.databind.json.JsonMapper;
import zapateo.server.arrangements.ChoicesRequest;

/** Choices are kept as JSON. */
@MappedTypes(ChoicesRequest.class)
public class ChoicesTypeHandler extends BaseTypeHandler<ChoicesRequest> {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, ChoicesRequest choices, JdbcType type) throws SQLException {
        PGobject json = new PGobject();
        json.setType("jsonb");
        json.setValue(JSON.writeValueAsString(choices));
        statement.setObject(index, json);
    }

    @Override
    public ChoicesRequest getNullableResult(ResultSet row, String column) throws SQLException {
        return read(row.getString(column));
    }

    @Override
    public ChoicesRequest getNullableResult(ResultSet row, int column) throws SQLException {
        return read(row.getString(column));
    }

    @Override
    public ChoicesRequest getNullableResult(CallableStatement call, int column) throws SQLException {
        return read(call.getString(column));
    }

    private static ChoicesRequest read(String json) {
        return json == null ? ChoicesRequest.NONE : JSON.readValue(json, ChoicesRequest.class);
    }
}
