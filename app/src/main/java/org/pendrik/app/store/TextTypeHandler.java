package org.pendrik.app.store;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.jspecify.annotations.Nullable;

/**
 * A value kept as one line of text. Handlers of such values say only how it is written and read.
 *
 * @param <T> the value
 */
public abstract class TextTypeHandler<T> extends BaseTypeHandler<T> {
    /** The line for a value. */
    protected abstract String write(T value);

    /** The value of a line. */
    protected abstract T read(String text);

    @Override
    public void setNonNullParameter(PreparedStatement ps, int i, T value, @Nullable JdbcType type)
            throws SQLException {
        ps.setString(i, write(value));
    }

    @Override
    public @Nullable T getNullableResult(ResultSet rs, String column) throws SQLException {
        return orNull(rs.getString(column));
    }

    @Override
    public @Nullable T getNullableResult(ResultSet rs, int column) throws SQLException {
        return orNull(rs.getString(column));
    }

    @Override
    public @Nullable T getNullableResult(CallableStatement cs, int column) throws SQLException {
        return orNull(cs.getString(column));
    }

    private @Nullable T orNull(@Nullable String text) {
        return text == null ? null : read(text);
    }
}
