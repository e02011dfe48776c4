package org.pendrik.app.diary;

import java.time.Instant;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface CalendarMapper {
    @Component
    class Bean extends MapperBean<CalendarMapper> {
        Bean() {
            super(CalendarMapper.class);
        }
    }

    @Select("select token_sha256 from calendar_link where id = 1")
    @Nullable String link();

    @Insert(
            """
            merge into calendar_link (id, token_sha256, made_at) key (id)
            values (1, #{sha256}, #{madeAt})
            """)
    void put(String sha256, Instant madeAt);

    @Delete("delete from calendar_link")
    void forget();
}
