package org.pendrik.app.photograph;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.Side;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface PhotographMapper {
    /** With the card of another photograph, where that one tells the light. */
    String SELECT =
            """
            select p.id, p.job_id, p.role, p.side, p.sister, p.caption, p.hash, p.media_type, p.width_px, p.height_px,
                p.orientation, p.taken_at, p.focal_mm35, p.added_at, p.corners, p.known_points, p.known_lines, p.grey_patch,
                p.light_from, q.hash as lent_picture, q.grey_patch as lent_grey, p.straight_lines, p.shell_marks,
                p.located, p.leads, p.evened, p.removed, p.version
            from photograph p left join photograph q on q.id = p.light_from and not q.removed
            """;

    @Component
    class Bean extends MapperBean<PhotographMapper> {
        Bean() {
            super(PhotographMapper.class);
        }
    }

    @Select(
            SELECT
                    + """
            where p.id = #{id}
            """)
    @Nullable Photograph find(UUID id);

    @Select(
            SELECT
                    + """
            where p.job_id = #{jobId} and not p.removed order by p.added_at, p.id
            """)
    List<Photograph> ofJob(UUID jobId);

    @Select(
            SELECT
                    + """
            where not p.removed order by p.job_id, p.added_at, p.id
            """)
    List<Photograph> all();

    @Insert(
            """
            insert into photograph (id, job_id, role, side, sister, caption, hash, media_type, width_px, height_px,
                orientation, taken_at, focal_mm35, added_at, corners, known_points, known_lines, grey_patch, light_from, straight_lines,
                shell_marks, located, leads, evened, removed, version)
            values (#{id}, #{jobId}, #{role}, #{side}, #{sister}, #{caption}, #{hash}, #{mediaType}, #{widthPx},
                #{heightPx}, #{orientation}, #{takenAt}, #{focalMm35}, #{addedAt}, #{corners}, #{knownPoints},
                #{knownLines}, #{greyPatch}, #{lightFrom}, #{straightLines}, #{shellMarks}, #{located}, #{leads}, #{evened}, false, 1)
            """)
    void insert(Photograph p);

    @Update(
            """
            update photograph set corners = #{corners}, known_points = #{knownPoints}, known_lines = #{knownLines},
                located = #{located}, grey_patch = #{greyPatch},
                straight_lines = #{straightLines}, shell_marks = #{shellMarks}, version = version + 1
            where id = #{id} and version = #{version}
            """)
    int mark(Photograph p);

    @Update(
            """
            update photograph set role = #{role}, side = #{side}, sister = #{sister}, caption = #{caption},
                taken_at = #{takenAt}, version = version + 1
            where id = #{id} and version = #{version}
            """)
    int describe(
            @Param("id") UUID id,
            @Param("role") Role role,
            @Param("side") Side side,
            @Param("sister") boolean sister,
            @Param("caption") String caption,
            @Param("takenAt") @Nullable Instant takenAt,
            @Param("version") int version);

    @Update(
            """
            update photograph set evened = #{evened}, light_from = #{from}, version = version + 1
            where id = #{id} and version = #{version}
            """)
    int light(
            @Param("id") UUID id,
            @Param("evened") boolean evened,
            @Param("from") @Nullable UUID from,
            @Param("version") int version);

    /** Lets one lead on its side, and none of the others. */
    @Update(
            """
            update photograph set leads = (id = #{p.id})
            where job_id = #{p.jobId} and role = 'PROTOTYPE' and side = #{p.side}
            """)
    void lead(@Param("p") Photograph p);

    @Update(
            """
            update photograph set version = version + 1
            where id = #{id} and version = #{version}
            """)
    int step(@Param("id") UUID id, @Param("version") int version);

    @Update("update photograph set removed = #{removed} where id = #{id}")
    int remove(@Param("id") UUID id, @Param("removed") boolean removed);
}
