package org.pendrik.app.diary;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.pendrik.app.store.MapperBean;
import org.pendrik.core.film.StepId;
import org.springframework.stereotype.Component;

interface DecidedMapper {
    @Component
    class Bean extends MapperBean<DecidedMapper> {
        Bean() {
            super(DecidedMapper.class);
        }
    }

    /**
     * When a step is to begin.
     *
     * @param held the user holds it to that sitting
     */
    record Row(UUID jobId, StepId stepId, Instant startsAt, boolean held) {}

    @Select("select job_id, step_id, starts_at, held from diary_step order by job_id, starts_at")
    List<Row> all();

    @Delete("delete from diary_step")
    void clear();

    @Update("update diary_step set held = false where job_id = #{jobId} and step_id = #{stepId}")
    int loosen(UUID jobId, StepId stepId);

    @Insert(
            """
            insert into diary_step (job_id, step_id, starts_at, held)
            values (#{jobId}, #{stepId}, #{startsAt}, #{held})
            """)
    void add(Row row);
}
