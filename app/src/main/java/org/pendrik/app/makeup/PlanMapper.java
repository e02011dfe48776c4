package org.pendrik.app.makeup;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.pendrik.app.store.MapperBean;
import org.pendrik.core.plan.Pin;
import org.springframework.stereotype.Component;

interface PlanMapper {
    @Component
    class Bean extends MapperBean<PlanMapper> {
        Bean() {
            super(PlanMapper.class);
        }
    }

    @Select(
            """
            select id, technique, material, thickness, zones, origin, reason, started_at, finished_at,
                takes_back, back_share, made_for_effect, made_for_step, works_on, zone_times, extra
            from plan_step where job_id = #{jobId} order by place
            """)
    List<StoredStep> steps(UUID jobId);

    @Delete("delete from plan_step where job_id = #{jobId}")
    void clearSteps(UUID jobId);

    @Insert(
            """
            <script>
            insert into plan_step (job_id, id, technique, material, thickness, zones, origin, reason, started_at,
                finished_at, takes_back, back_share, made_for_effect, made_for_step, works_on, zone_times, extra, place)
            values
            <foreach collection="steps" item="s" index="place" separator=",">
                (#{jobId}, #{s.id}, #{s.technique}, #{s.material}, #{s.thickness}, #{s.zones}, #{s.origin},
                #{s.reason}, #{s.startedAt}, #{s.finishedAt}, #{s.takesBack}, #{s.backShare},
                #{s.madeForEffect}, #{s.madeForStep}, #{s.worksOn}, #{s.zoneTimes}, #{s.extra}, #{place})
            </foreach>
            </script>
            """)
    void addSteps(@Param("jobId") UUID jobId, @Param("steps") List<StoredStep> steps);

    @Select("select first_id, then_id from pin where job_id = #{jobId} order by first_id, then_id")
    List<Pin> pins(UUID jobId);

    @Delete("delete from pin where job_id = #{jobId}")
    void clearPins(UUID jobId);

    @Insert(
            "insert into pin (job_id, first_id, then_id) values (#{jobId}, #{p.firstId}, #{p.thenId})")
    void addPin(@Param("jobId") UUID jobId, @Param("p") Pin pin);
}
