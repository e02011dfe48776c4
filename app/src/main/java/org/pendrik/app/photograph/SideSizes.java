package org.pendrik.app.photograph;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps the sizes of the sides of a subject. Left and right side are as large as the job says until
 * something else is known; of the others nothing is known until someone says it.
 */
@Service
public class SideSizes {
    private final SizeMapper mapper;
    private final Jobs jobs;

    SideSizes(SizeMapper mapper, Jobs jobs) {
        this.mapper = mapper;
        this.jobs = jobs;
    }

    /** A row of the table. */
    record Row(
            Side side,
            double lengthMm,
            double heightMm,
            @Nullable Double radiusMm,
            @Nullable Double fromDegrees,
            @Nullable Double toDegrees) {
        SideSize size() {
            return new SideSize(
                    side,
                    lengthMm,
                    heightMm,
                    radiusMm == null || fromDegrees == null || toDegrees == null
                            ? null
                            : new SideSize.Curve(radiusMm, fromDegrees, toDegrees));
        }
    }

    @Mapper
    interface SizeMapper {
        @Select(
                """
                select side, length_mm, height_mm, radius_mm, from_degrees, to_degrees
                from side_size where job_id = #{jobId} order by side
                """)
        List<Row> ofJob(UUID jobId);

        @Delete("delete from side_size where job_id = #{jobId} and side = #{side}")
        void clear(@Param("jobId") UUID jobId, @Param("side") Side side);

        @Insert(
                """
                insert into side_size (job_id, side, length_mm, height_mm, radius_mm, from_degrees, to_degrees)
                values (#{jobId}, #{r.side}, #{r.lengthMm}, #{r.heightMm}, #{r.radiusMm}, #{r.fromDegrees},
                    #{r.toDegrees})
                """)
        void add(@Param("jobId") UUID jobId, @Param("r") Row row);
    }

    /** What is known of the sides of a job. */
    public List<SideSize> ofJob(UUID jobId) {
        Job job = jobs.get(jobId);
        List<SideSize> out = new ArrayList<>(mapper.ofJob(jobId).stream().map(Row::size).toList());
        for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
            if (out.stream().noneMatch(s -> s.side() == side)) {
                out.add(new SideSize(side, job.lengthMm(), job.heightMm(), null));
            }
        }
        return out;
    }

    /** The size of one side, if it is known. */
    public Optional<SideSize> of(UUID jobId, Side side) {
        return ofJob(jobId).stream().filter(s -> s.side() == side).findFirst();
    }

    /** Stores a size. */
    @Transactional
    public List<SideSize> save(UUID jobId, SideSize size) {
        jobs.get(jobId);
        insert(jobId, size);
        return ofJob(jobId);
    }

    /** Stores a size of a job that is being made. */
    @Transactional
    public void insert(UUID jobId, SideSize size) {
        if (size.curve() != null) {
            size.shell();
        }
        SideSize.Curve c = size.curve();
        mapper.clear(jobId, size.side());
        mapper.add(
                jobId,
                new Row(
                        size.side(),
                        size.lengthMm(),
                        size.heightMm(),
                        c == null ? null : c.radiusMm(),
                        c == null ? null : c.fromDegrees(),
                        c == null ? null : c.toDegrees()));
    }
}
