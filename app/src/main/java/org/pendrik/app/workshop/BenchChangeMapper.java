package org.pendrik.app.workshop;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Select;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface BenchChangeMapper {
    @Component
    class Bean extends MapperBean<BenchChangeMapper> {
        Bean() {
            super(BenchChangeMapper.class);
        }
    }

    @Select(
            """
            select id, on_day, from_time, until_time, there from bench_change
            order by on_day, from_time, id
            """)
    List<BenchChange> all();

    @Insert(
            """
            merge into bench_change (id, on_day, from_time, until_time, there) key (id)
            values (#{id}, #{onDay}, #{fromTime}, #{untilTime}, #{there})
            """)
    void put(BenchChange c);

    @Delete("delete from bench_change where id = #{id}")
    int delete(UUID id);
}
