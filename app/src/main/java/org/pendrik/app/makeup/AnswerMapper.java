package org.pendrik.app.makeup;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.pendrik.app.store.MapperBean;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.springframework.stereotype.Component;

interface AnswerMapper {
    @Component
    class Bean extends MapperBean<AnswerMapper> {
        Bean() {
            super(AnswerMapper.class);
        }
    }

    @Select(
            """
            select step_id, rule, coat, answered_at from film_answer where job_id = #{jobId}
            order by answered_at, step_id, rule, coat
            """)
    List<Answers.Given> ofJob(UUID jobId);

    /** An answer of any job. */
    record Row(UUID jobId, StepId stepId, Finding.Rule rule, String coat) {}

    @Select("select job_id, step_id, rule, coat from film_answer")
    List<Row> all();

    @Delete(
            """
            delete from film_answer
            where job_id = #{jobId} and step_id = #{step} and rule = #{rule} and coat = #{coat}
            """)
    void drop(
            @Param("jobId") UUID jobId,
            @Param("step") StepId step,
            @Param("rule") Finding.Rule rule,
            @Param("coat") String coat);

    @Insert(
            """
            insert into film_answer (job_id, step_id, rule, coat, answered_at)
            values (#{jobId}, #{step}, #{rule}, #{coat}, #{at})
            """)
    void add(
            @Param("jobId") UUID jobId,
            @Param("step") StepId step,
            @Param("rule") Finding.Rule rule,
            @Param("coat") String coat,
            @Param("at") Instant at);
}
