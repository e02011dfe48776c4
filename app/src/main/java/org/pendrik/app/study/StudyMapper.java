package org.pendrik.app.study;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface StudyMapper {
    @Select(
            """
            select id, name, zone_key, x_mm, y_mm, width_mm, height_mm, factory
            from region where job_id = #{jobId} order by place
            """)
    List<JobRegion> regions(UUID jobId);

    @Delete("delete from region where job_id = #{jobId}")
    void clearRegions(UUID jobId);

    @Insert(
            """
            insert into region (job_id, id, name, zone_key, x_mm, y_mm, width_mm, height_mm, factory, place)
            values (#{jobId}, #{r.id}, #{r.name}, #{r.zoneKey}, #{r.xMm}, #{r.yMm}, #{r.widthMm}, #{r.heightMm},
                #{r.factory}, #{place})
            """)
    void addRegion(
            @Param("jobId") UUID jobId, @Param("r") JobRegion region, @Param("place") int place);

    @Select(
            """
            select id, kind, zones, strength, material, note
            from effect where job_id = #{jobId} order by place
            """)
    List<JobEffect> effects(UUID jobId);

    @Delete("delete from effect where job_id = #{jobId}")
    void clearEffects(UUID jobId);

    @Insert(
            """
            insert into effect (job_id, id, kind, zones, strength, material, note, place)
            values (#{jobId}, #{e.id}, #{e.kind}, #{e.zones}, #{e.strength}, #{e.material}, #{e.note}, #{place})
            """)
    void addEffect(
            @Param("jobId") UUID jobId, @Param("e") JobEffect effect, @Param("place") int place);
}
