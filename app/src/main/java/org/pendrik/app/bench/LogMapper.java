package org.pendrik.app.bench;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.MapperBean;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.store.ZoneTimes;
import org.springframework.stereotype.Component;

interface LogMapper {
    @Component
    class Bean extends MapperBean<LogMapper> {
        Bean() {
            super(LogMapper.class);
        }
    }

    @Select(
            """
            select id, job_id, step_id, technique, material, zones, started_at, finished_at, note, photograph_id, version,
                zone_times
            from log_entry where job_id = #{jobId} order by started_at, id
            """)
    List<LogEntry> ofJob(UUID jobId);

    @Select(
            """
            select id, job_id, step_id, technique, material, zones, started_at, finished_at, note, photograph_id, version,
                zone_times
            from log_entry where zone_times is not null order by job_id, started_at, id
            """)
    List<LogEntry> withZoneTimes();

    @Select(
            """
            select id, job_id, step_id, technique, material, zones, started_at, finished_at, note, photograph_id, version,
                zone_times
            from log_entry where id = #{id}
            """)
    @Nullable LogEntry find(UUID id);

    @Insert(
            """
            insert into log_entry (id, job_id, step_id, technique, material, zones, started_at, finished_at, note,
                photograph_id, version, zone_times)
            values (#{id}, #{jobId}, #{stepId}, #{technique}, #{material}, #{zones}, #{startedAt}, #{finishedAt},
                #{note}, #{photographId}, 1, #{zoneTimes})
            """)
    void insert(LogEntry e);

    @Update(
            """
            update log_entry set material = #{material}, started_at = #{startedAt}, finished_at = #{finishedAt},
                note = #{note}, photograph_id = #{photographId}, zone_times = #{zoneTimes}, version = version + 1
            where id = #{id} and version = #{version}
            """)
    int update(LogEntry e);

    @Delete("delete from log_entry where id = #{id}")
    void delete(UUID id);

    @Update("update log_entry set zones = #{zones}, zone_times = #{times} where id = #{id}")
    void moveZones(
            @Param("id") UUID id,
            @Param("zones") ZoneKeys zones,
            @Param("times") @Nullable ZoneTimes times);
}
