package zapateo.server;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.postgresql.util.PGobject;
import tools.jackson.databind.json.JsonMapper;

/** A value kept in a jsonb column. */
public abstract class JsonTypeHandler<T> extends BaseTypeHandler<T> {

    protected static final JsonMapper JSON = JsonMapper.builder().build();

    protected abstract Object written(T value);

    protected abstract T read(String json);

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, T value, JdbcType type)
            throws SQLException {
        PGobject json = new PGobject();
        json.setType("jsonb");
        json.setValue(JSON.writeValueAsString(written(value)));
        statement.setObject(index, json);
    }

    @Override
    public T getNullableResult(ResultSet row, String column) throws SQLException {
        return read(row.getString(column));
    }

    @Override
    public T getNullableResult(ResultSet row, int column) throws SQLException {
        return read(row.getString(column));
    }

    @Override
    public T getNullableResult(CallableStatement call, int column) throws SQLException {
        return read(call.getString(column));
    }
}
