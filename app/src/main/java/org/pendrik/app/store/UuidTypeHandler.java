package org.pendrik.app.store;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.UUID;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** A UUID as the database's own type. */
@Component
@MappedTypes(UUID.class)
public class UuidTypeHandler extends BaseTypeHandler<UUID> {
    @Override
    public void setNonNullParameter(
            PreparedStatement ps, int i, UUID value, @Nullable JdbcType type) throws SQLException {
        ps.setObject(i, value);
    }

    @Override
    public @Nullable UUID getNullableResult(ResultSet rs, String column) throws SQLException {
        return rs.getObject(column, UUID.class);
    }

    @Override
    public @Nullable UUID getNullableResult(ResultSet rs, int column) throws SQLException {
        return rs.getObject(column, UUID.class);
    }

    @Override
    public @Nullable UUID getNullableResult(CallableStatement cs, int column) throws SQLException {
        return cs.getObject(column, UUID.class);
    }
}
