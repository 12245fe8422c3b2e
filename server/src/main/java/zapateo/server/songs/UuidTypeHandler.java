package zapateo.server.songs;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.UUID;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;

/** MyBatis brings no handler for UUIDs. */
@MappedTypes(UUID.class)
public class UuidTypeHandler extends BaseTypeHandler<UUID> {

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, UUID id, JdbcType type)
            throws SQLException {
        statement.setObject(index, id);
    }

    @Override
    public UUID getNullableResult(ResultSet row, String column) throws SQLException {
        return row.getObject(column, UUID.class);
    }

    @Override
    public UUID getNullableResult(ResultSet row, int column) throws SQLException {
        return row.getObject(column, UUID.class);
    }

    @Override
    public UUID getNullableResult(CallableStatement call, int column) throws SQLException {
        return call.getObject(column, UUID.class);
    }
}
