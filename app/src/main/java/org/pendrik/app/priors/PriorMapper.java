package org.pendrik.app.priors;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.pendrik.app.store.MapperBean;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.Overrule;
import org.pendrik.core.film.StepId;
import org.springframework.stereotype.Component;

interface PriorMapper {
    @Component
    class Bean extends MapperBean<PriorMapper> {
        Bean() {
            super(PriorMapper.class);
        }
    }

    /**
     * A coat that was seen to be touch dry.
     *
     * @param predictedMin minutes that the tables say for that coat in that air
     * @param seenMin minutes that it took
     */
    record Seen(
            UUID jobId,
            StepId stepId,
            String material,
            double predictedMin,
            double seenMin,
            Instant seenAt) {}

    /** A cell as it is kept; its names are no words of SQL. */
    record Kept(Overrule.Table priorTable, String priorKey, String priorColumn, String ownValue) {
        Overrule overrule() {
            return new Overrule(priorTable, priorKey, priorColumn, ownValue);
        }
    }

    @Select(
            """
            select prior_table, prior_key, prior_column, own_value from prior_overrule
            order by prior_table, prior_key, prior_column
            """)
    List<Kept> overrules();

    @Delete(
            """
            delete from prior_overrule
            where prior_table = #{table} and prior_key = #{key} and prior_column = #{column}
            """)
    void drop(
            @Param("table") Overrule.Table table,
            @Param("key") String key,
            @Param("column") String column);

    @Insert(
            """
            insert into prior_overrule (prior_table, prior_key, prior_column, own_value)
            values (#{table}, #{key}, #{column}, #{value})
            """)
    void add(Overrule o);

    @Select(
            """
            select job_id, step_id, material, predicted_min, seen_min, seen_at from drying_seen
            order by seen_at, step_id
            """)
    List<Seen> seen();

    @Delete("delete from drying_seen where job_id = #{jobId} and step_id = #{stepId}")
    int forget(@Param("jobId") UUID jobId, @Param("stepId") StepId stepId);

    @Insert(
            """
            insert into drying_seen (job_id, step_id, material, predicted_min, seen_min, seen_at)
            values (#{jobId}, #{stepId}, #{material}, #{predictedMin}, #{seenMin}, #{seenAt})
            """)
    void see(Seen s);

    /**
     * What came of a bite that was warned of.
     *
     * @param hit bite times exposure by the table
     * @param lifted whether the coat gave way
     */
    record Bitten(
            UUID jobId,
            StepId stepId,
            Binder binder,
            String solvent,
            double hit,
            boolean lifted,
            Instant seenAt) {}

    @Select(
            """
            select job_id, step_id, binder, solvent, hit, lifted, seen_at from bite_seen
            order by seen_at, step_id, binder
            """)
    List<Bitten> bitten();

    @Delete("delete from bite_seen where job_id = #{jobId} and step_id = #{stepId}")
    int forgetBites(@Param("jobId") UUID jobId, @Param("stepId") StepId stepId);

    @Insert(
            """
            insert into bite_seen (job_id, step_id, binder, solvent, hit, lifted, seen_at)
            values (#{jobId}, #{stepId}, #{binder}, #{solvent}, #{hit}, #{lifted}, #{seenAt})
            """)
    void seeBite(Bitten b);
}
