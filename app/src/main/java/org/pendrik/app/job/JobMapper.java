package org.pendrik.app.job;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface JobMapper {
    @Component
    class Bean extends MapperBean<JobMapper> {
        Bean() {
            super(JobMapper.class);
        }
    }

    @Select(
            """
            select id, name, kind, scale_ratio, length_mm, height_mm, substrate, wanted_on, note, created_at, archived,
                version, study_version, plan_version
            from job where id = #{id}
            """)
    @Nullable Job find(UUID id);

    @Select(
            """
            select id, name, kind, scale_ratio, length_mm, height_mm, substrate, wanted_on, note, created_at, archived,
                version, study_version, plan_version
            from job order by archived, wanted_on nulls last, created_at
            """)
    List<Job> all();

    @Insert(
            """
            insert into job (id, name, kind, scale_ratio, length_mm, height_mm, substrate, wanted_on, note, created_at,
                archived, version, study_version, plan_version)
            values (#{id}, #{name}, #{kind}, #{scaleRatio}, #{lengthMm}, #{heightMm}, #{substrate}, #{wantedOn}, #{note},
                #{createdAt}, false, 1, 1, 1)
            """)
    void insert(Job job);

    @Update(
            """
            update job set name = #{d.name}, scale_ratio = #{d.scaleRatio}, length_mm = #{d.lengthMm},
                height_mm = #{d.heightMm}, substrate = #{d.substrate}, wanted_on = #{d.wantedOn}, note = #{d.note},
                version = version + 1
            where id = #{id} and version = #{d.version}
            """)
    int update(@Param("id") UUID id, @Param("d") JobDraft draft);

    @Update("update job set archived = #{archived} where id = #{id}")
    int archive(@Param("id") UUID id, @Param("archived") boolean archived);

    @Update(
            "update job set study_version = study_version + 1 where id = #{id} and study_version = #{version}")
    int stepStudy(@Param("id") UUID id, @Param("version") int version);

    @Update(
            """
            update job set plan_version = plan_version + 1, plan_gap = #{gap}
            where id = #{id} and plan_version = #{version}
            """)
    int stepPlan(
            @Param("id") UUID id, @Param("version") int version, @Param("gap") @Nullable Long gap);

    @Insert(
            """
            insert into zone (job_id, zone_key, name, lettering, area_share, face, substrate, kept_clean, box, place)
            values (#{jobId}, #{z.zoneKey}, #{z.name}, #{z.lettering}, #{z.areaShare}, #{z.face}, #{z.substrate},
                #{z.keptClean}, #{z.box}, #{place})
            """)
    void addZone(@Param("jobId") UUID jobId, @Param("z") JobZone zone, @Param("place") int place);

    @Delete("delete from zone where job_id = #{jobId}")
    void clearZones(UUID jobId);

    @Update("update job set version = version + 1 where id = #{id} and version = #{version}")
    int stepJob(@Param("id") UUID id, @Param("version") int version);

    @Select("select plan_gap from job where id = #{id}")
    @Nullable Long planGap(UUID id);

    @Select(
            """
            select zone_key, name, lettering, area_share, face, substrate, kept_clean, box
            from zone where job_id = #{jobId} order by place
            """)
    List<JobZone> zones(UUID jobId);
}
