package org.pendrik.app.photograph;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.sides.Side;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;
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
            UUID jobId,
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

    interface SizeMapper {
        @Component
        class Bean extends MapperBean<SizeMapper> {
            Bean() {
                super(SizeMapper.class);
            }
        }

        @Select(
                """
                select job_id, side, length_mm, height_mm, radius_mm, from_degrees, to_degrees
                from side_size where job_id = #{jobId} order by side
                """)
        List<Row> ofJob(UUID jobId);

        @Select(
                """
                select job_id, side, length_mm, height_mm, radius_mm, from_degrees, to_degrees
                from side_size order by job_id, side
                """)
        List<Row> all();

        @Delete("delete from side_size where job_id = #{jobId} and side = #{side}")
        void clear(@Param("jobId") UUID jobId, @Param("side") Side side);

        @Insert(
                """
                insert into side_size (job_id, side, length_mm, height_mm, radius_mm, from_degrees, to_degrees)
                values (#{jobId}, #{side}, #{lengthMm}, #{heightMm}, #{radiusMm}, #{fromDegrees}, #{toDegrees})
                """)
        void add(Row row);
    }

    /** What is known of the sides of a job. */
    public List<SideSize> ofJob(UUID jobId) {
        return ofJob(jobs.get(jobId));
    }

    /** What is known of the sides of a job, of the moment in which its row was read. */
    public List<SideSize> ofJob(Job job) {
        return all(job, mapper.ofJob(job.id()));
    }

    /** What is known of the sides of several jobs. */
    public Map<UUID, List<SideSize>> of(Collection<Job> several) {
        Map<UUID, List<Row>> rows =
                mapper.all().stream().collect(Collectors.groupingBy(Row::jobId));
        Map<UUID, List<SideSize>> out = new HashMap<>();
        several.forEach(j -> out.put(j.id(), all(j, rows.getOrDefault(j.id(), List.of()))));
        return out;
    }

    private static List<SideSize> all(Job job, List<Row> rows) {
        List<SideSize> out = new ArrayList<>(rows.stream().map(Row::size).toList());
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
                new Row(
                        jobId,
                        size.side(),
                        size.lengthMm(),
                        size.heightMm(),
                        c == null ? null : c.radiusMm(),
                        c == null ? null : c.fromDegrees(),
                        c == null ? null : c.toDegrees()));
    }
}
