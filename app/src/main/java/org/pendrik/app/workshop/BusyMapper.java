package org.pendrik.app.workshop;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Select;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface BusyMapper {
    @Component
    class Bean extends MapperBean<BusyMapper> {
        Bean() {
            super(BusyMapper.class);
        }
    }

    /** A calendar without its times. */
    record Row(String name, Instant readAt) {}

    /** A time of a calendar. */
    record TimeRow(String calendar, long fromMinute, long untilMinute) {}

    @Select("select name, read_at from busy_calendar order by name")
    List<Row> calendars();

    @Select("select calendar, from_minute, until_minute from busy_time order by from_minute")
    List<TimeRow> times();

    @Insert("insert into busy_calendar (name, read_at) values (#{name}, #{readAt})")
    void insert(Row row);

    @Insert(
            """
            <script>
            insert into busy_time (calendar, from_minute, until_minute) values
            <foreach collection="list" item="t" separator=",">
            (#{t.calendar}, #{t.fromMinute}, #{t.untilMinute})
            </foreach>
            </script>
            """)
    void insertTimes(List<TimeRow> times);

    @Delete("delete from busy_calendar where name = #{name}")
    int delete(String name);
}
