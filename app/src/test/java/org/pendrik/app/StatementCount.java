package org.pendrik.app;

import java.sql.Connection;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.apache.ibatis.executor.statement.StatementHandler;
import org.apache.ibatis.plugin.Interceptor;
import org.apache.ibatis.plugin.Intercepts;
import org.apache.ibatis.plugin.Invocation;
import org.apache.ibatis.plugin.Signature;

/** Counts what is asked of the database. */
@Intercepts(
        @Signature(
                type = StatementHandler.class,
                method = "prepare",
                args = {Connection.class, Integer.class}))
public final class StatementCount implements Interceptor {
    private final Queue<String> statements = new ConcurrentLinkedQueue<>();

    @Override
    public Object intercept(Invocation invocation) throws Throwable {
        String sql = ((StatementHandler) invocation.getTarget()).getBoundSql().getSql();
        statements.add(sql.strip().replaceAll("\\s+", " "));
        return invocation.proceed();
    }

    /** The statements since the last time that this was asked. */
    public List<String> taken() {
        List<String> out = new ArrayList<>();
        for (String s = statements.poll(); s != null; s = statements.poll()) {
            out.add(s);
        }
        return out;
    }
}
