package org.pendrik.app.photograph;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface PhotographMapper {
    @Select(
            """
            select id, job_id, role, caption, hash, media_type, width_px, height_px, orientation, taken_at, added_at,
                corners, known_points, grey_patch, removed, version
            from photograph where id = #{id}
            """)
    @Nullable Photograph find(UUID id);

    @Select(
            """
            select id, job_id, role, caption, hash, media_type, width_px, height_px, orientation, taken_at, added_at,
                corners, known_points, grey_patch, removed, version
            from photograph where job_id = #{jobId} and not removed order by added_at, id
            """)
    List<Photograph> ofJob(UUID jobId);

    @Insert(
            """
            insert into photograph (id, job_id, role, caption, hash, media_type, width_px, height_px, orientation,
                taken_at, added_at, corners, known_points, grey_patch, removed, version)
            values (#{id}, #{jobId}, #{role}, #{caption}, #{hash}, #{mediaType}, #{widthPx}, #{heightPx},
                #{orientation}, #{takenAt}, #{addedAt}, #{corners}, #{knownPoints}, #{greyPatch}, false, 1)
            """)
    void insert(Photograph p);

    @Update(
            """
            update photograph set corners = #{corners}, known_points = #{knownPoints}, grey_patch = #{greyPatch},
                version = version + 1
            where id = #{id} and version = #{version}
            """)
    int mark(
            @Param("id") UUID id,
            @Param("corners") Marks.@Nullable Corners corners,
            @Param("knownPoints") Marks.@Nullable KnownPoints knownPoints,
            @Param("greyPatch") Marks.@Nullable GreyPatch greyPatch,
            @Param("version") int version);

    @Update("update photograph set removed = #{removed} where id = #{id}")
    int remove(@Param("id") UUID id, @Param("removed") boolean removed);
}
