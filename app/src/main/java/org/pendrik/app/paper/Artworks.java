package org.pendrik.app.paper;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.store.MapperBean;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.Studies;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps artwork that is fitted to a region: graffiti, signs. */
@Service
public class Artworks {
    private static final int MOST_BYTES = 16 * 1024 * 1024;

    private final ArtworkMapper mapper;
    private final Photographs photographs;
    private final Studies studies;
    private final Jobs jobs;

    Artworks(ArtworkMapper mapper, Photographs photographs, Studies studies, Jobs jobs) {
        this.mapper = mapper;
        this.photographs = photographs;
        this.studies = studies;
        this.jobs = jobs;
    }

    /**
     * A picture for a region.
     *
     * @param chokeMm how far the white under it is drawn in
     */
    public record Artwork(
            UUID id, UUID jobId, UUID regionId, String name, String hash, double chokeMm) {}

    interface ArtworkMapper {
        @Component
        class Bean extends MapperBean<ArtworkMapper> {
            Bean() {
                super(ArtworkMapper.class);
            }
        }

        @Select(
                """
                select id, job_id, region_id, name, hash, choke_mm from artwork where id = #{id}
                """)
        @Nullable Artwork find(UUID id);

        @Select(
                """
                select id, job_id, region_id, name, hash, choke_mm
                from artwork where job_id = #{jobId} and not removed order by name, id
                """)
        List<Artwork> ofJob(UUID jobId);

        @Insert(
                """
                insert into artwork (id, job_id, region_id, name, hash, choke_mm, removed)
                values (#{id}, #{jobId}, #{regionId}, #{name}, #{hash}, #{chokeMm}, false)
                """)
        void insert(Artwork a);

        @Update("update artwork set removed = #{removed} where id = #{id}")
        int remove(@Param("id") UUID id, @Param("removed") boolean removed);
    }

    /** The pictures of a job. */
    public List<Artwork> ofJob(UUID jobId) {
        return mapper.ofJob(jobId);
    }

    Artwork get(UUID id) {
        Artwork a = mapper.find(id);
        if (a == null) {
            throw new NotFound("The artwork");
        }
        return a;
    }

    /** Stores a picture of a record that is read in; its file may be missing. */
    public void addKnown(Artwork a) {
        mapper.insert(a);
    }

    /** Takes a picture in; the same id twice takes it once. */
    @Transactional
    Artwork add(UUID jobId, UUID id, UUID regionId, String name, double chokeMm, byte[] file) {
        Artwork known = mapper.find(id);
        if (known != null) {
            return known;
        }
        jobs.get(jobId);
        region(jobId, regionId);
        InvalidInput.requireWithin(
                "Choke", chokeMm, " mm", 0, 1, "0.1 keeps the white from showing.");
        if (name.isBlank() || name.length() > 120) {
            throw new InvalidInput(
                    "Artwork",
                    name.length() + " letters",
                    "must have a name of at most 120",
                    "Name it.");
        }
        if (file.length > MOST_BYTES) {
            throw new InvalidInput(
                    "Artwork", "more than 16 MB", "must have at most 16 MB", "Save it smaller.");
        }
        Pictures.transparent(file);
        mapper.insert(new Artwork(id, jobId, regionId, name, photographs.keepFile(file), chokeMm));
        return get(id);
    }

    void remove(UUID id, boolean removed) {
        if (mapper.remove(id, removed) != 1) {
            throw new NotFound("The artwork");
        }
    }

    Raster picture(Artwork a) {
        return Pictures.transparent(photographs.file(a.hash()));
    }

    JobRegion region(UUID jobId, UUID regionId) {
        return studies.of(jobId).regions().stream()
                .filter(r -> r.id().equals(regionId))
                .findFirst()
                .orElseThrow(() -> new NotFound("The region"));
    }
}
