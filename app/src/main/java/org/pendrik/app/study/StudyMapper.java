package org.pendrik.app.study;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface StudyMapper {
    @Component
    class Bean extends MapperBean<StudyMapper> {
        Bean() {
            super(StudyMapper.class);
        }
    }

    /** A region as it is stored: its outline is one line of numbers. */
    record Row(
            UUID id,
            String name,
            @Nullable String zoneKey,
            Side side,
            RegionRole role,
            double xMm,
            double yMm,
            double widthMm,
            double heightMm,
            boolean factory,
            String outline,
            @Nullable UUID photographId) {
        static Row of(JobRegion r) {
            return new Row(
                    r.id(),
                    r.name(),
                    r.zoneKey(),
                    r.side(),
                    r.role(),
                    r.xMm(),
                    r.yMm(),
                    r.widthMm(),
                    r.heightMm(),
                    r.factory(),
                    Marks.line(r.outline()),
                    r.photographId());
        }

        JobRegion region() {
            return new JobRegion(
                    id,
                    name,
                    zoneKey,
                    side,
                    role,
                    xMm,
                    yMm,
                    widthMm,
                    heightMm,
                    factory,
                    Marks.points(Marks.numbers(outline)),
                    photographId);
        }
    }

    @Select(
            """
            select id, name, zone_key, side, role, x_mm, y_mm, width_mm, height_mm, factory, outline,
                photograph_id
            from region where job_id = #{jobId} order by place
            """)
    List<Row> regions(UUID jobId);

    @Delete("delete from region where job_id = #{jobId}")
    void clearRegions(UUID jobId);

    @Insert(
            """
            insert into region (job_id, id, name, zone_key, side, role, x_mm, y_mm, width_mm, height_mm, factory,
                outline, photograph_id, place)
            values (#{jobId}, #{r.id}, #{r.name}, #{r.zoneKey}, #{r.side}, #{r.role}, #{r.xMm}, #{r.yMm},
                #{r.widthMm}, #{r.heightMm}, #{r.factory}, #{r.outline}, #{r.photographId}, #{place})
            """)
    void addRegion(@Param("jobId") UUID jobId, @Param("r") Row region, @Param("place") int place);

    @Select(
            """
            select id, kind, zones, strength, tones, note, colour, marks, region_id, how
            from effect where job_id = #{jobId} order by place
            """)
    List<JobEffect> effects(UUID jobId);

    @Delete("delete from effect where job_id = #{jobId}")
    void clearEffects(UUID jobId);

    @Insert(
            """
            insert into effect (job_id, id, kind, zones, strength, tones, note, colour, marks, region_id, how, place)
            values (#{jobId}, #{e.id}, #{e.kind}, #{e.zones}, #{e.strength}, #{e.tones}, #{e.note}, #{e.colour},
                #{e.marks}, #{e.regionId}, #{e.how}, #{place})
            """)
    void addEffect(
            @Param("jobId") UUID jobId, @Param("e") JobEffect effect, @Param("place") int place);

    @Select(
            """
            select id, photograph_id, kind, x_mm, y_mm, width_mm, height_mm
            from class_sample where job_id = #{jobId} order by place
            """)
    List<JobSample> samples(UUID jobId);

    @Delete("delete from class_sample where job_id = #{jobId}")
    void clearSamples(UUID jobId);

    @Insert(
            """
            insert into class_sample (job_id, id, photograph_id, kind, x_mm, y_mm, width_mm, height_mm, place)
            values (#{jobId}, #{s.id}, #{s.photographId}, #{s.kind}, #{s.xMm}, #{s.yMm}, #{s.widthMm},
                #{s.heightMm}, #{place})
            """)
    void addSample(
            @Param("jobId") UUID jobId, @Param("s") JobSample sample, @Param("place") int place);

    @Select("select source, name, l, a, b from factory_paint where job_id = #{jobId}")
    @Nullable FactoryPaint factoryPaint(UUID jobId);

    @Delete("delete from factory_paint where job_id = #{jobId}")
    void clearFactoryPaint(UUID jobId);

    @Insert(
            """
            insert into factory_paint (job_id, source, name, l, a, b)
            values (#{jobId}, #{p.source}, #{p.name}, #{p.l}, #{p.a}, #{p.b})
            """)
    void addFactoryPaint(@Param("jobId") UUID jobId, @Param("p") FactoryPaint paint);
}
